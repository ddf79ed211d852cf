import { Download, FileCode2, FileImage } from "lucide-react";
import { useRef, useState } from "react";
import { toast } from "sonner";
import { isEmpty, joinAll, mapped } from "@/core/curves/bounds";
import { fileName } from "@/core/output/file-name";
import { facesOf } from "@/core/piece/schema";
import { pixelsAt } from "@/core/units";
import { api } from "../api/client";
import { download } from "../download";
import { useFaces } from "../faces";
import { Button } from "../parts/button";
import { Choice } from "../parts/choice";
import { Field, Section } from "../parts/field";
import { NumberField } from "../parts/number-field";
import { session } from "../state/session";
import { useStudio } from "../state/store";
import { fileOf } from "../state/work";

type What = "board" | "selection";
type SizeBy = "dpi" | "width";

/** Takes the piece away as vectors or as a picture. */
export function ExportDrawer() {
  const { work, scene, selection } = useStudio();
  const faces = useFaces();
  const [what, setWhat] = useState<What>("board");
  const [ground, setGround] = useState(true);
  const [sizeBy, setSizeBy] = useState<SizeBy>("dpi");
  const board = work!.piece.board;
  const [dpi, setDpi] = useState(board.dpi);
  const [width, setWidth] = useState(2000);
  const [busy, setBusy] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);

  const ids = what === "selection" ? selection : null;
  const items = work!.piece.items.filter((i) => !ids || ids.includes(i.id));
  const names = facesOf(items).map((id) => faces.find((f) => f.id === id)?.name ?? id);
  const name = (extension: string) => fileName(work!.piece.name, names, extension);
  const box = scene && (ids ? joinAll(scene.items.filter((i) => ids.includes(i.id)).map((i) => mapped(i.matrix, i.painted))) : { minX: 0, minY: 0, maxX: scene.width, maxY: scene.height });
  const nothing = !box || isEmpty(box);
  const [w, h] = nothing ? [0, 0] : [box.maxX - box.minX, box.maxY - box.minY];
  const pixels = nothing ? null : sizeBy === "dpi" ? [pixelsAt(w, dpi), pixelsAt(h, dpi)] : [width, Math.max(1, Math.round((width * h) / w))];

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
      download(new Blob([text], { type: "image/svg+xml" }), name("svg"));
    });
  const png = () =>
    attempt("png", async (signal) => {
      const request = {
        file: fileOf(work!),
        area: ids ? { kind: "items", ids } : { kind: "board" },
        ground,
        size: sizeBy === "dpi" ? { kind: "dpi", dpi } : { kind: "width", width },
      };
      download(await api.png(request, signal), name("png"));
    });

  return (
    <>
      <Section title="What is exported">
        <Field label="Area" hint="The whole board, or the selected letterings cut to their ink">
          <Choice label="Area" value={what} options={[{ value: "board", label: "Board", hint: "All that lies on the board" }, { value: "selection", label: "Selection", hint: "The selected letterings only" }]} onChange={(v) => setWhat(v as What)} />
        </Field>
        <Field label="Ground" hint="Whether the board's colour is part of the export">
          <Choice label="Ground" value={ground ? "with" : "without"} options={[{ value: "with", label: board.ground ? "With" : "None set", hint: "The ground colour is drawn" }, { value: "without", label: "Transparent", hint: "Nothing is drawn behind the letters" }]} onChange={(v) => setGround(v === "with")} />
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
        <Field label="Size by" hint="Give a resolution, or a width in pixels">
          <Choice label="Size by" value={sizeBy} options={[{ value: "dpi", label: "Resolution", hint: "Pixels to the inch" }, { value: "width", label: "Width", hint: "Pixels across" }]} onChange={(v) => setSizeBy(v as SizeBy)} />
        </Field>
        {sizeBy === "dpi" ? (
          <Field label="Resolution" hint="Pixels to the inch of the picture" htmlFor="png-dpi">
            <NumberField id="png-dpi" label="Picture resolution" suffix="dpi" min={1} max={4800} value={dpi} onChange={setDpi} />
          </Field>
        ) : (
          <Field label="Width" hint="Pixels across; the height follows" htmlFor="png-width">
            <NumberField id="png-width" label="Picture width" suffix="px" min={1} max={16384} decimals={0} value={width} onChange={(v) => setWidth(Math.round(v))} />
          </Field>
        )}
        <p aria-live="polite" className="text-pencil">
          {pixels ? `${pixels[0].toLocaleString("en")} × ${pixels[1].toLocaleString("en")} pixels` : "Nothing to draw"}
        </p>
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
        <p className="break-words text-pencil">
          <Download className="mr-1 inline size-3.5" />
          {name("svg")}
        </p>
        <p className="text-xs text-pencil">Files carry the name of the piece and of the faces it was lettered in.</p>
      </Section>
    </>
  );
}
