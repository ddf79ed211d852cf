import { useState } from "react";
import { meshOfLine } from "@/core/bend/envelope";
import { Sheet, type Mesh, type MeshNode } from "@/core/bend/mesh";
import type { EnvelopeBend } from "@/core/bend/schema";
import type { Point } from "@/core/curves/matrix";
import type { LetteringUpdate } from "@/worker/protocol";
import { editMesh } from "../../state/edits/bend";
import { studioNow, useStudio } from "../../state/store";
import { newKey, type Gesture } from "../gestures";
import { Grip, Lead } from "../grip";
import type { Place } from "../place";

const samples = 24;

/** The edges and the mesh of an envelope, with a grip at every node and handles along the curves. */
export function EnvelopeHandles({ item, bend, place }: { item: LetteringUpdate; bend: EnvelopeBend; place: Place }) {
  const wanted = useStudio((s) => s.bendLine);
  const [picked, setPicked] = useState<number | null>(null);
  const line = bend.scope === "lines" ? Math.min(wanted, item.lineBoxes.length - 1) : 0;
  const mesh = meshOfLine(bend, line);
  const box = bend.scope === "lines" ? item.lineBoxes[line] : item.block;
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const onScreen = (p: Point) => place.toScreen({ x: box.minX + p.x * w, y: box.minY + p.y * h });
  const share = (board: Point): Point => {
    const p = place.fromBoard(board);
    return { x: (p.x - box.minX) / w, y: (p.y - box.minY) / h };
  };
  const sheet = new Sheet(mesh);
  const out = new Float64Array(6);
  const at = (u: number, v: number) => {
    sheet.at(u, v, out);
    return onScreen({ x: out[0], y: out[1] });
  };
  const n = mesh.across.length;
  const simple = mesh.nodes.length <= 6;

  const drag =
    (index: number, move: (node: MeshNode, dx: number, dy: number) => MeshNode) =>
    (start: Point): Gesture => {
      const key = newKey("envelope");
      const from = share(start);
      const before = mesh.nodes[index];
      return ({ at: to, shift }) => {
        const p = share(to);
        let [dx, dy] = [p.x - from.x, p.y - from.y];
        if (shift) [dx, dy] = Math.abs(dx) * w > Math.abs(dy) * h ? [dx, 0] : [0, dy];
        const next = rounded(move(before, dx, dy));
        if (Object.values(next).every((v) => Math.abs(v) <= 1000))
          studioNow().change(
            (work) => editMesh(work, item.id, line, (m) => ({ ...m, nodes: m.nodes.map((k, i) => (i === index ? next : k)) })),
            key,
          );
        return [];
      };
    };

  return (
    <g>
      {mesh.down.map((v) => (
        <Lead
          key={`v${v}`}
          dashed={v > 0 && v < 1}
          points={Array.from({ length: samples * (n - 1) + 1 }, (_, i) => at(i / (samples * (n - 1)), v))}
        />
      ))}
      {mesh.across.map((u) => (
        <Lead key={`u${u}`} dashed={u > 0 && u < 1} points={Array.from({ length: samples + 1 }, (_, i) => at(u, i / samples))} />
      ))}
      {mesh.nodes.map((node, i) => {
        const here = onScreen(node);
        const shown = simple || picked === i;
        return (
          <g key={i}>
            {shown &&
              handlesOf(mesh, i).map(({ name, label, reach, across }) => {
                const tip = onScreen({
                  x: node.x + (across ? node.acrossX : node.downX) * reach,
                  y: node.y + (across ? node.acrossY : node.downY) * reach,
                });
                const change = (k: MeshNode, dx: number, dy: number): MeshNode =>
                  across
                    ? { ...k, acrossX: k.acrossX + dx / reach, acrossY: k.acrossY + dy / reach }
                    : { ...k, downX: k.downX + dx / reach, downY: k.downY + dy / reach };
                return (
                  <g key={name}>
                    <Lead points={[here, tip]} />
                    <Grip at={tip} look="small" name={`mesh-${i}-${name}`} label={label} gesture={drag(i, change)} />
                  </g>
                );
              })}
            <Grip
              at={here}
              picked={picked === i}
              name={`mesh-${i}`}
              label={nodeLabel(mesh, i)}
              onPick={() => setPicked(i)}
              gesture={drag(i, (k, dx, dy) => ({ ...k, x: k.x + dx, y: k.y + dy }))}
            />
          </g>
        );
      })}
    </g>
  );
}

const rounded = (node: MeshNode): MeshNode =>
  Object.fromEntries(Object.entries(node).map(([k, v]) => [k, Math.round(v * 1e5) / 1e5])) as MeshNode;

function nodeLabel({ across, down }: Mesh, index: number): string {
  const [i, j] = [index % across.length, Math.floor(index / across.length)];
  const ends = (k: number, count: number, low: string, high: string) => (k === 0 ? low : k === count - 1 ? high : "middle");
  return `Envelope, ${ends(j, down.length, "top", "bottom")} ${ends(i, across.length, "left", "right")} node`;
}

/** The handles of a node: a third of the way to each neighbour, as those of a cubic. */
function handlesOf({ across, down }: Mesh, index: number): { name: string; label: string; reach: number; across: boolean }[] {
  const [i, j] = [index % across.length, Math.floor(index / across.length)];
  const out = [];
  if (i + 1 < across.length)
    out.push({ name: "right", label: "Handle to the right", reach: (across[i + 1] - across[i]) / 3, across: true });
  if (i > 0) out.push({ name: "left", label: "Handle to the left", reach: -(across[i] - across[i - 1]) / 3, across: true });
  if (j + 1 < down.length) out.push({ name: "down", label: "Handle downwards", reach: (down[j + 1] - down[j]) / 3, across: false });
  if (j > 0) out.push({ name: "up", label: "Handle upwards", reach: -(down[j] - down[j - 1]) / 3, across: false });
  return out;
}
