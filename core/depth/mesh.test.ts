import { beforeAll, describe, expect, test } from "@jest/globals";
import { engineWith } from "../../tests/engine";
import { area, rectangle } from "../../tests/paths";
import { wordOf } from "../../tests/words";
import type { Path } from "../curves/path";
import { PathBuilder } from "../curves/path";
import type { LoadedEngine } from "../piece/engine";
import type { Edge } from "./bevel";
import { meshOf, surfaceNames, type BodyMesh } from "./mesh";
import { edgeProfiles, profileOf } from "./profile";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black", "pacifico", "abril-fatface", "baloo-2");
});

/** What closed surfaces hold, by the divergence theorem: a sixth of the sum of a . (b x c) over their triangles. */
function volume(mesh: BodyMesh): number {
  let sum = 0;
  for (const name of surfaceNames) {
    const { positions: p, triangles } = mesh[name];
    for (let t = 0; t < triangles.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((i) => p.subarray(3 * triangles[t + i], 3 * triangles[t + i] + 3));
      sum += a[0] * (b[1] * c[2] - b[2] * c[1]) + a[1] * (b[2] * c[0] - b[0] * c[2]) + a[2] * (b[0] * c[1] - b[1] * c[0]);
    }
  }
  return sum / 6;
}

const mesh = (path: Path, depth: number, edge?: Edge) => meshOf(engine.kernel.weld(path), depth, edge, engine.kernel);
const bevelled = (width: number, height: number): Edge => ({ profile: profileOf("bevel"), width, height });

/** A square plate with a square hole. */
function framed(side: number, hole: number): Path {
  const out = new PathBuilder();
  out.add(rectangle(0, 0, side, side));
  out.add(rectangle((side - hole) / 2, (side - hole) / 2, hole, hole));
  return engine.kernel.evenOdd(out.build());
}

describe("a body as triangles", () => {
  test("holds base times height, and no more: the triangles close", () => {
    expect(volume(mesh(rectangle(0, 0, 300, 200), 50)) / (300 * 200 * 50)).toBeCloseTo(1, 5);
    expect(volume(mesh(framed(300, 100), 40)) / ((300 ** 2 - 100 ** 2) * 40)).toBeCloseTo(1, 5);
  });

  test("with a bevel is a prism under a frustum: h / 3 (A + B + sqrt(A B)) (handbook)", () => {
    const [side, width, height, depth] = [300, 40, 25, 60];
    const [base, top] = [side ** 2, (side - 2 * width) ** 2];
    const expected = base * (depth - height) + (height / 3) * (base + top + Math.sqrt(base * top));
    // Borders between slopes are straight within 0.12 unit.
    expect(volume(mesh(rectangle(0, 0, side, side), depth, bevelled(width, height))) / expected).toBeCloseTo(1, 4);
  });

  test.each([
    ["archivo-black", "Bg8"],
    ["pacifico", "Ferry"],
    ["abril-fatface", "Qa&"],
    ["baloo-2", "नमस्ते"],
  ])("of letters closes with a sharp edge and with each rim: %s, %s", (face, text) => {
    const word = engine.kernel.weld(wordOf(engine, face, text));
    const whole = area(word) * 80;
    const sharp = mesh(word, 80);
    // Chords lie within 0.15 unit of curves.
    expect(volume(sharp) / whole).toBeCloseTo(1, 2);
    for (const kind of edgeProfiles) {
      const edge = { profile: profileOf(kind), width: 12, height: 16 };
      const rimmed = mesh(word, 80, edge);
      const [least, most] = [area(engine.kernel.grow(word, -12, { kind: "miter", limit: 4 })) * 80, whole];
      expect([kind, volume(rimmed) > least * 0.995 + (whole - least) * 0.6, volume(rimmed) < most]).toEqual([kind, true, true]);
    }
  });

  test("has normals of length 1 that look the way the triangles do", () => {
    const body = mesh(wordOf(engine, "archivo-black", "Sg"), 60, { profile: profileOf("round"), width: 14, height: 14 });
    for (const name of surfaceNames) {
      const { positions: p, normals: n, triangles, places } = body[name];
      expect(places.length / 2).toBe(p.length / 3);
      for (let i = 0; i < n.length; i += 3) expect(Math.hypot(n[i], n[i + 1], n[i + 2])).toBeCloseTo(1, 5);
      let against = 0;
      for (let t = 0; t < triangles.length; t += 3) {
        const [a, b, c] = [0, 1, 2].map((i) => 3 * triangles[t + i]);
        const [u, v] = [b, c].map((k) => [0, 1, 2].map((i) => p[k + i] - p[a + i]));
        const cross = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
        if (cross.reduce((s, x, i) => s + x * (n[a + i] + n[b + i] + n[c + i]), 0) < 0) against++;
      }
      expect([name, against]).toEqual([name, 0]);
    }
    expect(body.sides.triangles.length).toBeGreaterThan(0);
    expect(Math.min(...body.back.positions.filter((_, i) => i % 3 === 2))).toBe(-60);
  });
});
