import { clsx } from "clsx";
import { ChevronRight } from "lucide-react";
import { Collapsible } from "radix-ui";
import { useState, type ReactNode } from "react";
import { Guarded } from "./guarded";
import { Tip } from "./tip";

/** One row of a drawer: a label with its tooltip on the left, the control on the right. */
export function Field({
  label,
  hint,
  htmlFor,
  children,
  stacked,
}: {
  label: string;
  hint: string;
  htmlFor?: string;
  children: ReactNode;
  stacked?: boolean;
}) {
  return (
    <div className={clsx("min-h-8", stacked ? "space-y-1" : "grid grid-cols-[92px_minmax(0,1fr)] items-center gap-2")}>
      <Tip text={hint} side="right">
        <label htmlFor={htmlFor} className="text-pencil w-fit">
          {label}
        </label>
      </Tip>
      <Guarded what={label}>{children}</Guarded>
    </div>
  );
}

/** Which folded parts are open, for as long as the page is. */
const opened = new Map<string, boolean>();

/** A titled part of a drawer that can be folded away. */
export function Fold({
  title,
  actions,
  children,
  open: atFirst = false,
}: {
  title: string;
  actions?: ReactNode;
  children: ReactNode;
  open?: boolean;
}) {
  const [open, setOpen] = useState(opened.get(title) ?? atFirst);
  return (
    <Collapsible.Root asChild open={open} onOpenChange={(o) => (opened.set(title, o), setOpen(o))}>
      <section aria-label={title} className="border-b border-rule px-4 py-2">
        <div className="flex h-7 items-center justify-between">
          <h2 className="grow text-[13px] font-semibold">
            <Collapsible.Trigger className="group -ml-1 flex h-7 w-full items-center gap-1 rounded px-1 text-left">
              <ChevronRight className="size-3.5 text-pencil transition-transform group-data-[state=open]:rotate-90" />
              {title}
            </Collapsible.Trigger>
          </h2>
          {open && <div className="flex items-center gap-0.5">{actions}</div>}
        </div>
        <Collapsible.Content className="space-y-1.5 pb-1 pt-1.5">
          <Guarded what={title}>{children}</Guarded>
        </Collapsible.Content>
      </section>
    </Collapsible.Root>
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
      <div className="space-y-1.5">
        <Guarded what={title}>{children}</Guarded>
      </div>
    </section>
  );
}
