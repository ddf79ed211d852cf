import type { GridMesh } from "./mesh";
import type { Stops } from "./stops";

/**
 * Which nodes are idle. Where contours lie on one another for a stretch, each vertex of it is a node of all of them, but nothing is decided
 * there: all that come by run between the same two neighbours. Strands run through idle nodes, so that what is shared is one strand and not
 * one for each of its edges.
 */
export function idleNodes(mesh: GridMesh, stops: Stops): Uint8Array {
  const idle = passedAlike(mesh, stops);
  keepTwoEach(stops, idle);
  return idle;
}

/** Nodes that several come by, each at a vertex of its own, and all between the same neighbours. */
function passedAlike({ x, y, first, last }: GridMesh, { node, vertex, atVertex, end, nodes }: Stops): Uint8Array {
  const count = nodes.x.length;
  const alike = new Uint8Array(count);
  const differs = new Uint8Array(count);
  // The neighbours of the first that came by, as vertices.
  const before = new Int32Array(count).fill(-1);
  const after = new Int32Array(count);
  const same = (a: number, b: number) => x[a] === x[b] && y[a] === y[b];
  for (let c = 0, k = 0; c < end.length; c++) {
    const begin = k;
    for (; k < end[c]; k++) {
      const id = node[k];
      if (differs[id]) continue;
      const previousStop = k === begin ? end[c] - 1 : k - 1;
      const previous = vertex[k] === 0 ? last[c] - 1 : first[c] + vertex[k] - 1;
      const next = first[c] + vertex[k] + 1;
      const onEdges =
        !atVertex[k] ||
        (k + 1 < end[c] && vertex[k + 1] === vertex[k]) ||
        (!atVertex[previousStop] && first[c] + vertex[previousStop] === previous);
      if (onEdges || same(previous, next)) differs[id] = 1;
      else if (before[id] < 0) {
        before[id] = previous;
        after[id] = next;
      } else {
        alike[id] = 1;
        const onward = same(before[id], previous) && same(after[id], next);
        const back = same(before[id], next) && same(after[id], previous);
        if (!onward && !back) differs[id] = 1;
      }
    }
  }
  for (let id = 0; id < count; id++) if (differs[id]) alike[id] = 0;
  return alike;
}

/**
 * What comes back to the node that it started from keeps two nodes on its way, so that there and back differ: those of the lowest and the
 * highest number, which are the same for all that lie on it.
 */
function keepTwoEach({ node, end }: Stops, idle: Uint8Array): void {
  const keep: number[] = [];
  for (let c = 0, begin = 0; c < end.length; begin = end[c++]) {
    const after = (k: number) => (k + 1 === end[c] ? begin : k + 1);
    let from = begin;
    while (from < end[c] && idle[node[from]]) from++;
    if (from === end[c]) from = begin;
    for (let done = 0, at = from; done < end[c] - begin;) {
      let lowest = idle.length;
      let highest = -1;
      let k = at;
      do {
        k = after(k);
        done++;
        const id = node[k];
        if (!idle[id]) break;
        if (id < lowest) lowest = id;
        if (id > highest) highest = id;
      } while (k !== from);
      if (highest >= 0 && node[at] === node[k]) keep.push(lowest, highest);
      at = k;
    }
  }
  for (const id of keep) idle[id] = 0;
}
