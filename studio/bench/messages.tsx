import { isCurrent } from "@/core/piece/studio-picture";
import { Button } from "../parts/button";
import { session } from "../state/session";
import { stages, useLetteringUpdate, useStudio } from "../state/store";
import { itemOf, shownStyle } from "../state/work";

/** What the user should know of the item in hand. */
export function Messages() {
  const problem = useStudio((s) => s.problem);
  const progress = useStudio((s) => s.progress);
  const id = useStudio((s) => s.selection.at(-1));
  const item = useLetteringUpdate(id);
  const photoMissing = useStudio((s) => s.scene?.items.find((i) => i.id === id)?.photoMissing);
  const outdated = useStudio(({ work }) => {
    const of = work ? itemOf(work, id) : undefined;
    return !!work && !!of?.studio?.shown && !isCurrent(of, shownStyle(work, of), work.piece.lamp);
  });
  const messages: string[] = [];
  if (problem) messages.push(problem);
  if (item && !item.faceHere) messages.push("The face of this lettering is not here; a stand-in is shown and its settings are kept.");
  if (photoMissing)
    messages.push("A photo of this item is not here; a grey stands in for it. Bring the same file in again under Paint, and it is seen.");
  if (item && !item.hidden && !item.layers.length && item.carets.length > 1)
    messages.push(`Nothing is painted: choose a style or add a coat under Coats (${stages.indexOf("coats") + 1}).`);
  if (outdated) messages.push("The words have changed since the studio picture was taken: take it again under Coats.");
  messages.push(...(item?.messages ?? []));
  if (item?.missing.length) {
    const names = item.missing
      .slice(0, 6)
      .map((c) => `${c} (${[...c].map((k) => `U+${k.codePointAt(0)!.toString(16).toUpperCase().padStart(4, "0")}`).join(" ")})`);
    messages.push(`This face has no ${names.join(", ")}${item.missing.length > 6 ? " and others" : ""}; a box stands in its place.`);
  }
  if (!messages.length && !progress) return null;
  return (
    <div
      role="status"
      className="absolute left-1/2 top-3 max-w-[80%] -translate-x-1/2 space-y-1 rounded-lg border border-warn bg-sheet px-3 py-2 text-warn shadow-sm"
    >
      {progress && (
        <div className="flex items-center gap-3">
          <p>
            Drawing: {progress.done} of {progress.of} coats
          </p>
          <Button onClick={() => session().scene.stop()}>Stop</Button>
        </div>
      )}
      {messages.map((m) => (
        <p key={m}>{m}</p>
      ))}
    </div>
  );
}
