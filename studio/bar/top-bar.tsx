import { ArrowLeft, Keyboard, Redo2, Undo2 } from "lucide-react";
import Link from "next/link";
import { Dialog } from "radix-ui";
import { IconButton } from "../parts/button";
import { LightButton } from "../parts/light-button";
import { Tip } from "../parts/tip";
import { stages, type Stage, useParts } from "../state/store";
import { SavedState } from "./saved-state";

const stageText: Record<Stage, { label: string; hint: string }> = {
  words: { label: "Words", hint: "Type the words, choose a face, set size and spacing" },
  bend: { label: "Bend", hint: "Put them on a line, in an envelope or into a shape" },
  coats: { label: "Coats", hint: "Build the look from back to front" },
  export: { label: "Export", hint: "Take it away as vectors or a picture" },
};

/** The piece's name, the route of the work, undo and redo, and whether it is saved. */
export function TopBar() {
  const { work, stage, history, change, set, undo, redo, settle } = useParts(
    "work",
    "stage",
    "history",
    "change",
    "set",
    "undo",
    "redo",
    "settle",
  );
  return (
    <header className="flex h-12 shrink-0 items-center gap-2 border-b border-rule bg-paper px-2">
      <Tip text="To the shelf">
        <Link href="/" aria-label="To the shelf" className="inline-flex size-8 items-center justify-center rounded-md hover:bg-wash">
          <ArrowLeft className="size-4" />
        </Link>
      </Tip>
      <input
        aria-label="Name of the piece"
        value={work?.piece.name ?? ""}
        maxLength={120}
        onChange={(e) =>
          e.target.value.trim() && change((w) => ({ ...w, piece: { ...w.piece, name: e.target.value, named: true } }), "piece name")
        }
        onBlur={settle}
        className="h-8 w-56 rounded-md border border-transparent bg-transparent px-2 text-[15px] font-semibold outline-none hover:border-rule focus:border-accent focus:bg-sheet"
      />
      <nav aria-label="Stages" className="mx-auto flex select-none items-center">
        {stages.map((s, i) => (
          <Tip key={s} text={stageText[s].hint} keys={String(i + 1)}>
            <button
              type="button"
              aria-current={stage === s ? "step" : undefined}
              onClick={() => set({ stage: s, typing: null })}
              className="relative flex h-12 items-center gap-2 px-4 outline-offset-[-4px] font-medium text-pencil after:absolute after:inset-x-3 after:bottom-0 after:h-[3px] after:rounded-t hover:text-graphite aria-[current=step]:text-graphite aria-[current=step]:after:bg-accent"
            >
              <span className="text-xs tabular-nums">{i + 1}</span>
              {stageText[s].label}
            </button>
          </Tip>
        ))}
      </nav>
      <SavedState />
      <IconButton label="Undo" keys="Ctrl Z" disabled={!history.past.length} onClick={undo}>
        <Undo2 />
      </IconButton>
      <IconButton label="Redo" keys="Ctrl Shift Z" disabled={!history.future.length} onClick={redo}>
        <Redo2 />
      </IconButton>
      <LightButton />
      <Keys />
    </header>
  );
}

const keys: readonly (readonly [string, string])[] = [
  ["1  2  3  4", "Words, Bend, Coats, Export"],
  ["N, P", "Add a lettering, draw a path"],
  ["Arrows, Space, Enter", "While a path is drawn: the cross, a corner, the end"],
  ["Enter", "Type on the bench"],
  ["L", "Pick single letters, and back"],
  ["Esc", "Stop typing, leave letters or nodes, select nothing"],
  ["Tab on the bench", "Next item; next letter while letters are picked"],
  ["Arrows", "Nudge by 1 pixel, with Shift by 10; so do handles"],
  ["Alt ← →", "With letters picked: their gap"],
  ["[  ]", "One to the back, one to the front; Shift: all the way"],
  ["Ctrl A", "Select all; all letters while letters are picked"],
  ["Ctrl G, Ctrl Shift G", "Group, ungroup"],
  ["Ctrl L, H", "Lock, hide, and back"],
  ["Ctrl D", "Duplicate the items"],
  ["Ctrl C, Ctrl X, Ctrl V", "Copy, cut, paste items; a coat, where its card has the focus"],
  ["Del", "Delete the items"],
  ["Ctrl Z, Ctrl Shift Z", "Undo, redo"],
  ["+  -  0", "Zoom in, out, show all"],
  ["Space and drag", "Move the bench"],
  ["Alt ← →, on a coat", "Further back, further front"],
  ["↑ ↓", "In a number: step; Shift tenfold, Alt a tenth"],
];

function Keys() {
  return (
    <Dialog.Root>
      <Tip text="Keys">
        <Dialog.Trigger aria-label="Keys" className="inline-flex size-8 items-center justify-center rounded-md hover:bg-wash">
          <Keyboard className="size-4" />
        </Dialog.Trigger>
      </Tip>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-1/2 z-50 w-[440px] -translate-x-1/2 -translate-y-1/2 rounded-xl border border-rule bg-paper p-5 shadow-2xl"
        >
          <Dialog.Title className="mb-3 text-base font-semibold">Keys</Dialog.Title>
          <dl className="grid grid-cols-[150px_1fr] gap-y-1.5">
            {keys.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-medium">{key}</dt>
                <dd className="text-pencil">{what}</dd>
              </div>
            ))}
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
