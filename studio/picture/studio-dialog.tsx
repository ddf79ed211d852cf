import { X } from "lucide-react";
import { Dialog as Radix } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import { fileName } from "@/core/output/file-name";
import { labelOf } from "@/core/piece/label";
import { firstStudioSettings } from "@/core/piece/studio-defaults";
import type { Item } from "@/core/piece/schema";
import type { StudioSettings } from "@/core/piece/studio-picture";
import type { Coat } from "@/core/coat/schema";
import type { Style } from "@/core/style/schema";
import type { StudioBody } from "@/worker/studio/order";
import type { StudioPrint } from "@/worker/studio/take";
import { download } from "../download";
import { StudioClient } from "../engine/studio-client";
import { Button } from "../parts/button";
import { studioNow, useStudio } from "../state/store";
import { bodyFor, layPicture, orderFor } from "../state/studio-picture";
import { SettingsForm } from "./settings-form";
import { useTrial } from "./use-trial";

interface Props {
  item: Item;
  style: Style;
  coat: Coat;
  onClose: () => void;
}

/** Where a body is photographed: its materials and its light on the left, what comes of them on the right. */
export function StudioDialog({ item, style, coat, onClose }: Props) {
  return (
    <Radix.Root open onOpenChange={(open) => !open && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/30" />
        <Radix.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-1/2 z-50 flex h-[min(720px,94vh)] w-[min(1180px,96vw)] -translate-x-1/2 -translate-y-1/2 flex-col overflow-hidden rounded-xl border border-rule bg-paper shadow-2xl"
        >
          <div className="flex items-center border-b border-rule px-5 py-3">
            <Radix.Title className="grow text-base font-semibold">Studio picture of “{labelOf(item)}”</Radix.Title>
            <Radix.Close aria-label="Close" className="grid size-8 place-items-center rounded-md hover:bg-wash">
              <X className="size-4" />
            </Radix.Close>
          </div>
          <Sitting item={item} style={style} coat={coat} onClose={onClose} />
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

function Sitting({ item, style, coat, onClose }: Props) {
  const [settings, setSettings] = useState<StudioSettings>(() => item.studio?.settings ?? firstStudioSettings(coat, style));
  const [client] = useState(() => new StudioClient());
  useEffect(() => () => client.close(), [client]);
  const { body, fault } = useBody(item.id, settings.coat);
  const [taking, setTaking] = useState<{ done: number } | null>(null);
  const { canvas, trial } = useTrial(client, body, settings, style, taking !== null);
  const stopped = useRef(false);
  const ground = useStudio((s) => s.work?.piece.board.ground);

  const take = async (then: (print: StudioPrint) => Promise<boolean>) => {
    if (!body) return;
    stopped.current = false;
    setTaking({ done: 0 });
    try {
      const print = await client.take(orderFor(body, settings, style, true), (done, of) => setTaking({ done: done / of }));
      if (print && !stopped.current && (await then(print))) return onClose();
    } catch (error) {
      if (!stopped.current) toast.error((error as Error).message);
    }
    setTaking(null);
  };
  const stop = () => {
    stopped.current = true;
    void client.stop();
  };
  const lay = (print: StudioPrint) => layPicture(studioNow().work!, item.id, settings, print);
  const save = async ({ png }: StudioPrint) => {
    download(png, fileName(labelOf(item), ["studio picture"], "png"));
    return false;
  };
  const problem = fault ?? trial.problem;
  const busy = taking ?? (body && !problem && trial.done < 1 ? trial : null);
  return (
    <div className="flex min-h-0 grow">
      <div className="w-[316px] shrink-0 overflow-y-auto border-r border-rule p-4">
        <SettingsForm settings={settings} rimmed={!!body?.mesh.rim.triangles.length} onChange={setSettings} />
      </div>
      <div className="flex min-w-0 grow flex-col">
        <div
          className={`relative grid min-h-0 grow place-items-center p-6 ${ground ? "" : "checker"}`}
          style={{ background: ground ?? undefined }}
        >
          <canvas
            ref={canvas}
            role="img"
            aria-label="The picture as it will be"
            className="absolute inset-6 m-auto max-h-[calc(100%-48px)] max-w-[calc(100%-48px)]"
          />
          {problem && <p className="relative rounded-lg border border-warn bg-sheet px-3 py-2 text-warn">{problem}</p>}
        </div>
        <div className="flex h-14 items-center gap-3 border-t border-rule px-4">
          <div role="status" className="flex min-w-0 grow items-center gap-3">
            {busy && (
              <>
                <progress aria-label="Exposures" className="h-1.5 w-40 accent-accent" value={busy.done} max={1} />
                <span className="truncate text-pencil">
                  {taking ? "Taking the picture" : busy.done === 0 ? "Setting up the light" : "Looking closer"}
                </span>
              </>
            )}
          </div>
          {taking ? (
            <Button onClick={stop}>Stop</Button>
          ) : (
            <>
              <Button disabled={!body || !!problem} onClick={() => void take(save)}>
                Save as PNG
              </Button>
              <Button look="primary" disabled={!body || !!problem} onClick={() => void take(lay)}>
                Lay it on the board
              </Button>
            </>
          )}
        </div>
      </div>
    </div>
  );
}

/** The body of an item as it is when it is first asked for: nothing else changes while the dialog is open. */
function useBody(itemId: string, coatId: string): { body: StudioBody | null; fault: string | null } {
  const [made, setMade] = useState<{ body: StudioBody | null; fault: string | null }>({ body: null, fault: null });
  useEffect(() => {
    let gone = false;
    bodyFor(studioNow().work!, itemId, coatId)
      .then((body) => !gone && setMade({ body, fault: null }))
      .catch((error: Error) => !gone && setMade({ body: null, fault: error.message }));
    return () => {
      gone = true;
    };
  }, [itemId, coatId]);
  return made;
}
