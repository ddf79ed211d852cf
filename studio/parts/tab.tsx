import { Tabs } from "radix-ui";
import { useState, type ComponentProps } from "react";

/** One of several tabs. A press gives it the focus by script, which browsers take for the keyboard's: by mouse it shows no ring. */
export function Tab({ className = "", onPointerDown, onKeyDown, onBlur, ...props }: ComponentProps<typeof Tabs.Trigger>) {
  const [pressed, press] = useState(false);
  return (
    <Tabs.Trigger
      {...props}
      onPointerDown={(e) => {
        press(true);
        onPointerDown?.(e);
      }}
      onKeyDown={(e) => {
        press(false);
        onKeyDown?.(e);
      }}
      onBlur={(e) => {
        press(false);
        onBlur?.(e);
      }}
      className={`${className} ${pressed ? "!outline-none" : ""}`}
    />
  );
}
