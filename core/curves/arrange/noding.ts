import type { Budget } from "../budget";
import { GridIndex } from "./grid-index";
import type { GridMesh } from "./mesh";
import { Meetings } from "./meetings";
import { eachAt, eachMeeting, stripsOf, type Strips } from "./strips";

/**
 * Where contours meet, on the grid. Vertices that are nodes are marked in `atVertex`; the others lie on edges: the k-th on
 * edge `edge[k]`, at the grid point (x[k], y[k]).
 */
export interface Noding {
  readonly atVertex: Uint8Array;
  readonly edge: readonly number[];
  readonly x: readonly number[];
  readonly y: readonly number[];
  /** Whether each contour has a node. */
  readonly touched: Uint8Array;
  /** How often curves may cross where their chords do not. */
  readonly misses: number;
  /** The chains as they were sorted to find them. */
  readonly strips: Strips;
}

/** What is known of contours before their nodes are looked for: that those of one group do not meet, and how their chains are sorted. */
export interface KnownApart {
  readonly group: Int32Array;
  readonly strips: Strips;
}

/**
 * Finds every point where edges cross or touch and rounds it to the grid: snap rounding. The cell around each vertex
 * and each crossing is hot, and every edge that passes through a hot cell is led through its middle. After
 * that edges meet in their ends only (Hobby, Practical segment intersection with finite precision output,
 * Computational Geometry 13, 1999). Cells are half open, as `Math.round` rounds.
 * @throws BudgetError
 */
export function findNodes(mesh: GridMesh, budget: Budget, known?: KnownApart): Noding {
  const { chains, shape, last } = mesh;
  const touched = new Uint8Array(mesh.first.length);
  const meetings = new Meetings(mesh);
  for (const i of chains.spikes) {
    meetings.mark(i);
    touched[contourAt(last, i)] = 1;
  }
  const strips = known?.strips ?? stripsOf(chains, mesh.reach, mesh.twins);
  const group = known?.group;
  eachMeeting(chains, strips, budget, (i, j) => {
    const a = chains.contour[i];
    const b = chains.contour[j];
    if (shape[a] !== shape[b] || (group !== undefined && group[a] === group[b])) return;
    if (meetings.ofChains(i, j)) touched[a] = touched[b] = 1;
    budget.spend(meetings.takeWork());
  });
  // The cells of crossings are hot for edges, too, that pass by them without crossing there.
  const { crossX, crossY, crossShape } = meetings;
  const cells = new GridIndex();
  for (let k = 0; k < crossX.length; k++) {
    const [px, py] = [crossX[k], crossY[k]];
    // Shapes come one after another as long as strips are looked at one by one; where they do not, a cell is only looked at again.
    if (k > 0 && crossShape[k] !== crossShape[k - 1]) cells.startAnew();
    const seen = cells.x.length;
    if (cells.of(px, py) < seen) continue;
    const looked = eachAt(chains, strips, px, py, (i) => {
      if (shape[chains.contour[i]] === crossShape[k] && meetings.ofPoint(i, px, py)) touched[chains.contour[i]] = 1;
    });
    budget.spend(looked);
  }
  if (mesh.twins) meetings.share(mesh.twins, touched);
  meetings.closeUp();
  return {
    atVertex: meetings.atVertex,
    edge: meetings.edge,
    x: meetings.nodeX,
    y: meetings.nodeY,
    touched,
    misses: meetings.nearMisses.count,
    strips,
  };
}

/** The contour that vertex i is on. */
function contourAt(last: Int32Array, i: number): number {
  let c = 0;
  while (last[c] < i) c++;
  return c;
}
