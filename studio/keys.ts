import { useEffect } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { arrows } from "./bench/grip";
import {
  duplicateSelected,
  fitBoard,
  groupSelected,
  hideSelected,
  kern,
  lockSelected,
  newLettering,
  nudge,
  pickNext,
  raiseSelected,
  removeSelected,
  selectAll,
  selectNext,
  setTool,
  ungroupSelected,
  zoomBy,
} from "./state/commands";
import { onCopy, onPaste } from "./state/clipboard";
import { stages, studioNow } from "./state/store";
import { letteringOf } from "./state/work";

/** The keys of the studio. Fields keep their own keys; the bench has Tab and the arrows to itself. */
export function useKeys(): void {
  useEffect(() => {
    const ended = new AbortController();
    const { signal } = ended;
    // The browser says when something is copied or pasted: by keys, or from its own menu.
    for (const event of ["copy", "cut"] as const) document.addEventListener(event, onCopy, { signal });
    document.addEventListener("paste", onPaste, { signal });
    return () => ended.abort();
  }, []);
  const state = studioNow;
  // What a card or a field has dealt with is not done a second time.
  const free = { ignoreEventWhen: (e: KeyboardEvent) => e.defaultPrevented };
  const plain = { ...free, preventDefault: true };
  // Choices and sliders have no use for these keys of their own, and keep the focus after a click.
  const everywhere = { ...plain, enableOnFormTags: ["radio", "slider"] as const };
  useHotkeys(["mod+z"], () => state().undo(), { ...plain, enableOnFormTags: true });
  useHotkeys(["mod+shift+z", "mod+y"], () => state().redo(), { ...plain, enableOnFormTags: true });
  useHotkeys(
    stages.map((_, i) => String(i + 1)),
    (e) => state().set({ stage: stages[Number(e.key) - 1], typing: null, tool: "items", letters: [] }),
    everywhere,
  );
  useHotkeys("n", () => newLettering(), everywhere);
  useHotkeys("p", () => setTool("draw"), everywhere);
  useHotkeys(
    "l",
    () => {
      const { work, selection, tool, set } = state();
      if (!work || !letteringOf(work, selection.at(-1))) return;
      set({ stage: "words" });
      setTool(tool === "letters" ? "items" : "letters");
      document.querySelector<HTMLElement>("[data-bench]")?.focus({ preventScroll: true });
    },
    everywhere,
  );
  useHotkeys(
    "enter",
    (e) => {
      const { work, selection, set } = state();
      const onControl = (e.target as HTMLElement).closest(
        "button, a, [role=button], [role=radio], [role=slider], [role=menuitem], [role=option], [role=switch]",
      );
      if (onControl || !work || !letteringOf(work, selection.at(-1))) return;
      e.preventDefault();
      set({ typing: selection.at(-1)!, stage: "words", tool: "items" });
    },
    free,
  );
  useHotkeys(
    "escape",
    (e) => {
      if (document.querySelector("[role=dialog], [role=menu], [role=listbox]") || e.defaultPrevented) return;
      const { typing, tool, letters, entered, set, select } = state();
      if (typing) set({ typing: null });
      else if (tool === "letters" && letters.length) set({ letters: [] });
      else if (tool !== "items") setTool("items");
      else if (entered) set({ entered: null });
      else select([]);
    },
    free,
  );
  useHotkeys(
    ["left", "right", "up", "down", "shift+left", "shift+right", "shift+up", "shift+down"],
    (e) => {
      if ((e.target as HTMLElement).closest("[role=slider], [role=radio], [role=radiogroup], [role=button], [role=menu], select")) return;
      e.preventDefault();
      const [dx, dy] = arrows[e.key];
      const by = e.shiftKey ? 10 : 1;
      nudge(dx * by, dy * by);
    },
    free,
  );
  useHotkeys(
    ["alt+left", "alt+right", "alt+shift+left", "alt+shift+right"],
    (e) => {
      if (state().tool !== "letters" || !state().letters.length) return;
      e.preventDefault();
      kern((e.key === "ArrowLeft" ? -1 : 1) * (e.shiftKey ? 50 : 5));
    },
    free,
  );
  useHotkeys(
    ["tab", "shift+tab"],
    (e) => {
      const { work, selection, tool } = state();
      if (!(e.target as HTMLElement).matches("[data-bench]")) return;
      if (tool === "letters") {
        e.preventDefault();
        return pickNext(e.shiftKey ? -1 : 1);
      }
      if ((work?.piece.items.length ?? 0) < 2 || tool !== "items") return;
      const at = work!.piece.items.findIndex((i) => i.id === selection.at(-1));
      const end = e.shiftKey ? at === 0 : at === work!.piece.items.length - 1;
      // From the last item Tab goes on to the next control, so that the bench is no trap.
      if (end) return;
      e.preventDefault();
      selectNext(e.shiftKey ? -1 : 1);
    },
    free,
  );
  useHotkeys(
    ["delete", "backspace"],
    (e) => {
      // Among coats it is a coat that is meant, also where the last one has just gone.
      if (state().tool === "items" && !(e.target as HTMLElement).closest("[data-strip]")) removeSelected();
    },
    plain,
  );
  useHotkeys("mod+d", () => duplicateSelected(), plain);
  useHotkeys("mod+a", () => selectAll(), plain);
  useHotkeys("mod+g", () => groupSelected(), plain);
  useHotkeys("mod+shift+g", () => ungroupSelected(), plain);
  useHotkeys("mod+l", () => lockSelected(), plain);
  useHotkeys("h", () => hideSelected(), everywhere);
  useHotkeys(
    ["bracketleft", "bracketright", "shift+bracketleft", "shift+bracketright"],
    (e) => {
      const back = e.code === "BracketLeft";
      raiseSelected(e.shiftKey ? (back ? "back" : "front") : back ? "backward" : "forward");
    },
    free,
  );
  useHotkeys(["equal", "shift+equal", "plus", "numpadadd"], () => zoomBy(1.25), everywhere);
  useHotkeys(["minus", "numpadsubtract"], () => zoomBy(1 / 1.25), everywhere);
  useHotkeys("0", () => fitBoard(), everywhere);
}
