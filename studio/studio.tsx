"use client";
import Link from "next/link";
import { useState } from "react";
import { Group, Panel, Separator } from "react-resizable-panels";
import { Bench } from "./bench/bench";
import { TopBar } from "./bar/top-bar";
import { CoatsDrawer } from "./drawer/coats-drawer";
import { ExportDrawer } from "./drawer/export/export-drawer";
import { BendDrawer } from "./drawer/bend/bend-drawer";
import { WordsDrawer } from "./drawer/words/words-drawer";
import { useKeys } from "./keys";
import { useSession } from "./state/session";
import { useStudio } from "./state/store";
import { CoatStrip } from "./strip/coat-strip";

const drawers = { words: WordsDrawer, bend: BendDrawer, coats: CoatsDrawer, export: ExportDrawer };

/** A piece on the bench. */
export function Studio({ pieceId }: { pieceId: string }) {
  const [failure, setFailure] = useState<string | null>(null);
  useSession(pieceId, (error) => setFailure(error.message));
  const open = useStudio((s) => s.work?.piece.id === pieceId);
  const name = useStudio((s) => s.work?.piece.name);
  if (failure)
    return (
      <main className="flex h-dvh flex-col items-center justify-center gap-4">
        <p className="text-lg">{failure}</p>
        <Link href="/" className="rounded-md bg-accent px-4 py-2 text-on-accent">
          To the shelf
        </Link>
      </main>
    );
  return (
    <main className="flex h-dvh flex-col overflow-hidden">
      {name && <title>{`${name} · Vextal`}</title>}
      {open ? <Desk /> : <p className="m-auto text-pencil">Opening the piece…</p>}
    </main>
  );
}

function Desk() {
  useKeys();
  const stage = useStudio((s) => s.stage);
  const Drawer = drawers[stage];
  return (
    <>
      <TopBar />
      <Group orientation="horizontal" className="min-h-0 grow">
        <Panel defaultSize={324} minSize={300} maxSize={480} groupResizeBehavior="preserve-pixel-size">
          <aside aria-label="Drawer" className="h-full overflow-y-auto overflow-x-hidden border-r border-rule bg-paper">
            <Drawer />
          </aside>
        </Panel>
        <Separator
          aria-label="Width of the drawer"
          className="w-1 bg-rule/40 outline-none transition-colors hover:bg-accent focus-visible:bg-accent"
        />
        <Panel>
          <Group orientation="vertical">
            <Panel>
              <Bench />
            </Panel>
            <Separator
              aria-label="Height of the coat strip"
              className="h-1 bg-rule/40 outline-none transition-colors hover:bg-accent focus-visible:bg-accent"
            />
            <Panel defaultSize={136} minSize={104} maxSize={260} groupResizeBehavior="preserve-pixel-size">
              <CoatStrip />
            </Panel>
          </Group>
        </Panel>
      </Group>
    </>
  );
}
