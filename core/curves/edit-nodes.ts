import type { CurveNode, Strand } from "./nodes";

/** A node of some strands. */
export interface NodeAt {
  readonly strand: number;
  readonly node: number;
}

const mix = (a: number, b: number, t: number) => a + (b - a) * t;

const replaced = (strands: readonly Strand[], index: number, change: (s: Strand) => Strand | readonly Strand[] | null): Strand[] =>
  strands.flatMap((s, i) => (i === index ? [change(s) ?? []].flat() : [s]));

const withNode = (strands: readonly Strand[], { strand, node }: NodeAt, change: (n: CurveNode) => CurveNode): Strand[] =>
  replaced(strands, strand, (s) => ({ ...s, nodes: s.nodes.map((n, i) => (i === node ? change(n) : n)) }));

/** Moves a node with its handles. */
export const moveNode = (strands: readonly Strand[], at: NodeAt, dx: number, dy: number): Strand[] =>
  withNode(strands, at, (n) => ({ ...n, x: n.x + dx, y: n.y + dy }));

/** Puts a handle, given as an offset from its node; that of a smooth node keeps the other in line with it, `alone` breaks them apart. */
export function moveHandle(strands: readonly Strand[], at: NodeAt, which: "in" | "out", x: number, y: number, alone = false): Strand[] {
  return withNode(strands, at, (n) => {
    const moved = which === "in" ? { ...n, inX: x, inY: y } : { ...n, outX: x, outY: y };
    if (!n.smooth || alone) return { ...moved, smooth: n.smooth && !alone };
    const [ox, oy] = which === "in" ? [n.outX, n.outY] : [n.inX, n.inY];
    const length = Math.hypot(x, y);
    if (length < 1e-9) return moved;
    const k = -Math.hypot(ox, oy) / length;
    return which === "in" ? { ...moved, outX: x * k, outY: y * k } : { ...moved, inX: x * k, inY: y * k };
  });
}

/** A new node on the segment that follows a node, at its parameter `t`: the curve stays as it is (de Casteljau's division). */
export function addNode(strands: readonly Strand[], { strand, node }: NodeAt, t: number): Strand[] {
  return replaced(strands, strand, (s) => {
    const last = s.nodes.length - 1;
    if (node > last || (node === last && !s.closed)) return s;
    const a = s.nodes[node];
    const b = s.nodes[node === last ? 0 : node + 1];
    const flat = a.outX === 0 && a.outY === 0 && b.inX === 0 && b.inY === 0;
    const split = (p0: number, p1: number, p2: number, p3: number) => {
      const [q0, q1, q2] = [mix(p0, p1, t), mix(p1, p2, t), mix(p2, p3, t)];
      const [r0, r1] = [mix(q0, q1, t), mix(q1, q2, t)];
      return { q0, q2, r0, r1, at: mix(r0, r1, t) };
    };
    const x = split(a.x, a.x + a.outX, b.x + b.inX, b.x);
    const y = split(a.y, a.y + a.outY, b.y + b.inY, b.y);
    const made: CurveNode = flat
      ? { x: mix(a.x, b.x, t), y: mix(a.y, b.y, t), inX: 0, inY: 0, outX: 0, outY: 0, smooth: false }
      : { x: x.at, y: y.at, inX: x.r0 - x.at, inY: y.r0 - y.at, outX: x.r1 - x.at, outY: y.r1 - y.at, smooth: true };
    const nodes = s.nodes.map((n, i): CurveNode => {
      if (flat) return n;
      if (i === node) return { ...n, outX: x.q0 - n.x, outY: y.q0 - n.y };
      return n === b ? { ...n, inX: x.q2 - n.x, inY: y.q2 - n.y } : n;
    });
    return { ...s, nodes: [...nodes.slice(0, node + 1), made, ...nodes.slice(node + 1)] };
  });
}

/** Takes a node out; a strand of fewer than two nodes goes with it. */
export const deleteNode = (strands: readonly Strand[], { strand, node }: NodeAt): Strand[] =>
  replaced(strands, strand, (s) => {
    const nodes = s.nodes.filter((_, i) => i !== node);
    return nodes.length < 2 ? null : { ...s, nodes, closed: s.closed && nodes.length > 1 };
  });

/** Makes a node smooth: its handles, of a third of the way to its neighbours where it has none, in one line. */
export function smoothNode(strands: readonly Strand[], at: NodeAt): Strand[] {
  const { nodes, closed } = strands[at.strand];
  const n = nodes.length;
  const here = nodes[at.node];
  const before = at.node > 0 || closed ? nodes[(at.node + n - 1) % n] : here;
  const after = at.node < n - 1 || closed ? nodes[(at.node + 1) % n] : here;
  const [tx, ty] = [after.x - before.x, after.y - before.y];
  const length = Math.hypot(tx, ty);
  if (length < 1e-9) return [...strands];
  const reach = (x: number, y: number, other: CurveNode) => Math.hypot(x, y) || Math.hypot(other.x - here.x, other.y - here.y) / 3;
  const [a, b] = [reach(here.inX, here.inY, before), reach(here.outX, here.outY, after)];
  const [ux, uy] = [tx / length, ty / length];
  return withNode(strands, at, (k) => ({ ...k, inX: -ux * a, inY: -uy * a, outX: ux * b, outY: uy * b, smooth: true }));
}

/** Makes a node a corner; `bare` takes its handles away, so that the lines from it start straight. */
export const cornerNode = (strands: readonly Strand[], at: NodeAt, bare: boolean): Strand[] =>
  withNode(strands, at, (n) => ({ ...n, smooth: false, ...(bare ? { inX: 0, inY: 0, outX: 0, outY: 0 } : {}) }));

/** Cuts a strand at a node: a closed one opens there, an open one falls into two. */
export const splitAt = (strands: readonly Strand[], { strand, node }: NodeAt): Strand[] =>
  replaced(strands, strand, (s) => {
    const { nodes } = s;
    if (s.closed)
      return {
        closed: false,
        nodes: [...nodes.slice(node), ...nodes.slice(0, node), nodes[node]].map((n, i, all) =>
          i === 0 ? { ...n, inX: 0, inY: 0 } : i === all.length - 1 ? { ...n, outX: 0, outY: 0 } : n,
        ),
      };
    if (node === 0 || node === nodes.length - 1) return s;
    return [
      { closed: false, nodes: nodes.slice(0, node + 1).map((n, i) => (i === node ? { ...n, outX: 0, outY: 0 } : n)) },
      { closed: false, nodes: nodes.slice(node).map((n, i) => (i === 0 ? { ...n, inX: 0, inY: 0 } : n)) },
    ];
  });

const isEnd = (s: Strand | undefined, node: number): boolean => !!s && !s.closed && (node === 0 || node === s.nodes.length - 1);

const backwards = (s: Strand): Strand => ({
  ...s,
  nodes: [...s.nodes].reverse().map((n) => ({ ...n, inX: n.outX, inY: n.outY, outX: n.inX, outY: n.inY })),
});

/** Joins two open ends by a line; the two ends of one strand close it. Anything else is left as it is. */
export function joinEnds(strands: readonly Strand[], a: NodeAt, b: NodeAt): Strand[] {
  if (!isEnd(strands[a.strand], a.node) || !isEnd(strands[b.strand], b.node)) return [...strands];
  if (a.strand === b.strand) return a.node === b.node ? [...strands] : replaced(strands, a.strand, closedStrand);
  const first = a.node === 0 ? backwards(strands[a.strand]) : strands[a.strand];
  const second = b.node === 0 ? strands[b.strand] : backwards(strands[b.strand]);
  const [end, start] = [first.nodes[first.nodes.length - 1], second.nodes[0]];
  // Ends that lie on each other become one node.
  const together = Math.hypot(end.x - start.x, end.y - start.y) < 1e-6;
  const nodes = together
    ? [...first.nodes.slice(0, -1), { ...end, outX: start.outX, outY: start.outY, smooth: false }, ...second.nodes.slice(1)]
    : [...first.nodes, ...second.nodes];
  return strands.flatMap((s, i): Strand[] => (i === a.strand ? [{ closed: false, nodes }] : i === b.strand ? [] : [s]));
}

function closedStrand(s: Strand): Strand {
  const [first, last] = [s.nodes[0], s.nodes[s.nodes.length - 1]];
  if (s.nodes.length > 2 && Math.hypot(first.x - last.x, first.y - last.y) < 1e-6)
    return { closed: true, nodes: [{ ...first, inX: last.inX, inY: last.inY }, ...s.nodes.slice(1, -1)] };
  return { ...s, closed: true };
}
