import { beforeEach, describe, expect, test } from "@jest/globals";
import type { Grain } from "../core/grain/grain";
import type { PictureFill } from "../core/scene/scene";
import { BenchGrains } from "./grains";

const grain: Grain = {
  material: "wood",
  size: 500,
  angle: 0,
  inks: ["#e0b376", "#9a5f2c", "#54301a"],
  contrast: 1,
  relief: 0,
  light: { x: 0, y: 0, z: 1, strength: 1, colour: "#ffffff" },
  seed: 4,
};
const fill = (seed = 4): PictureFill => {
  const area = { minX: 0, minY: 0, maxX: 400, maxY: 200 };
  return { kind: "picture", source: { kind: "grain", grain: { ...grain, seed } }, area, box: area, opacity: 1 };
};
const unturned = [1, 0, 0, 1, 0, 0] as const;

let made: Map<string, Uint8Array>;
let dropped: string[];
let finer: number;
/** What happens each time others have their turn. */
let meanwhile: () => void;
let now: number;
let grains: BenchGrains;
beforeEach(() => {
  [made, dropped, finer, now] = [new Map(), [], 0, 0];
  meanwhile = () => undefined;
  grains = new BenchGrains(
    { make: (bytes) => (made.set(`p${made.size}`, bytes), `p${made.size - 1}`), drop: (address) => void dropped.push(address) },
    // Each look at the clock takes a thousandth of a second.
    () => now++,
    async () => meanwhile(),
    () => finer++,
  );
});
const width = (address: string) => new DataView(made.get(address)!.buffer).getInt32(18, true);

describe("grains on the bench", () => {
  test("are coarse at once, and as fine as they are seen when there was time", async () => {
    grains.begin(2, false);
    const first = grains.at("a", fill(), unturned)!;
    expect(width(first.now)).toBeLessThan(300);
    expect(first.before).toBeUndefined();
    await grains.refine();
    expect(finer).toBe(1);
    grains.begin(2, false);
    const second = grains.at("a", fill(), unturned)!;
    // 400 units at two pixels each.
    expect(width(second.now)).toBe(800);
    expect(second.before).toBe(first.now);
    await grains.refine();
    expect(finer).toBe(1);
    expect(grains.at("a", fill(), unturned)).toEqual(second);
  });

  test("a fine one stays where it is seen smaller, and is drawn anew where it is seen larger", async () => {
    grains.begin(2, false);
    grains.at("a", fill(), unturned);
    await grains.refine();
    grains.begin(1, false);
    expect(width(grains.at("a", fill(), unturned)!.now)).toBe(800);
    grains.begin(4, false);
    expect(width(grains.at("a", fill(), unturned)!.now)).toBe(800);
    await grains.refine();
    grains.begin(4, false);
    expect(width(grains.at("a", fill(), unturned)!.now)).toBe(1600);
  });

  test("nothing fine is drawn while something is dragged, nor what the next scene shows no more", async () => {
    grains.begin(2, true);
    grains.at("a", fill(1), unturned);
    await grains.refine();
    expect(finer).toBe(0);
    grains.begin(2, false);
    grains.at("a", fill(2), unturned);
    meanwhile = () => {
      grains.begin(2, false);
      grains.at("a", fill(3), unturned);
      meanwhile = () => undefined;
    };
    await grains.refine();
    grains.begin(2, false);
    expect(width(grains.at("b", fill(3), unturned)!.now)).toBe(800);
    expect(width(grains.at("c", fill(2), unturned)!.now)).toBeLessThan(300);
  });

  test("what has not been seen for long is let go, what is seen is not", () => {
    for (let seed = 0; seed < 300; seed++) {
      grains.begin(1, true);
      grains.at("a", fill(seed), unturned);
      grains.at("still", fill(-1), unturned);
    }
    expect(dropped.length).toBeGreaterThan(150);
    grains.begin(1, true);
    expect(dropped).not.toContain(grains.at("still", fill(-1), unturned)!.now);
    expect(dropped).not.toContain(grains.at("a", fill(299), unturned)!.now);
  });

  test("what a finer one stands for is let go once no place shows it, and so is what was in places that are gone", async () => {
    grains.begin(2, false);
    const coarse = grains.at("a", fill(), unturned)!.now;
    await grains.refine();
    // Shown below the fine one until that has been read.
    grains.begin(2, false);
    expect(grains.at("a", fill(), unturned)!.before).toBe(coarse);
    expect(dropped).toEqual([]);
    // A scene without that place, and one after it in which something is drawn.
    grains.begin(2, false);
    grains.begin(2, false);
    grains.at("b", fill(9), unturned);
    expect(dropped).toEqual([coarse]);
  });

  test("a scene in passing says that it is to be asked for again", async () => {
    grains.begin(2, true);
    grains.at("a", fill(), unturned);
    expect(grains.isPassing).toBe(true);
    grains.begin(2, false);
    grains.at("a", fill(), unturned);
    expect(grains.isPassing).toBe(false);
    await grains.refine();
    grains.begin(2, true);
    grains.at("a", fill(), unturned);
    expect(grains.isPassing).toBe(false);
  });

  test("photos are not theirs", () => {
    grains.begin(1, false);
    expect(grains.at("a", { ...fill(), source: { kind: "photo", photo: "x" } }, unturned)).toBeUndefined();
  });
});
