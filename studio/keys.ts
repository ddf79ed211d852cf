import { useHotkeys } from "react-hotkeys-hook";
import { copyCoat, duplicateSelected, fitBoard, newLettering, nudge, pasteCopied, removeSelected, selectNext, zoomBy } from "./state/commands";
import { raiseLettering } from "./state/edits/lettering";
import { stages, useStudio } from "./state/store";

/** The keys of the studio. Fields keep their own keys; the bench has Tab and the arrows to itself. */
export function useKeys(): void {
  const state = useStudio.getState;
  // What a card or a field has dealt with is not done a second time.
  const free = { ignoreEventWhen: (e: KeyboardEvent) => e.defaultPrevented };
  const plain = { ...free, preventDefault: true };
  // Choices and sliders have no use for these keys of their own, and keep the focus after a click.
  const everywhere = { ...plain, enableOnFormTags: ["radio", "slider"] as const };
  useHotkeys(["mod+z"], () => state().undo(), { ...plain, enableOnFormTags: true });
  useHotkeys(["mod+shift+z", "mod+y"], () => state().redo(), { ...plain, enableOnFormTags: true });
  useHotkeys(["1", "2", "3"], (e) => state().set({ stage: stages[Number(e.key) - 1], typing: null }), everywhere);
  useHotkeys("n", () => newLettering(), everywhere);
  useHotkeys("enter", (e) => {
    const { selection, set } = state();
    const onControl = (e.target as HTMLElement).closest("button, a, [role=button], [role=radio], [role=slider], [role=menuitem], [role=option]");
    if (onControl || !selection.length) return;
    e.preventDefault();
    set({ typing: selection.at(-1)!, stage: "words" });
  }, free);
  useHotkeys("escape", (e) => {
    if (document.querySelector("[role=dialog], [role=menu], [role=listbox]") || e.defaultPrevented) return;
    if (state().typing) state().set({ typing: null });
    else state().select([]);
  }, free);
  const arrows = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] } as const;
  useHotkeys(["left", "right", "up", "down", "shift+left", "shift+right", "shift+up", "shift+down"], (e) => {
    if ((e.target as HTMLElement).closest("[role=slider], [role=radio], [role=radiogroup], [role=button], [role=menu]")) return;
    e.preventDefault();
    const [dx, dy] = arrows[e.key as keyof typeof arrows];
    const by = e.shiftKey ? 10 : 1;
    nudge(dx * by, dy * by);
  }, free);
  useHotkeys(["tab", "shift+tab"], (e) => {
    if (!(e.target as HTMLElement).matches("[data-bench]") || (state().work?.piece.items.length ?? 0) < 2) return;
    const { work, selection } = state();
    const at = work!.piece.items.findIndex((i) => i.id === selection.at(-1));
    const end = e.shiftKey ? at === 0 : at === work!.piece.items.length - 1;
    // From the last lettering Tab goes on to the next control, so that the bench is no trap.
    if (end) return;
    e.preventDefault();
    selectNext(e.shiftKey ? -1 : 1);
  }, free);
  useHotkeys(["delete", "backspace"], () => removeSelected(), plain);
  useHotkeys("mod+d", () => duplicateSelected(), plain);
  useHotkeys("mod+c", () => {
    if (!String(window.getSelection())) copyCoat();
  }, free);
  useHotkeys("mod+v", () => pasteCopied(), free);
  useHotkeys(["bracketleft", "bracketright"], (e) => {
    const id = state().selection.at(-1);
    if (id) state().change((w) => raiseLettering(w, id, e.code === "BracketLeft" ? -1 : 1));
  }, free);
  useHotkeys(["equal", "shift+equal", "plus", "numpadadd"], () => zoomBy(1.25), everywhere);
  useHotkeys(["minus", "numpadsubtract"], () => zoomBy(1 / 1.25), everywhere);
  useHotkeys("0", () => fitBoard(), everywhere);
}
