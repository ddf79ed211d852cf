import { apply, multiply, rotation, translation, type Matrix, type Point } from "../curves/matrix";
import type { NamedWarp } from "../curves/warp";

const { cos, PI, sin, tan } = Math;

/** A mirror that lies on the ground below letters, or hangs over them. Units, degrees and shares. */
export interface Mirror {
  /** A place on the line that letters meet it in, and how that line rises to the right. */
  readonly at: Point;
  readonly slope: number;
  /** Whether the picture lies below the line. */
  readonly below: boolean;
  /** Between the letters and their picture. */
  readonly gap: number;
  /** How tall the picture is, as a share of the letters; how tall these are. */
  readonly tall: number;
  readonly height: number;
  readonly lean: number;
  /** How much wider the picture is at its far end: 0 where it is seen from far away, above -1. */
  readonly spread: number;
  readonly wave: { readonly height: number; readonly length: number };
}

/**
 * Where a place is seen in a mirror: its height over the line becomes a depth under it. Of a plain mirror the map is its own inverse.
 * @returns a matrix, where the map is affine, and the map itself
 */
export function reflectionOf(mirror: Mirror): { matrix?: Matrix; map: NamedWarp } {
  const { at, slope, below, gap, tall, height, lean, spread, wave } = mirror;
  const side = below ? 1 : -1;
  const slant = tan((lean * PI) / 180) * tall;
  // Into the frame of the line: x along it, heights towards the letters below 0.
  const into = multiply(rotation(-slope), translation(-at.x, -at.y));
  const back = multiply(translation(at.x, at.y), rotation(slope));
  // y, which is -h, to gap + tall h; x to x + slant h.
  const plain: Matrix = [1, 0, -slant * side, -tall, 0, side * gap];
  const affine = multiply(back, multiply(plain, into));
  const key = JSON.stringify(mirror);
  if (spread === 0 && wave.height === 0)
    return {
      matrix: affine,
      map: { key, warp: (x, y, out) => write(out, apply(affine, { x, y }), affine) },
    };
  const turn = (slope * PI) / 180;
  const [c, s] = [cos(turn), sin(turn)];
  return {
    map: {
      key,
      warp: (x, y, out) => {
        const p = apply(into, { x, y });
        const h = -side * p.y;
        // A ground that runs towards the eye: both ways grow with the depth (a homography of the plane).
        const far = spread / (1 + spread);
        const w = 1 - (far * h) / height;
        const depth = (tall * h) / w;
        const [dDepth, dw] = [(tall * (w + (far * h) / height)) / (w * w), -far / height];
        const phase = wave.length > 0 ? (2 * PI * depth) / wave.length : 0;
        const grown = wave.height * (0.3 + (0.7 * depth) / (tall * height));
        const u = p.x / w + (slant * h) / w + grown * sin(phase);
        const dGrown = (wave.height * 0.7) / (tall * height);
        const dWave = (dGrown * sin(phase) + (wave.length > 0 ? grown * cos(phase) * ((2 * PI) / wave.length) : 0)) * dDepth;
        const du = -(p.x * dw) / (w * w) + (slant * (w - h * dw)) / (w * w) + dWave;
        const v = side * (gap + depth);
        // Derivatives in the frame: by x, and by y, which is -side h.
        const [ux, uy, vy] = [1 / w, -side * du, -dDepth];
        out[0] = at.x + c * u - s * v;
        out[1] = at.y + s * u + c * v;
        // The turn back, the map, the turn into the frame.
        const [ax, ay] = [c * ux, s * ux];
        const [bx, by] = [c * uy - s * vy, s * uy + c * vy];
        out[2] = ax * c - bx * s;
        out[3] = ay * c - by * s;
        out[4] = ax * s + bx * c;
        out[5] = ay * s + by * c;
      },
    },
  };
}

function write(out: Float64Array, p: Point, m: Matrix): void {
  out[0] = p.x;
  out[1] = p.y;
  [out[2], out[3], out[4], out[5]] = m;
}

/** How deep under the line the picture of a height lies, in units; as a share of the height it is of. */
export function depthOf({ tall, height, spread }: Mirror, share: number): number {
  const far = spread / (1 + spread);
  return (tall * height * share) / (1 - far * share);
}
