import { clsx } from "clsx";
import type { ReactNode } from "react";
import { Tip } from "./tip";

/** One row of a drawer: a label with its tooltip on the left, the control on the right. */
export function Field({ label, hint, htmlFor, children, stacked }: { label: string; hint: string; htmlFor?: string; children: ReactNode; stacked?: boolean }) {
  return (
    <div className={clsx("min-h-8", stacked ? "space-y-1" : "grid grid-cols-[92px_minmax(0,1fr)] items-center gap-2")}>
      <Tip text={hint} side="right">
        <label htmlFor={htmlFor} className="text-pencil w-fit">
          {label}
        </label>
      </Tip>
      {children}
    </div>
  );
}

/** A titled part of a drawer. */
export function Section({ title, actions, children }: { title: string; actions?: ReactNode; children: ReactNode }) {
  return (
    <section aria-label={title} className="border-b border-rule px-4 py-3">
      <div className="mb-2 flex h-7 items-center justify-between">
        <h2 className="text-[13px] font-semibold">{title}</h2>
        <div className="flex items-center gap-0.5">{actions}</div>
      </div>
      <div className="space-y-1.5">{children}</div>
    </section>
  );
}
