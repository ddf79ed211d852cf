"use client";
import Link from "next/link";
import { lazy, Suspense, useEffect, useLayoutEffect, useRef, useState, type ComponentType } from "react";
import { Group, Panel, Separator } from "react-resizable-panels";
import { Bench } from "./bench/bench";
import { TopBar } from "./bar/top-bar";
import { WordsDrawer } from "./drawer/words/words-drawer";
import { useKeys } from "./keys";
import { Button } from "./parts/button";
import { Guarded } from "./parts/guarded";
import { useSession } from "./state/session";
import { useStudio, type Stage } from "./state/store";

/** What is not needed to see a piece and to type comes right after it. */
const later = {
  bend: () => import("./drawer/bend/bend-drawer"),
  coats: () => import("./drawer/coats-drawer"),
  export: () => import("./drawer/export/export-drawer"),
  strip: () => import("./strip/coat-strip"),
};
/** What comes later, or, where it does not come, what there is to do. */
const arriving = (fetched: () => Promise<ComponentType>) => lazy(async () => ({ default: await fetched().catch(() => NotArrived) }));

const drawers: Record<Stage, ComponentType> = {
  words: WordsDrawer,
  bend: arriving(async () => (await later.bend()).BendDrawer),
  coats: arriving(async () => (await later.coats()).CoatsDrawer),
  export: arriving(async () => (await later.export()).ExportDrawer),
};
const CoatStrip = arriving(async () => (await later.strip()).CoatStrip);

/** The server has gone since the page was opened, or has been brought up to date. */
function NotArrived() {
  return (
    <div role="alert" className="flex h-full flex-wrap content-start items-center gap-2 border-t border-rule bg-paper p-4">
      <p className="text-pencil">This part of Vextal did not arrive. Is the server running? Then reload the page: your work is kept.</p>
      <Button onClick={() => window.location.reload()}>Reload</Button>
    </div>
  );
}

/** So that no stage is waited for when it is gone to. What fails here is said where it is needed. */
function useAllStages(): void {
  const drawn = useStudio((s) => s.scene !== null);
  useEffect(() => {
    if (drawn) void Promise.allSettled(Object.values(later).map((fetch) => fetch()));
  }, [drawn]);
}

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
  useAllStages();
  const stage = useStudio((s) => s.stage);
  const Drawer = drawers[stage];
  // Each stage is found again where it was left, and a new one is begun at its top.
  const drawer = useRef<HTMLElement>(null);
  const scrolled = useRef<Partial<Record<Stage, number>>>({});
  useLayoutEffect(() => {
    if (drawer.current) drawer.current.scrollTop = scrolled.current[stage] ?? 0;
  }, [stage]);
  return (
    <>
      <Guarded what="The top bar">
        <TopBar />
      </Guarded>
      <Group orientation="horizontal" className="min-h-0 grow">
        <Panel defaultSize={324} minSize={300} maxSize={480} groupResizeBehavior="preserve-pixel-size">
          <aside
            ref={drawer}
            onScroll={(e) => (scrolled.current[stage] = e.currentTarget.scrollTop)}
            aria-label="Drawer"
            className="h-full overflow-y-auto overflow-x-hidden border-r border-rule bg-paper"
          >
            <Guarded key={stage} what="The drawer">
              <Suspense>
                <Drawer />
              </Suspense>
            </Guarded>
          </aside>
        </Panel>
        <Separator
          aria-label="Width of the drawer"
          className="w-1 bg-rule/40 outline-none transition-colors hover:bg-accent focus-visible:bg-accent"
        />
        <Panel>
          <Group orientation="vertical">
            <Panel>
              <Guarded what="The bench">
                <Bench />
              </Guarded>
            </Panel>
            <Separator
              aria-label="Height of the coat strip"
              className="h-1 bg-rule/40 outline-none transition-colors hover:bg-accent focus-visible:bg-accent"
            />
            <Panel defaultSize={136} minSize={104} maxSize={260} groupResizeBehavior="preserve-pixel-size">
              <Guarded what="The coat strip">
                <Suspense fallback={<div className="h-full border-t border-rule bg-paper" />}>
                  <CoatStrip />
                </Suspense>
              </Guarded>
            </Panel>
          </Group>
        </Panel>
      </Group>
    </>
  );
}
