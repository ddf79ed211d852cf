import { Switch as Radix } from "radix-ui";
import { useId } from "react";
import { Tip } from "./tip";

/** Something that is on or off. */
export function Switch({
  label,
  hint,
  checked,
  onChange,
}: {
  label: string;
  hint: string;
  checked: boolean;
  onChange: (on: boolean) => void;
}) {
  const id = useId();
  return (
    <div className="flex min-h-8 items-center justify-between gap-2">
      <Tip text={hint} side="right">
        <label htmlFor={id} className="text-pencil">
          {label}
        </label>
      </Tip>
      <Radix.Root
        id={id}
        aria-label={label}
        checked={checked}
        onCheckedChange={onChange}
        className="relative h-5 w-9 rounded-full border border-rule bg-sheet transition-colors data-[state=checked]:border-accent data-[state=checked]:bg-accent"
      >
        <Radix.Thumb className="block size-3.5 translate-x-0.5 rounded-full bg-pencil transition-transform data-[state=checked]:translate-x-[18px] data-[state=checked]:bg-on-accent" />
      </Radix.Root>
    </div>
  );
}
