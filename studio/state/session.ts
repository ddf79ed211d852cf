import { useEffect } from "react";
import { nanoid } from "nanoid";
import { api, ifThere } from "../api/client";
import { SceneClient } from "../engine/scene-client";
import { isHeld, letGo, press } from "./holding";
import { withOwnLooks } from "./edits/style";
import { bringLeftOvers } from "./bring-left-overs";
import { Drafts } from "./drafts";
import { dropLeftOver, keepLeftOver } from "./left-over";
import { Saver } from "./saver";
import { studioNow, useStudio } from "./store";
import { fileOf, type Work } from "./work";

export interface Session {
  readonly scene: SceneClient;
  readonly saver: Saver;
}

let current: Session | undefined;

/** The open session, for what reaches outside the store: exports and conflicts. */
export const session = (): Session => current!;

/** Notes in which other pieces a style is worn; where that cannot be told, in none. */
async function noteUses(styleId: string, pieceId: string): Promise<void> {
  const entries = await api.styleUses(styleId).catch(() => []);
  const { uses, set } = studioNow();
  set({ uses: { ...uses, [styleId]: entries.filter((e) => e.id !== pieceId) } });
}

async function load(pieceId: string): Promise<{ work: Work; track: (saver: Saver) => void }> {
  await bringLeftOvers();
  const piece = await api.get("pieces", pieceId);
  const ids = [...new Set(piece.document.items.flatMap((i) => (i.styleId ? [i.styleId] : [])))];
  // A style that was deleted leaves its lettering without a look; the piece still opens.
  const styles = (await Promise.all(ids.map((id) => ifThere(api.get("styles", id))))).filter((s) => s !== undefined);
  await Promise.all(styles.map((s) => noteUses(s.document.id, pieceId)));
  return {
    work: { piece: piece.document, styles: Object.fromEntries(styles.map((s) => [s.document.id, s.document])) },
    track: (saver) => {
      saver.track("pieces", piece.document, piece.revision);
      for (const s of styles) saver.track("styles", s.document, s.revision);
    },
  };
}

/** Opens a piece for as long as the page shows it: calculates, saves and warns before unsaved work is left. */
export function useSession(pieceId: string, onFailure: (error: Error) => void): void {
  useEffect(() => {
    let closed = false;
    const endings: (() => void)[] = [];
    load(pieceId)
      .then(({ work, track }) => {
        if (closed) return;
        const { open, receive, set } = studioNow();
        const scene = new SceneClient(
          receive,
          (problem) => set({ problem }),
          (progress) => set({ progress }),
        );
        const drafts = new Drafts();
        const saver = new Saver(
          api,
          work,
          (saveState) => set({ saveState }),
          (shelf, id) => {
            dropLeftOver(shelf, id);
            // What was changed since it was sent is still a draft.
            drafts.keep(saver.unsaved);
          },
        );
        track(saver);
        current = { scene, saver };
        open(work);
        scene.request(fileOf(work));
        const ended = new AbortController();
        const on = <K extends keyof WindowEventMap>(event: K, listener: (e: WindowEventMap[K]) => void, capture = false) =>
          window.addEventListener(event, listener, { capture, signal: ended.signal });
        const end = () => {
          letGo();
          scene.settle();
          const { work: now } = studioNow();
          if (!now) return;
          saver.changed(now);
          drafts.keep(saver.unsaved);
        };
        on("pointerdown", () => press(studioNow()), true);
        on("pointerup", end, true);
        on("pointercancel", end, true);
        // Where the end of it went to another window.
        on("pointermove", (e) => isHeld() && e.buttons === 0 && end(), true);
        on(
          "keydown",
          (e) => {
            if (e.key !== "Escape" || !studioNow().cancel()) return;
            e.preventDefault();
            e.stopImmediatePropagation();
          },
          true,
        );
        const sharpen = () => scene.sharpen(studioNow().view.zoom * window.devicePixelRatio);
        sharpen();
        const stop = useStudio.subscribe((now, before) => {
          if (now.view.zoom !== before.view.zoom) sharpen();
          if (!now.work || now.work === before.work) return;
          scene.request(fileOf(now.work), isHeld());
          if (isHeld()) return;
          saver.changed(now.work);
          drafts.keep(saver.unsaved);
        });
        const keep = () => {
          for (const left of saver.unsaved) keepLeftOver(left);
        };
        const leave = () => {
          keep();
          void saver.flush(true);
        };
        const warn = (event: BeforeUnloadEvent) => {
          if (!saver.dirty) return;
          // As early as it can be told: what a page writes at its very end may end with it.
          keep();
          event.preventDefault();
        };
        on("pagehide", leave);
        on("beforeunload", warn);
        endings.push(() => {
          stop();
          // The page stays: there is time to save.
          void saver.flush();
          scene.close();
          ended.abort();
          letGo();
        });
      })
      .catch((error: Error) => !closed && onFailure(error));
    return () => {
      closed = true;
      for (const end of endings) end();
    };
    // `onFailure` is only told of the load that this effect began.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [pieceId]);
}

/** Tells the saver of a style that came from the shelf, before the work is linked to it. */
export async function fetchStyle(id: string) {
  const { work } = studioNow();
  const here = work?.styles[id];
  if (here) return here;
  const [stored] = await Promise.all([api.get("styles", id), work ? noteUses(id, work.piece.id) : undefined]);
  session().saver.track("styles", stored.document, stored.revision);
  return stored.document;
}

/**
 * Puts this tab's version on the shelf as a piece of its own. Styles whose changes here are not saved, and may have
 * been changed elsewhere, are kept as its letterings' own, so that neither version is lost.
 */
export async function keepAsCopy(): Promise<string> {
  const work = withOwnLooks(studioNow().work!, session().saver.unsavedStyles);
  const copy = { ...work.piece, id: nanoid(12), name: `${work.piece.name} (this tab)`.slice(0, 120), named: true };
  await api.create("pieces", copy);
  return copy.id;
}
