import { finishKinds } from "../core/coat/finishes";
import { formStepKind, formStepKinds } from "../core/coat/forms";
import { layKinds } from "../core/coat/lays";
import { paintKinds } from "../core/coat/paints";
import { newFinish, newFormStep, newLay, newPaint, type Coat } from "../core/coat/schema";
import { toSvg } from "../core/output/svg";
import { exportArea } from "../core/output/output-kind";
import type { Param, Params } from "../core/params";
import { newLettering, newPiece, type Piece } from "../core/piece/schema";
import { compile } from "../core/piece/compile";
import type { LoadedEngine } from "../core/piece/engine";
import { flat, style } from "../demo/build";
import { exported } from "./exported";
import { Random } from "./kernel/random";
import { grounds } from "./transplants";

const inks = { Face: "#c8401f", Edge: "#1d3b4a", Light: "#f4efe4" };
const inkIds = ["face", "edge", "light"];

/** A value of its own range for a setting; undefined where chance says nothing of it. Half of the numbers lie near what is usual. */
function anyOf(p: Param, r: Random): unknown {
  const number = (min: number, max: number, usual: number) =>
    r.chance(0.5) ? r.between(min, max) : Math.min(max, Math.max(min, usual + r.between(-1, 1) * (Math.abs(usual) + 5)));
  switch (p.type) {
    case "length":
    case "number": {
      const v = number(p.min, p.max, p.default);
      return p.type === "number" && Number.isInteger(p.step) ? Math.round(v) : v;
    }
    case "angle":
      return number(p.min, p.max, p.default);
    case "seed":
      return r.whole(0, 9999);
    case "toggle":
      return r.chance(0.5);
    case "choice":
      return r.pick(p.options).value;
    case "lengths":
      return Array.from({ length: r.whole(0, 6) }, () => r.between(0, 100));
    case "direction":
      return { angle: r.between(-360, 360), distance: number(0, p.max, p.default.distance) };
    case "ink":
      return r.pick(inkIds);
    case "stops":
      return Array.from({ length: r.whole(2, 6) }, () => ({ at: r.whole(0, 100), ink: r.pick(inkIds), opacity: r.whole(0, 100) })).sort(
        (a, b) => a.at - b.at,
      );
    case "place":
      return { x: r.between(-1, 2), y: r.between(-1, 2) };
    default:
      return undefined;
  }
}

const valuesOf = (params: Params, r: Random): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(params).flatMap(([name, p]) => {
      const v = anyOf(p, r);
      return v === undefined || r.chance(0.3) ? [] : [[name, v]];
    }),
  );

/** Random settings within their own ranges, on a random word: one coat of one to three steps, with a paint, a lay and finishes. */
export function extreme(seed: number): Piece {
  const r = new Random(seed);
  const steps = formStepKinds.filter((k) => !formStepKind(k.kind).starts);
  const form = [
    newFormStep("letters", "start"),
    ...Array.from({ length: r.whole(1, 3) }, (_, i) => {
      const { kind } = r.pick(steps);
      return newFormStep(kind, `s${i}`, valuesOf(formStepKind(kind).params, r));
    }),
  ];
  const paint = r.pick(paintKinds);
  const lay = r.pick(layKinds);
  const finishes = Object.fromEntries(finishKinds.filter(() => r.chance(0.15)).map((k) => [k.kind, valuesOf(k.params, r)]));
  const coat: Coat = {
    id: "coat",
    name: form.map((s) => s.kind).join(", "),
    on: true,
    form,
    paint: r.chance(0.5) ? flat("face") : newPaint(paint.kind, valuesOf(paint.params, r)),
    passes: {},
    lay: newLay(lay.kind, valuesOf(lay.params, r)),
    finish: newFinish(finishes),
    order: [],
  };
  const ground = r.pick(grounds);
  return newPiece({
    id: `extreme-${seed}`,
    name: coat.name,
    board: { width: 1200, height: 600, unit: "px", dpi: 96, ground: null },
    items: [
      newLettering({
        ...{ id: "w", text: r.pick(ground.words), face: ground.face, size: 160, letterSpacing: r.whole(-100, 100), lineSpacing: 1 },
        ...{ align: "centre", x: 600, y: 300, turn: 0, styleId: null },
        ownStyle: style("Extreme", ground.face, "em", inks, [coat]),
      }),
    ],
  });
}

/** What came of it: what is wrong, and whether the card says why nothing is drawn where nothing is. */
export interface Extreme {
  readonly wrong: string[];
  readonly nodes: number;
  readonly empty: boolean;
  readonly message: string;
}

export function tried(piece: Piece, engine: LoadedEngine): Extreme {
  const { scene, faults, nothing } = compile(piece, new Map(), engine);
  const [item] = scene.items;
  const wrong: string[] = [];
  let nodes = 0;
  let reach = 0;
  for (const layer of item.layers)
    for (const { path, matrix, x, y } of layer.paths) {
      nodes += path.coords.length / 2;
      const own = [x, y, ...(matrix ?? [])];
      if (!own.every(Number.isFinite) || !path.coords.every(Number.isFinite)) wrong.push("a coordinate that is no number");
      for (const v of path.coords) reach = Math.max(reach, Math.abs(v));
    }
  if (reach > 1e9) wrong.push(`reaches ${reach.toExponential(0)} units`);
  const message = [...faults, ...nothing].map((f) => f.message).join(" ");
  if (/NaN|coordinate|undefined|Infinity|Invalid|not iterable|stack/i.test(message)) wrong.push(`says “${message}”`);
  if (!wrong.length) {
    const content = { ...exported(scene), piece: undefined };
    if (/NaN|Infinity|undefined/.test(toSvg(content, exportArea(scene, content.area)))) wrong.push("an SVG with what is no number");
  }
  return { wrong, nodes, empty: nodes === 0, message };
}
