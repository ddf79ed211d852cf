import { coarsened, refined, type Mesh } from "@/core/bend/mesh";
import { meshOfLine } from "@/core/bend/envelope";
import type { EnvelopeBend } from "@/core/bend/schema";
import type { Lettering } from "@/core/piece/schema";
import { Button } from "../../parts/button";
import { Choice } from "../../parts/choice";
import { Field, Section } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { editMesh, setBend } from "../../state/edits/bend";
import { studioNow, useStudio } from "../../state/store";
import { FormGallery } from "./form-gallery";

const scopes = [
  { value: "block", label: "All", hint: "One envelope for the whole block" },
  { value: "lines", label: "Each line", hint: "Every line has an envelope of its own" },
  { value: "nested", label: "Nested", hint: "Lines share the edges between them and keep an even gap" },
];

/** An envelope: what it covers, a form to start from, its mesh. */
export function EnvelopeSection({ lettering, bend }: { lettering: Lettering; bend: EnvelopeBend }) {
  const wanted = useStudio((s) => s.bendLine);
  const { change, set, settle } = studioNow();
  const lines = lettering.text.split("\n");
  const line = bend.scope === "lines" ? Math.min(wanted, lines.length - 1) : 0;
  const mesh = meshOfLine(bend, line);
  const put = (next: EnvelopeBend, name: string | null = null) =>
    change((w) => setBend(w, [lettering.id], next), name && `envelope ${name} ${lettering.id}`);
  const rescope = (scope: EnvelopeBend["scope"]) =>
    put({
      ...bend,
      scope,
      meshes: scope === "lines" ? lines.map((_, i) => bend.meshes[Math.min(i, bend.meshes.length - 1)]) : [bend.meshes[0]],
    });
  return (
    <>
      <Section title="Envelope">
        <Field label="For" hint="What one envelope bends">
          <Choice label="Envelope for" value={bend.scope} options={scopes} onChange={(v) => rescope(v as "block")} />
        </Field>
        {bend.scope === "lines" && lines.length > 1 && (
          <Field label="Line" hint="Whose envelope the handles on the bench belong to">
            <Choice
              wide
              label="Line of the envelope"
              value={String(line)}
              options={lines.map((t, i) => ({
                value: String(i),
                label: `${i + 1}. ${t.trim()}`.slice(0, 14),
                hint: t.trim() || "Empty line",
              }))}
              onChange={(v) => set({ bendLine: Number(v) })}
            />
          </Field>
        )}
        {bend.scope === "nested" && (
          <Field label="Gap" hint="Between the lines, in thousandths of the em, measured across the edge they share" htmlFor="envelope-gap">
            <NumberField
              id="envelope-gap"
              label="Gap between lines"
              suffix="‰"
              min={0}
              max={5000}
              step={5}
              value={bend.gap}
              onChange={(v) => put({ ...bend, gap: v }, "gap")}
              onSettle={settle}
            />
          </Field>
        )}
        <FormGallery lettering={lettering} line={bend.scope === "lines" && lines.length > 1 ? line : null} />
      </Section>
      <MeshSection mesh={mesh} onChange={(m) => change((w) => editMesh(w, lettering.id, line, () => m))} />
    </>
  );
}

/** The lines of the mesh: more of them give more nodes to pull. */
function MeshSection({ mesh, onChange }: { mesh: Mesh; onChange: (m: Mesh) => void }) {
  /** Halves the widest stretch. */
  const finer = (way: "across" | "down") => {
    const knots = mesh[way];
    const widest = knots.slice(1).reduce((best, k, i) => (k - knots[i] > knots[best + 1] - knots[best] + 1e-9 ? i : best), 0);
    return refined(mesh, way, (knots[widest] + knots[widest + 1]) / 2);
  };
  const row = (way: "across" | "down", label: string, hint: string) => (
    <Field label={label} hint={hint}>
      <div className="flex items-center gap-1.5">
        <Button
          className="w-9 !px-0"
          aria-label={`Fewer ${label.toLowerCase()}`}
          disabled={mesh[way].length <= 2}
          onClick={() => onChange(coarsened(mesh, way, mesh[way].length - 2))}
        >
          −
        </Button>
        <output aria-label={label} className="w-8 text-center tabular-nums">
          {mesh[way].length}
        </output>
        <Button
          className="w-9 !px-0"
          aria-label={`More ${label.toLowerCase()}`}
          disabled={mesh[way].length >= 12}
          onClick={() => onChange(finer(way))}
        >
          +
        </Button>
      </div>
    </Field>
  );
  return (
    <Section title="Mesh">
      <p className="text-xs text-pencil">Drag the nodes and their handles on the bench; the arrow keys move the one in focus.</p>
      {row("across", "Columns", "Upright lines of the mesh, the edges among them")}
      {row("down", "Rows", "Level lines of the mesh, the edges among them")}
    </Section>
  );
}
