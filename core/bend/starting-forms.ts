import { meshOf, type Mesh } from "./mesh";

/** A form to start an envelope from: what the edges of a straight block become at a strength from -1 to 1. */
export interface StartingForm {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly mesh: (strength: number) => Mesh;
}

const arch = (u: number) => 4 * u * (1 - u);
const halves = [0, 0.5, 1];
const quarters = [0, 0.25, 0.5, 0.75, 1];

const form = (
  id: string,
  label: string,
  hint: string,
  map: (a: number) => (u: number, v: number) => [number, number],
  across?: number[],
  down?: number[],
): StartingForm => ({
  id,
  label,
  hint,
  mesh: (strength) => meshOf(map(strength), across, down),
});

/** Height of the block that stays at the strength of 1 is never nothing: letters stay letters. */
export const startingForms: readonly StartingForm[] = [
  form("bowed", "Bowed", "Both edges arch up alike", (a) => (u, v) => [u, v - 0.7 * a * arch(u)]),
  form("domed", "Domed", "The top arches, the feet stand level", (a) => (u, v) => [u, v - 0.9 * a * arch(u) * (1 - v)]),
  form("hung", "Hung", "The heads are level, the bottom hangs in a bow", (a) => (u, v) => [u, v + 0.9 * a * arch(u) * v]),
  form("waisted", "Waisted", "Tall at both ends, low in the middle", (a) => (u, v) => [
    u,
    0.5 + (v - 0.5) * (1 + a * (0.9 - 1.35 * arch(u))),
  ]),
  form("swelling", "Swelling", "Tall in the middle, low at the ends", (a) => (u, v) => [
    u,
    0.5 + (v - 0.5) * (1 + a * (0.95 * arch(u) - 0.35)),
  ]),
  form("tapering", "Tapering", "Runs out to the right", (a) => (u, v) => [u, 0.5 + (v - 0.5) * (1 + 0.6 * a * (1 - 2 * u))]),
  form("climbing", "Climbing", "Rises to the right, the stems upright", (a) => (u, v) => [u, v - a * (u - 0.5) * 1.1]),
  form("ramped", "Ramped", "The heads step up to the right, the feet stand level", (a) => (u, v) => [
    u,
    v - 0.8 * a * u * u * (3 - 2 * u) * (1 - v),
  ]),
  form("billowing", "Billowing", "A wave through both edges", (a) => (u, v) => [u, v - 0.4 * a * Math.sin(2 * Math.PI * u)], quarters),
  form("cresting", "Cresting", "The top gathers to a crest near the right", (a) => (u, v) => [
    u,
    v - 0.9 * a * 6.75 * u * u * (1 - u) * (1 - v),
  ]),
  form(
    "pinched",
    "Pinched",
    "Both ends are drawn in at half their height",
    (a) => (u, v) => [0.5 + (u - 0.5) * (1 - 0.16 * a * arch(v)), v],
    undefined,
    halves,
  ),
  form("laid-back", "Laid back", "Narrow at the heads, wide at the feet, as on a road", (a) => (u, v) => [
    0.5 + (u - 0.5) * (1 - 0.45 * a * (1 - v)),
    v,
  ]),
  form(
    "fanned",
    "Fanned",
    "Spread like a hand of cards",
    (a) => (u, v) => {
      // Rows are circles about one centre below, columns its rays.
      const angle = (u - 0.5) * a * 1.4;
      if (Math.abs(a) < 1e-3) return [u, v];
      const reach = 2.2 / Math.abs(a);
      const r = a > 0 ? reach + 1 - v : reach + v;
      const k = 1 / (1.4 * Math.abs(a) * (reach + 0.5));
      return a > 0
        ? [0.5 + Math.sin(angle) * r * k, 1 + reach - Math.cos(angle) * r]
        : [0.5 - Math.sin(angle) * r * k, -reach + Math.cos(angle) * r];
    },
    halves,
  ),
  form(
    "twisted",
    "Twisted",
    "Turned about the middle, the ends held",
    (a) => (u, v) => {
      const [x, y] = [u - 0.5, v - 0.5];
      const held = 1 - 4 * x * x;
      const angle = a * 0.6 * held;
      return [0.5 + x - Math.sin(angle) * y * 0.35, 0.5 + y * Math.cos(angle) + a * 1.5 * x * held];
    },
    quarters,
  ),
];

export const startingForm = (id: string): StartingForm | undefined => startingForms.find((f) => f.id === id);
