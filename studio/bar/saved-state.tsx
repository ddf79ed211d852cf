import { Check, CircleDashed, TriangleAlert } from "lucide-react";
import { useRouter } from "next/navigation";
import { toast } from "sonner";
import { pageOf } from "../api/client";
import { Button } from "../parts/button";
import { AskDialog } from "../parts/dialog";
import { Tip } from "../parts/tip";
import { keepAsCopy, session } from "../state/session";
import { studioNow, useStudio } from "../state/store";

/** Saved, saving or not saved: always as it is. */
export function SavedState() {
  const state = useStudio((s) => s.saveState);
  const looks = {
    saved: { icon: <Check className="size-4 text-guide" />, text: "Saved", tip: "All is in the database" },
    saving: {
      icon: <CircleDashed className="size-4 text-pencil motion-safe:animate-spin" />,
      text: "Saving",
      tip: "The last change is being saved",
    },
    unsaved: {
      icon: <TriangleAlert className="size-4 text-warn" />,
      text: "Not saved",
      tip: state.kind === "unsaved" ? `${state.reason ?? ""} It is tried again every few seconds.` : "",
    },
    conflict: { icon: <TriangleAlert className="size-4 text-warn" />, text: "Not saved", tip: "Changed in another tab" },
  }[state.kind];
  return (
    <>
      <Tip text={looks.tip}>
        <span role="status" aria-live="polite" data-save={state.kind} className="flex w-[88px] items-center gap-1.5 text-pencil">
          {looks.icon}
          {looks.text}
        </span>
      </Tip>
      <Conflict />
    </>
  );
}

/** Another tab has saved another version: neither is thrown away without being asked. */
function Conflict() {
  const state = useStudio((s) => s.saveState);
  const router = useRouter();
  const open = state.kind === "conflict";
  const what = open ? (state.shelf === "pieces" ? "piece" : "style") : "piece";
  const takeTheirs = () => {
    session().saver.discard();
    window.location.reload();
  };
  const copy = async () => {
    try {
      const id = await keepAsCopy();
      session().saver.discard();
      studioNow().set({ saveState: { kind: "saved" } });
      router.push(pageOf(id));
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <AskDialog
      open={open}
      title={`This ${what} was changed elsewhere`}
      actions={
        <>
          <Button onClick={takeTheirs}>Take theirs</Button>
          <Button onClick={() => void copy()}>Keep mine as a copy</Button>
          <Button look="primary" onClick={() => void session().saver.overwrite()}>
            Overwrite with mine
          </Button>
        </>
      }
    >
      Another tab or window saved the {what} “{open ? state.name : ""}” since you opened it here. Your version is kept in this tab until you
      choose.
    </AskDialog>
  );
}
