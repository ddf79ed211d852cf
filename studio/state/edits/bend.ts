import { startingForm } from "@/core/bend/starting-forms";
import { flatMesh, type Mesh } from "@/core/bend/mesh";
import { newGuideLine, type Bend, type EnvelopeBend, type GuideBend } from "@/core/bend/schema";
import type { Lettering, ShapeItem } from "@/core/piece/schema";
import type { Work } from "../work";
import { editLettering } from "./items";

export const newGuideBend = (kind: string, values: Record<string, unknown> = {}): GuideBend => ({
  kind: "guide",
  line: newGuideLine(kind, values),
  letters: "turn",
  shift: 0,
  distance: 0,
  spread: false,
});

export const newEnvelope = (): EnvelopeBend => ({ kind: "envelope", scope: "block", meshes: [flatMesh()], gap: 60 });

export const setBend = (work: Work, ids: readonly string[], bend: Bend | null): Work =>
  editLettering(work, ids, (l) => void (l.bend = bend));

export const editGuide = (work: Work, id: string, change: (g: GuideBend) => GuideBend): Work =>
  editLettering(work, [id], (l) => {
    if (l.bend?.kind === "guide") l.bend = change(l.bend);
  });

/** Changes the mesh that bends a line; where each line has its own, the lines up to it get theirs. */
export const editMesh = (work: Work, id: string, line: number, change: (m: Mesh) => Mesh): Work =>
  editLettering(work, [id], (l) => {
    if (l.bend?.kind !== "envelope") return;
    l.bend = withMesh(l.bend, line, l.text.split("\n").length, change);
  });

export function withMesh(bend: EnvelopeBend, line: number, lines: number, change: (m: Mesh) => Mesh): EnvelopeBend {
  if (bend.scope !== "lines") return { ...bend, meshes: [change(bend.meshes[0])] };
  const meshes = Array.from({ length: Math.max(lines, line + 1) }, (_, i) => bend.meshes[Math.min(i, bend.meshes.length - 1)]);
  meshes[line] = change(meshes[line]);
  return { ...bend, meshes };
}

/** Lays a starting form on: on the whole block, or on one line. */
export const layForm = (work: Work, id: string, form: string, strength: number, line: number | null): Work =>
  editLettering(work, [id], (l) => {
    const envelope = l.bend?.kind === "envelope" ? l.bend : newEnvelope();
    const mesh = () => startingForm(form)!.mesh(strength);
    const count = l.text.split("\n").length;
    if (line === null && envelope.scope === "lines") l.bend = { ...envelope, meshes: Array.from({ length: count }, mesh) };
    else l.bend = withMesh(envelope, line ?? 0, count, mesh);
  });

/** Lets a lettering fill a shape: it takes the shape's place and turn, so that it stands upright in it. */
export const fillShape = (work: Work, id: string, shape: ShapeItem): Work =>
  editLettering(work, [id], (l: Lettering) => {
    l.bend = { kind: "fit", shape: shape.id, corners: null, inset: 60, gap: 60 };
    [l.x, l.y, l.turn, l.across, l.down, l.slant] = [shape.x, shape.y, shape.turn, 1, 1, 0];
  });

/** Lets the words run along a shape's outline. */
export const runAlong = (work: Work, id: string, shape: ShapeItem): Work =>
  editLettering(work, [id], (l) => {
    const guide = l.bend?.kind === "guide" ? l.bend : newGuideBend("outline");
    l.bend = { ...guide, line: newGuideLine("outline", { start: 0, shape: shape.id }) };
    [l.x, l.y, l.turn, l.across, l.down, l.slant] = [shape.x, shape.y, shape.turn, 1, 1, 0];
  });
