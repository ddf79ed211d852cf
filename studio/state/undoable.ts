import { toast } from "sonner";
import { studioNow, useStudio } from "./store";

/**
 * Says what was just done, with the way back beside it; the message goes as soon as something else is done or it was taken back, for its
 * button would undo that.
 */
export function sayUndoable(message: string): void {
  const { work } = studioNow();
  const id = toast(message, { action: { label: "Undo", onClick: () => studioNow().undo() } });
  const stop = useStudio.subscribe((s) => {
    if (s.work === work) return;
    stop();
    toast.dismiss(id);
  });
}
