import { TriangleAlert } from "lucide-react";
import { useEffect, useState, type ReactNode } from "react";
import { ErrorBoundary, type FallbackProps } from "react-error-boundary";
import { studioNow, useStudio } from "../state/store";
import { Button } from "./button";

/**
 * Keeps a fault in its place: what cannot be drawn says so and offers the way back, and all around it goes on. It is drawn again as soon as
 * the work is another, whoever changed it.
 */
export function Guarded({ what, children }: { what: string; children: ReactNode }) {
  return <ErrorBoundary fallbackRender={(props) => <Fault what={what} {...props} />}>{children}</ErrorBoundary>;
}

function Fault({ what, resetErrorBoundary }: FallbackProps & { what: string }) {
  const work = useStudio((s) => s.work);
  const undoable = useStudio((s) => s.history.past.length > 0);
  const [failed] = useState(work);
  useEffect(() => {
    if (work !== failed) resetErrorBoundary();
  }, [work, failed, resetErrorBoundary]);
  return (
    <div role="alert" data-fault={what} className="m-1 min-w-0 space-y-2 rounded-lg border border-warn bg-sheet p-2 text-xs">
      <p className="flex gap-1.5">
        <TriangleAlert className="size-4 shrink-0 text-warn" />
        <span>“{what}” cannot be shown: Vextal made a mistake here. Your work is safe, and everything else goes on.</span>
      </p>
      <div className="flex flex-wrap gap-1">
        {undoable && <Button onClick={() => studioNow().undo()}>Undo the last step</Button>}
        <Button look="quiet" onClick={resetErrorBoundary}>
          Try again
        </Button>
      </div>
    </div>
  );
}
