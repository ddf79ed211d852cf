import { addNode, cornerNode, deleteNode, joinEnds, smoothNode, splitAt } from "@/core/curves/edit-nodes";
import type { Strand } from "@/core/curves/nodes";
import { Button } from "../parts/button";
import { nodesOfPath, setNodes } from "../state/edits/shapes";
import { editGuide } from "../state/edits/bend";
import { studioNow, useLettering, useShape, useStudio } from "../state/store";

/** What can be done to the picked node of a curve. */
export function NodeTools() {
  const shape = useShape();
  const lettering = useLettering();
  const node = useStudio((s) => s.node);
  const { change, set } = studioNow();
  const guide =
    lettering?.bend?.kind === "guide" && lettering.bend.line.kind === "drawn" ? (lettering.bend.line.line as Strand) : undefined;
  const strands = shape?.shape.kind === "path" ? nodesOfPath(shape) : guide ? [guide] : [];
  const here = node && strands[node.strand]?.nodes[node.node];
  const put = (next: readonly Strand[]) =>
    change((w) =>
      shape
        ? setNodes(w, shape.id, next)
        : lettering && next.length === 1
          ? editGuide(w, lettering.id, (g) => ({ ...g, line: { ...g.line, line: next[0] } }))
          : w,
    );
  const strand = node ? strands[node.strand] : undefined;
  const isEnd = !!strand && !strand.closed && (node!.node === 0 || node!.node === strand.nodes.length - 1);
  const tool = (label: string, hint: string, disabled: boolean, act: () => void) => (
    <Button key={label} title={hint} disabled={disabled} className="!px-1" onClick={act}>
      {label}
    </Button>
  );
  return (
    <div role="group" aria-label="Node" className="grid grid-cols-3 gap-1.5">
      {tool(
        "Add after",
        "A new node in the middle of the segment that follows; the curve stays as it is",
        !here || (isEnd && node!.node > 0),
        () => (put(addNode(strands, node!, 0.5)), set({ node: { ...node!, node: node!.node + 1 } })),
      )}
      {tool("Delete", "Takes the node out", !here, () => (put(deleteNode(strands, node!)), set({ node: null })))}
      {tool("Smooth", "The curve runs through without a corner", !here, () => put(smoothNode(strands, node!)))}
      {tool("Corner", "Its handles move on their own", !here, () => put(cornerNode(strands, node!, false)))}
      {tool("Straight", "A corner without handles", !here, () => put(cornerNode(strands, node!, true)))}
      {shape && tool("Split", "Cuts the curve here", !here || isEnd, () => (put(splitAt(strands, node!)), set({ node: null })))}
      {shape &&
        tool("Join", "Joins this end with the nearest other end", !isEnd, () => {
          const other = nearestEnd(strands, node!);
          if (other) put(joinEnds(strands, node!, other));
          set({ node: null });
        })}
      {!here && <p className="col-span-3 text-xs text-pencil">Click a node on the bench; double-click the line for a new one.</p>}
    </div>
  );
}

function nearestEnd(strands: readonly Strand[], from: { strand: number; node: number }) {
  const p = strands[from.strand].nodes[from.node];
  const ends = strands.flatMap((s, strand) => (s.closed ? [] : [0, s.nodes.length - 1].map((node) => ({ strand, node }))));
  const far = (e: { strand: number; node: number }) =>
    Math.hypot(strands[e.strand].nodes[e.node].x - p.x, strands[e.strand].nodes[e.node].y - p.y);
  return ends.filter((e) => e.strand !== from.strand || e.node !== from.node).sort((a, b) => far(a) - far(b))[0];
}
