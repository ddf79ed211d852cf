import { toast } from "sonner";
import { joinAll } from "@/core/curves/bounds";
import { firstFace } from "@/core/lettering/face";
import { boardBox } from "../bench/hit";
import { fitted, zoomed } from "../bench/view";
import { addLettering, duplicateLetterings, editLettering, removeLetterings } from "./edits/lettering";
import { useStudio } from "./store";
import { paste } from "./edits/style";
import { coatOf, letteringOf, shownStyle } from "./work";

/** What keys and buttons alike can do to the selected letterings. */
export function centre(axis: "x" | "y"): void {
  const { scene, selection, change } = useStudio.getState();
  const boxes = scene?.items.filter((i) => selection.includes(i.id)).map(boardBox);
  if (!scene || !boxes?.length) return;
  const box = joinAll(boxes);
  const by = axis === "x" ? scene.width / 2 - (box.minX + box.maxX) / 2 : scene.height / 2 - (box.minY + box.maxY) / 2;
  change((w) => editLettering(w, selection, (l) => void (l[axis] += by)));
}

export function nudge(dx: number, dy: number): void {
  const { selection, change } = useStudio.getState();
  if (!selection.length) return;
  change(
    (w) =>
      editLettering(w, selection, (l) => {
        l.x += dx;
        l.y += dy;
      }),
    `nudge ${selection.join()}`,
  );
}

export function newLettering(): void {
  const { work, selection, change, select, set } = useStudio.getState();
  if (!work) return;
  const like = letteringOf(work, selection.at(-1)) ?? work.piece.items.at(-1);
  const made = addLettering(work, like, firstFace);
  change(() => made.work);
  select([made.id]);
  set({ typing: made.id, stage: "words" });
}

export function duplicateSelected(): void {
  const { work, selection, change, select } = useStudio.getState();
  if (!work || !selection.length) return;
  const made = duplicateLetterings(work, selection);
  change(() => made.work);
  select(made.ids);
}

export function removeSelected(): void {
  const { selection, change, select } = useStudio.getState();
  if (!selection.length) return;
  change((w) => removeLetterings(w, selection));
  select([]);
}

/** Selects the next lettering, from the front to the back. */
export function selectNext(step: 1 | -1): void {
  const { work, selection, select } = useStudio.getState();
  const items = work?.piece.items ?? [];
  if (!items.length) return;
  const at = items.findIndex((i) => i.id === selection.at(-1));
  select([items[(at + step + items.length) % items.length].id]);
}

/** Shows the whole board. */
export function fitBoard(): void {
  const { scene, benchSize, set } = useStudio.getState();
  if (scene && benchSize.width) set({ view: fitted(scene, benchSize) });
}

export function zoomBy(factor: number): void {
  const { view, benchSize, set } = useStudio.getState();
  set({ view: zoomed(view, factor, { x: benchSize.width / 2, y: benchSize.height / 2 }) });
}

/** Notes the chosen coat, with the inks it is painted in, to be pasted onto any style. */
export function copyCoat(): void {
  const { work, selection, coatId, set } = useStudio.getState();
  const style = work ? shownStyle(work, letteringOf(work, selection.at(-1))) : undefined;
  const coat = coatOf(style, coatId ?? undefined);
  if (!style || !coat) return;
  set({ copied: { coat, inks: style.inks } });
  toast(`“${coat.name}” can be pasted onto any style.`);
}

/** Puts the copied coat in front of the selected lettering's others. */
export function pasteCopied(): void {
  const { copied, selection, changeStyle, set } = useStudio.getState();
  if (!copied || !selection.length) return;
  let id = "";
  changeStyle((s) => {
    const made = paste(s, copied.coat, copied.inks);
    id = made.id;
    return made.style;
  });
  set({ coatId: id, stage: "coats" });
}
