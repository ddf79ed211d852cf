import { useQuery } from "@tanstack/react-query";
import { ChevronDown, FileUp, Search, Trash2 } from "lucide-react";
import { Popover } from "radix-ui";
import { useId, useMemo, useRef, useState, type KeyboardEvent } from "react";
import { toast } from "sonner";
import type { Measured } from "@/core/lettering/measured";
import type { Lettering } from "@/core/piece/schema";
import { api, type FaceEntry } from "../../api/client";
import { faceStyle, useFaceFonts, useFaces } from "../../faces";
import { Button, IconButton } from "../../parts/button";
import { AskDialog } from "../../parts/dialog";
import { addFaces, removeFace } from "../../state/faces";
import { Switch } from "../../parts/switch";
import { useShownStyle, useStudio } from "../../state/store";
import { useTries, type Look } from "../../strip/looks";
import { StrainNote, useStrains } from "./strains";

type SortBy = "shelf" | "name" | "stem" | "contrast" | "width" | "capHeight" | "nodes" | "roughness";
const sorts: Readonly<Record<SortBy, string>> = {
  shelf: "As on the shelf",
  name: "Name",
  stem: "Stem, heaviest first",
  contrast: "Contrast, most first",
  width: "Width, widest first",
  capHeight: "Capitals, tallest first",
  nodes: "Nodes a letter, fewest first",
  roughness: "Roughness, smoothest first",
};
const rising: readonly SortBy[] = ["nodes", "roughness"];

interface Props {
  lettering: Lettering;
  onChange: (face: string) => void;
}

/** The face of a lettering, and a chooser that shows the present word in every face. */
export function FacePicker({ lettering, onChange }: Props) {
  const [open, setOpen] = useState(false);
  const faces = useFaces();
  useFaceFonts(faces);
  const chosen = faces.find((f) => f.id === lettering.face);
  const sample = sampleOf(lettering);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label="Face"
        className="flex h-14 w-full items-center gap-2 rounded-md border border-rule bg-sheet px-3 text-left hover:border-pencil"
      >
        <span className="min-w-0 grow">
          <span className="block truncate text-xs text-pencil">
            {chosen ? `${chosen.name} · ${chosen.kind}` : `${lettering.face} (not here: a stand-in is shown)`}
          </span>
          <span className="block truncate text-xl leading-7" style={chosen && faceStyle(chosen, lettering.axes)}>
            {sample}
          </span>
        </span>
        <ChevronDown className="size-4 shrink-0 text-pencil" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="start"
          sideOffset={12}
          collisionPadding={10}
          aria-label="Faces"
          className="z-50 flex max-h-[min(680px,var(--radix-popover-content-available-height))] w-[470px] flex-col rounded-xl border border-rule bg-paper shadow-xl"
        >
          <Chooser lettering={lettering} faces={faces} sample={sample} onChoose={(id) => (onChange(id), setOpen(false))} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const srcOf = (look: Look | undefined): string | undefined => (look && "src" in look ? look.src : undefined);

const sampleOf = ({ text }: Lettering): string =>
  text
    .split("\n")
    .find((l) => l.trim())
    ?.trim()
    .slice(0, 18) || "Brindlemoor";

function Chooser({
  lettering,
  faces,
  sample,
  onChoose,
}: {
  lettering: Lettering;
  faces: readonly FaceEntry[];
  sample: string;
  onChoose: (id: string) => void;
}) {
  const measured = useQuery({ queryKey: ["measured"], queryFn: api.measured, staleTime: Infinity }).data;
  const strains = useStrains(lettering, faces);
  const [search, setSearch] = useState("");
  const [sort, setSort] = useState<SortBy>("shelf");
  const [script, setScript] = useState("");
  const [only, setOnly] = useState<"" | "variable" | "carries" | "own">("");
  const [at, setAt] = useState<string>(lettering.face);
  const [removing, setRemoving] = useState<FaceEntry | null>(null);
  const list = useId();
  const file = useRef<HTMLInputElement>(null);
  const scripts = useMemo(() => [...new Set(Object.values(measured ?? {}).flatMap((m) => m.scripts))].sort(), [measured]);

  const [worn, setWorn] = useState(false);
  const style = useShownStyle();
  const tries = useMemo(() => new Map(worn && style ? faces.map((f) => [f.id, { style, face: f.id }]) : []), [worn, style, faces]);
  const looks = useTries(worn ? lettering.id : undefined, tries, 400);
  const ground = useStudio((s) => s.work?.piece.board.ground ?? "#ffffff");

  const wanted = search.trim().toLowerCase();
  const found = faces.filter((f) => {
    const m = measured?.[f.id];
    if (wanted && !`${f.name} ${f.kind}`.toLowerCase().includes(wanted)) return false;
    if (script && !m?.scripts.includes(script)) return false;
    if (only === "variable") return (m?.axes ?? 0) > 0;
    if (only === "carries") return (strains[f.id]?.closed ?? 0) === 0;
    return only !== "own" || f.own === true;
  });
  const value = (f: FaceEntry): number => (sort === "shelf" || sort === "name" ? 0 : (measured?.[f.id]?.[sort] ?? 0));
  const sorted =
    sort === "shelf"
      ? found
      : [...found].sort((a, b) =>
          sort === "name" ? a.name.localeCompare(b.name) : rising.includes(sort) ? value(a) - value(b) : value(b) - value(a),
        );
  const current = sorted.some((f) => f.id === at) ? at : sorted[0]?.id;

  const onKeyDown = (e: KeyboardEvent) => {
    const i = sorted.findIndex((f) => f.id === current);
    const to = { ArrowDown: i + 1, ArrowUp: i - 1, PageDown: i + 6, PageUp: i - 6, Home: 0, End: sorted.length - 1 }[e.key];
    if (to !== undefined && sorted.length) {
      e.preventDefault();
      const next = sorted[Math.min(sorted.length - 1, Math.max(0, to))];
      setAt(next.id);
      document.getElementById(`${list}-${next.id}`)?.scrollIntoView({ block: "nearest" });
    } else if (e.key === "Enter" && current) {
      e.preventDefault();
      onChoose(current);
    }
  };
  const select = "h-7 min-w-0 rounded-md border border-rule bg-sheet px-1.5 text-xs";
  return (
    <>
      <div className="space-y-2 border-b border-rule p-3">
        <label className="flex h-8 items-center gap-2 rounded-md border border-rule bg-sheet px-2 focus-within:border-accent">
          <Search className="size-4 text-pencil" />
          <input
            role="combobox"
            aria-label="Search faces"
            aria-expanded
            aria-controls={list}
            aria-activedescendant={current && `${list}-${current}`}
            placeholder="Name or kind"
            autoFocus
            value={search}
            onChange={(e) => setSearch(e.target.value)}
            onKeyDown={onKeyDown}
            className="grow bg-transparent outline-none"
          />
        </label>
        <div className="flex gap-1.5">
          <select
            aria-label="Sort faces"
            value={sort}
            onChange={(e) => setSort(e.target.value as SortBy)}
            className={`${select} flex-[1.4]`}
          >
            {Object.entries(sorts).map(([k, label]) => (
              <option key={k} value={k}>
                {label}
              </option>
            ))}
          </select>
          <select aria-label="Script" value={script} onChange={(e) => setScript(e.target.value)} className={`${select} flex-1`}>
            <option value="">Any script</option>
            {scripts.map((s) => (
              <option key={s}>{s}</option>
            ))}
          </select>
          <select aria-label="Show" value={only} onChange={(e) => setOnly(e.target.value as "")} className={`${select} flex-1`}>
            <option value="">All faces</option>
            <option value="variable">Variable</option>
            <option value="carries">Carry the style</option>
            <option value="own">Brought in</option>
          </select>
        </div>
        {style && <Switch label="In its coats" hint="Tries the look of this lettering on every face" checked={worn} onChange={setWorn} />}
      </div>
      <ul id={list} role="listbox" aria-label="Faces" className="grow overflow-y-auto p-1.5">
        {sorted.map((f) => (
          <li key={f.id} className="group relative">
            <button
              id={`${list}-${f.id}`}
              type="button"
              role="option"
              tabIndex={-1}
              aria-selected={f.id === lettering.face}
              data-current={f.id === current || undefined}
              onClick={() => onChoose(f.id)}
              onPointerEnter={() => setAt(f.id)}
              className="block w-full rounded-md px-2.5 py-1.5 text-left outline-none data-[current]:bg-wash aria-selected:shadow-[inset_3px_0_0_var(--accent)]"
            >
              <span className="flex justify-between gap-2 text-xs text-pencil">
                <span className="truncate font-medium text-graphite">{f.name}</span>
                <span className="shrink-0">{f.kind}</span>
              </span>
              {worn && srcOf(looks.get(f.id)) ? (
                // eslint-disable-next-line @next/next/no-img-element -- drawn here, with nothing to optimise
                <img
                  alt={`${sample} in ${f.name}`}
                  data-tried
                  src={srcOf(looks.get(f.id))}
                  className="my-1 h-20 w-full rounded object-contain p-2"
                  style={{ background: ground }}
                />
              ) : (
                <span className="block overflow-hidden whitespace-nowrap py-0.5 text-[28px] leading-10" style={faceStyle(f)}>
                  {sample}
                </span>
              )}
              <Figures measured={measured?.[f.id]} />
              <StrainNote strain={strains[f.id]} />
            </button>
            {f.own && (
              <span className="absolute bottom-1 right-1">
                <IconButton label={`Take ${f.name} away`} className="!size-7" onClick={() => setRemoving(f)}>
                  <Trash2 />
                </IconButton>
              </span>
            )}
          </li>
        ))}
        {!sorted.length && <p className="py-6 text-center text-pencil">No face is like that.</p>}
      </ul>
      <div className="flex items-center justify-between gap-2 border-t border-rule p-2">
        <p className="pl-1 text-xs text-pencil">TTF, OTF, WOFF, WOFF2, collections; a .txt beside them is their licence.</p>
        <Button className="shrink-0" onClick={() => file.current?.click()}>
          <FileUp className="size-4" /> Bring in…
        </Button>
        <input
          ref={file}
          type="file"
          multiple
          accept=".ttf,.otf,.woff,.woff2,.ttc,.otc,.txt"
          aria-label="Font files"
          className="hidden"
          onChange={(e) => {
            const chosen = [...(e.target.files ?? [])];
            e.target.value = "";
            void bringIn(chosen);
          }}
        />
      </div>
      <RemoveDialog face={removing} onClose={() => setRemoving(null)} />
    </>
  );
}

async function bringIn(files: readonly File[]): Promise<void> {
  const licence = files.find((f) => /\.txt$/i.test(f.name));
  const fonts = files.filter((f) => f !== licence);
  if (!fonts.length) return void toast.error("No font is among these files.");
  await addFaces(fonts, licence ? await licence.text() : "");
}

function Figures({ measured: m }: { measured: Measured | undefined }) {
  if (!m) return <span className="block h-4 text-xs text-pencil">…</span>;
  const parts = [
    `stem ${Math.round(m.stem)}`,
    `contrast ${m.contrast.toFixed(1)}`,
    `width ${Math.round(m.width)}`,
    `caps ${Math.round(m.capHeight)}`,
    `${Math.round(m.nodes)} nodes`,
    ...(m.roughness >= 0.5 ? [`rough ${m.roughness.toFixed(1)} %`] : []),
    ...(m.axes ? [`${m.axes} ax${m.axes === 1 ? "is" : "es"}`] : []),
  ];
  return <span className="block truncate text-xs tabular-nums text-pencil">{parts.join(" · ")}</span>;
}

/** Says where a face is used before it goes. */
function RemoveDialog({ face, onClose }: { face: FaceEntry | null; onClose: () => void }) {
  const uses = useQuery({ queryKey: ["face uses", face?.id], queryFn: () => api.faceUses(face!.id), enabled: face !== null, staleTime: 0 });
  const remove = async () => {
    try {
      await removeFace(face!.id);
      toast(`${face!.name} was taken away.`);
    } catch (error) {
      toast.error((error as Error).message);
    }
    onClose();
  };
  const names = uses.data ?? [];
  return (
    <AskDialog
      open={face !== null}
      title={`Take ${face?.name ?? "the face"} away?`}
      actions={
        <>
          <Button look="quiet" onClick={onClose}>
            Keep it
          </Button>
          <Button look="primary" disabled={uses.isPending} onClick={() => void remove()}>
            Take it away
          </Button>
        </>
      }
    >
      {uses.isPending
        ? "Looking where it is used…"
        : names.length
          ? `It is used in ${names
              .slice(0, 5)
              .map((n) => `“${n}”`)
              .join(
                ", ",
              )}${names.length > 5 ? ` and ${names.length - 5} more` : ""}. Their words keep their settings and show a stand-in until the face is brought in again.`
          : "No piece uses it."}
    </AskDialog>
  );
}
