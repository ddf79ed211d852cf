import { Download, FileCode2, FileImage } from "lucide-react";
import { useRef, useState } from "react";
import { toast } from "sonner";
import { isEmpty, joinAll, mapped } from "@/core/curves/bounds";
import { fileName } from "@/core/output/file-name";
import { picturePixels } from "@/core/output/picture-size";
import { facesOf } from "@/core/piece/schema";
import type { PngRequest } from "@/wire/png";
import { api } from "../../api/client";
import { download } from "../../download";
import { useFaces } from "../../faces";
import { Button } from "../../parts/button";
import { Choice } from "../../parts/choice";
import { Field, Section } from "../../parts/field";
import { session } from "../../state/session";
import { useParts } from "../../state/store";
import { fileOf } from "../../state/work";
import { firstChoice, PictureSizeFields, sizeOf } from "./picture-size-fields";

type What = "board" | "selection";

/** Takes the piece away as vectors or as a picture. */
export function ExportDrawer() {
  const { work, scene, selection } = useParts("work", "scene", "selection");
  const faces = useFaces();
  const [what, setWhat] = useState<What>("board");
  const [ground, setGround] = useState(true);
  const board = work!.piece.board;
  const [size, setSize] = useState(() => firstChoice(board));
  const [busy, setBusy] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);

  const ids = what === "selection" ? selection : null;
  const items = work!.piece.items.filter((i) => !ids || ids.includes(i.id));
  const names = facesOf(items).map((id) => faces.find((f) => f.id === id)?.name ?? id);
  const name = (extension: string, withPiece = false) =>
    fileName(work!.piece.name, withPiece ? [...names, "piece inside"] : names, extension);
  const box =
    scene &&
    (ids
      ? joinAll(scene.items.filter((i) => ids.includes(i.id)).map((i) => mapped(i.matrix, i.painted)))
      : { minX: 0, minY: 0, maxX: scene.width, maxY: scene.height });
  const nothing = !box || isEmpty(box);
  const [w, h] = nothing ? [0, 0] : [box.maxX - box.minX, box.maxY - box.minY];
  const pixels = nothing ? null : picturePixels(sizeOf(size, board), w, h, board);

  const attempt = async (label: string, make: (signal: AbortSignal) => Promise<void>) => {
    const run = new AbortController();
    stop.current = run;
    setBusy(label);
    try {
      await make(run.signal);
    } catch (error) {
      if (!run.signal.aborted) toast.error((error as Error).message);
    } finally {
      if (stop.current === run) setBusy(null);
    }
  };
  const svg = (withPiece: boolean) =>
    attempt("svg", async () => {
      const text = await session().scene.svg({ file: fileOf(work!), items: ids, ground, withPiece });
      download(new Blob([text], { type: "image/svg+xml" }), name("svg", withPiece));
    });
  const png = () =>
    attempt("png", async (signal) => {
      const request: PngRequest = {
        file: fileOf(work!),
        area: ids ? { kind: "items", ids: [...ids] } : { kind: "board" },
        ground,
        size: sizeOf(size, board),
      };
      download(await api.png(request, signal), name("png"));
    });

  return (
    <>
      <Section title="What is exported">
        <Field label="Area" hint="The whole board, or the selected letterings cut to their ink">
          <Choice
            label="Area"
            value={what}
            options={[
              { value: "board", label: "Board", hint: "All that lies on the board" },
              { value: "selection", label: "Selection", hint: "The selected letterings only" },
            ]}
            onChange={(v) => setWhat(v as What)}
          />
        </Field>
        <Field label="Ground" hint="Whether the board's colour is part of the export">
          <Choice
            label="Ground"
            value={ground ? "with" : "without"}
            options={[
              { value: "with", label: board.ground ? "With" : "None set", hint: "The ground colour is drawn" },
              { value: "without", label: "Transparent", hint: "Nothing is drawn behind the letters" },
            ]}
            onChange={(v) => setGround(v === "with")}
          />
        </Field>
        {what === "selection" && nothing && <p className="text-warn">Select a lettering with ink on the bench first.</p>}
      </Section>
      <Section title="SVG">
        <p className="text-pencil">Plain paths: no face is needed to open it, and its size is the board’s.</p>
        <Button look="primary" className="w-full" disabled={nothing || busy !== null} onClick={() => void svg(false)}>
          <FileCode2 className="size-4" /> Plain SVG
        </Button>
        <Button className="w-full" disabled={nothing || busy !== null} onClick={() => void svg(true)}>
          <FileCode2 className="size-4" /> SVG with the piece inside
        </Button>
        <p className="text-xs text-pencil">The second one opens again in Vextal with its words live.</p>
      </Section>
      <Section title="PNG">
        <PictureSizeFields board={board} choice={size} pixels={pixels} onChange={setSize} />
        {busy === "png" ? (
          <Button className="w-full" onClick={() => stop.current?.abort()}>
            Drawing the picture… Stop
          </Button>
        ) : (
          <Button look="primary" className="w-full" disabled={nothing || busy !== null} onClick={() => void png()}>
            <FileImage className="size-4" /> PNG picture
          </Button>
        )}
      </Section>
      <Section title="File">
        {[name("svg"), name("svg", true), name("png")].map((n) => (
          <p key={n} className="break-words text-pencil">
            <Download className="mr-1 inline size-3.5" />
            {n}
          </p>
        ))}
        <p className="text-xs text-pencil">Files carry the name of the piece and of the faces it was lettered in.</p>
      </Section>
    </>
  );
}
