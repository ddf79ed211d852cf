import { describe, expect, test } from "@jest/globals";
import { circle, rectangle } from "../../tests/paths";
import { CurveKernel } from "./kernel";
import { addNode, cornerNode, deleteNode, joinEnds, moveHandle, moveNode, smoothNode, splitAt } from "./edit-nodes";
import { nearest } from "./measure";
import { pathOfStrands, strandsOf, type Strand } from "./nodes";
import { parseSvgPath } from "./parse-svg-path";

const kernel = new CurveKernel();
const area = (strands: readonly Strand[]) => Math.abs(kernel.area(pathOfStrands(strands)));

describe("nodes of a path", () => {
  test.each([
    ["a circle", circle(10, 20, 50)],
    ["a rectangle", rectangle(0, 0, 30, 40)],
    ["quadratics and two contours", parseSvgPath("M0 0Q50 100 100 0Z M20 10L40 10L30 20Z")],
    ["an open curve", parseSvgPath("M0 0C10 30 60 30 70 0L100 20")],
  ])("%s: there and back is the same curve", (_, path) => {
    const again = pathOfStrands(strandsOf(path));
    expect(again.nodes).toBe(path.nodes);
    for (let i = 0; i < path.coords.length; i += 2)
      if (path.verbs.length) expect(nearest(again, path.coords[0], path.coords[1])!.distance).toBeLessThan(1e-9);
    if (path.verbs.at(-1) === 4) expect(kernel.area(again)).toBeCloseTo(kernel.area(path), 6);
  });

  test("smooth ones are known, corners too", () => {
    expect(strandsOf(circle(0, 0, 10))[0].nodes.every((n) => n.smooth)).toBe(true);
    expect(strandsOf(rectangle(0, 0, 10, 10))[0].nodes.some((n) => n.smooth)).toBe(false);
  });
});

describe("the curve editor", () => {
  const round = strandsOf(circle(0, 0, 100));

  test("a new node leaves the curve as it is", () => {
    for (const t of [0.2, 0.5, 0.9]) {
      const more = addNode(round, { strand: 0, node: 1 }, t);
      expect(more[0].nodes).toHaveLength(5);
      // De Casteljau's division is exact.
      expect(area(more)).toBeCloseTo(area(round), 6);
    }
    const square = strandsOf(rectangle(0, 0, 10, 10));
    expect(addNode(square, { strand: 0, node: 3 }, 0.5)[0].nodes[4]).toMatchObject({ x: 0, y: 5, smooth: false });
    expect(area(addNode(square, { strand: 0, node: 3 }, 0.5))).toBeCloseTo(100, 9);
  });

  test("a deleted node is gone, and a strand of one node with it", () => {
    expect(deleteNode(round, { strand: 0, node: 2 })[0].nodes).toHaveLength(3);
    expect(deleteNode(strandsOf(parseSvgPath("M0 0L10 0")), { strand: 0, node: 0 })).toEqual([]);
  });

  test("a node is moved with its handles; a smooth one keeps them in line", () => {
    const [moved] = moveNode(round, { strand: 0, node: 0 }, 5, -7);
    expect(moved.nodes[0]).toMatchObject({ x: round[0].nodes[0].x + 5, y: round[0].nodes[0].y - 7, outX: round[0].nodes[0].outX });
    const n = moveHandle(round, { strand: 0, node: 0 }, "out", 30, 40)[0].nodes[0];
    expect(n.inX * 40 - n.inY * 30).toBeCloseTo(0, 9);
    expect(Math.hypot(n.inX, n.inY)).toBeCloseTo(Math.hypot(round[0].nodes[0].inX, round[0].nodes[0].inY), 9);
    const alone = moveHandle(round, { strand: 0, node: 0 }, "out", 30, 40, true)[0].nodes[0];
    expect(alone).toMatchObject({ inX: round[0].nodes[0].inX, smooth: false });
  });

  test("corners are made smooth and smooth nodes corners", () => {
    const square = strandsOf(rectangle(0, 0, 90, 90));
    const soft = smoothNode(square, { strand: 0, node: 1 })[0].nodes[1];
    expect(soft.smooth).toBe(true);
    expect(soft.inX * soft.outY - soft.inY * soft.outX).toBeCloseTo(0, 9);
    expect(cornerNode(round, { strand: 0, node: 0 }, false)[0].nodes[0]).toMatchObject({ smooth: false, outX: round[0].nodes[0].outX });
    expect(cornerNode(round, { strand: 0, node: 0 }, true)[0].nodes[0]).toMatchObject({ inX: 0, outX: 0, inY: 0, outY: 0 });
  });

  test("split opens a closed strand and parts an open one; join puts both back", () => {
    const opened = splitAt(round, { strand: 0, node: 1 });
    expect(opened).toHaveLength(1);
    expect(opened[0]).toMatchObject({ closed: false });
    expect(opened[0].nodes).toHaveLength(5);
    const closed = joinEnds(opened, { strand: 0, node: 0 }, { strand: 0, node: 4 });
    expect(closed[0]).toMatchObject({ closed: true });
    expect(closed[0].nodes).toHaveLength(4);
    expect(area(closed)).toBeCloseTo(area(round), 6);

    const line = strandsOf(parseSvgPath("M0 0L10 0L20 0"));
    const parts = splitAt(line, { strand: 0, node: 1 });
    expect(parts.map((s) => s.nodes.length)).toEqual([2, 2]);
    expect(joinEnds(parts, { strand: 0, node: 1 }, { strand: 1, node: 0 })[0].nodes).toHaveLength(3);
    // From either end: the second is turned round.
    expect(joinEnds(parts, { strand: 0, node: 0 }, { strand: 1, node: 1 })[0].nodes.map((n) => n.x)).toEqual([10, 0, 20, 10]);
    expect(joinEnds(round, { strand: 0, node: 0 }, { strand: 0, node: 2 })).toEqual(round);
  });
});
