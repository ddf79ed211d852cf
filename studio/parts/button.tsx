import { clsx } from "clsx";
import type { ComponentProps, ReactNode } from "react";
import { Tip } from "./tip";

const looks = {
  primary: "bg-accent text-on-accent hover:brightness-110 border border-transparent",
  plain: "bg-sheet border border-rule hover:border-pencil",
  quiet: "border border-transparent hover:bg-wash",
};

type ButtonProps = ComponentProps<"button"> & { look?: keyof typeof looks };

export function Button({ look = "plain", className, ...rest }: ButtonProps) {
  return (
    <button
      type="button"
      className={clsx(
        "inline-flex h-8 items-center justify-center gap-1.5 whitespace-nowrap rounded-md px-3 font-medium disabled:opacity-40",
        looks[look],
        className,
      )}
      {...rest}
    />
  );
}

type IconButtonProps = Omit<ButtonProps, "children"> & {
  label: string;
  keys?: string;
  active?: boolean;
  children: ReactNode;
  side?: "top" | "bottom" | "left" | "right";
};

/** A square button with a picture; its label is its tooltip and its name for a screen reader. */
export function IconButton({ label, keys, active, className, side, look = "quiet", ...rest }: IconButtonProps) {
  return (
    <Tip text={label} keys={keys} side={side}>
      <button
        type="button"
        aria-label={label}
        aria-pressed={active}
        className={clsx(
          "inline-flex size-8 shrink-0 items-center justify-center rounded-md disabled:opacity-35 [&_svg]:size-4",
          looks[look],
          active && "!bg-wash text-accent",
          className,
        )}
        {...rest}
      />
    </Tip>
  );
}
