import { clsx } from "clsx";
import { X } from "lucide-react";
import { AlertDialog, Dialog as Radix } from "radix-ui";
import { useState, type ReactNode } from "react";
import { Button } from "./button";

const sheet =
  "fixed left-1/2 top-[38%] z-50 w-[480px] max-w-[92vw] -translate-x-1/2 -translate-y-1/2 rounded-xl border border-rule bg-paper p-5 shadow-2xl";
const veil = "fixed inset-0 z-40 bg-black/30";

/** A sheet with what is said or asked, left by its button, Escape, or a click beside it. */
export function SheetDialog({
  title,
  open,
  onClose,
  wide = false,
  children,
}: {
  title: string;
  open: boolean;
  onClose: () => void;
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <Radix.Root open={open} onOpenChange={(o) => !o && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className={veil} />
        <Radix.Content className={clsx(sheet, wide && "!top-1/2 !w-[760px]")} aria-describedby={undefined}>
          <Radix.Title className="mb-3 pr-8 text-base font-semibold">{title}</Radix.Title>
          <Radix.Close aria-label="Close" className="absolute right-3 top-3 grid size-8 place-items-center rounded-md hover:bg-wash">
            <X className="size-4" />
          </Radix.Close>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** Asks for a name. */
export function NameDialog({
  title,
  start,
  action,
  open,
  onClose,
  onName,
}: {
  title: string;
  start: string;
  action: string;
  open: boolean;
  onClose: () => void;
  onName: (name: string) => void;
}) {
  return (
    <Radix.Root open={open} onOpenChange={(o) => !o && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className={veil} />
        <Radix.Content className={sheet} aria-describedby={undefined}>
          <Radix.Title className="mb-3 text-base font-semibold">{title}</Radix.Title>
          <NameForm start={start} action={action} onClose={onClose} onName={onName} />
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

function NameForm({
  start,
  action,
  onClose,
  onName,
}: {
  start: string;
  action: string;
  onClose: () => void;
  onName: (name: string) => void;
}) {
  const [name, setName] = useState(start);
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        if (!name.trim()) return;
        onName(name.trim());
        onClose();
      }}
    >
      <input
        aria-label="Name"
        value={name}
        maxLength={80}
        onChange={(e) => setName(e.target.value)}
        onFocus={(e) => e.target.select()}
        autoFocus
        className="h-9 w-full rounded-md border border-rule bg-sheet px-3 outline-none focus:border-accent"
      />
      <div className="mt-4 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Cancel
        </Button>
        <Button look="primary" type="submit" disabled={!name.trim()}>
          {action}
        </Button>
      </div>
    </form>
  );
}

/** A question that has to be answered before anything else. */
export function AskDialog({ open, title, children, actions }: { open: boolean; title: string; children: ReactNode; actions: ReactNode }) {
  return (
    <AlertDialog.Root open={open}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className={veil} />
        <AlertDialog.Content className={sheet}>
          <AlertDialog.Title className="mb-2 text-base font-semibold">{title}</AlertDialog.Title>
          <AlertDialog.Description className="text-pencil">{children}</AlertDialog.Description>
          <div className="mt-4 flex flex-wrap justify-end gap-2">{actions}</div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
