import { isEmpty } from "../curves/bounds";
import { identity, multiply, rotation, translation, type Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import type { LetterChange, Loosen } from "./options";

const kept = memoByIdentity<Path, Path>(48);

/** An outline under a map, the same object for the same map. */
export const placed = (outline: Path, m: Matrix): Path => {
  const key = m.map((v) => v.toFixed(5)).join();
  return key === plain ? outline : kept(outline, key, () => outline.transform(m));
};
const plain = identity.map((v) => v.toFixed(5)).join();

/** What a change does to a letter, about the middle of its ink. */
export function changeMatrix(outline: Path, c: LetterChange): Matrix {
  if (c.turn === 0 && c.width === 1 && c.height === 1 && c.slant === 0) return identity;
  const b = outline.bounds;
  const middle = isEmpty(b) ? { x: 0, y: 0 } : { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 };
  const lean: Matrix = [1, 0, -Math.tan((c.slant * Math.PI) / 180), 1, 0, 0];
  const stretch: Matrix = [c.width, 0, 0, c.height, 0, 0];
  return about(middle, multiply(rotation(c.turn), multiply(lean, stretch)));
}

const about = (p: { x: number; y: number }, m: Matrix): Matrix => multiply(translation(p.x, p.y), multiply(m, translation(-p.x, -p.y)));

/** What loosening does to the letter that is number `index` in its text: the same for the same seed, whatever the others are. */
export function loosened(
  outline: Path,
  { shift, turn, size, seed }: Loosen,
  index: number,
): { readonly matrix: Matrix; readonly right: number; readonly down: number } {
  const random = generator(seed * 7919 + index * 104729 + 1);
  const [r, d, t, s] = [random(), random(), random(), random()];
  const b = outline.bounds;
  const middle = isEmpty(b) ? { x: 0, y: 0 } : { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 };
  const k = 1 + (s * size) / 100;
  return { matrix: about(middle, multiply(rotation(t * turn), [k, 0, 0, k, 0, 0])), right: r * shift, down: d * shift };
}

/** Random numbers from -1 to 1: mulberry32, public domain, by T. Ettinger. */
function generator(seed: number): () => number {
  let a = seed | 0;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return (((t ^ (t >>> 14)) >>> 0) / 4294967296) * 2 - 1;
  };
}
