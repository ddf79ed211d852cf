import { Budget, BudgetError } from "../curves/budget";
import { CurveError } from "../curves/errors";
import type { Kernel } from "../curves/kernel";
import { identity, multiply, rotation, scaling, translation, type Matrix } from "../curves/matrix";
import { parseSvgPath } from "../curves/parse-svg-path";
import { Path, PathBuilder } from "../curves/path";
import { Problem } from "../problem";
import { ellipsePath } from "../shape/round";
import { pxPer } from "../units";
import { readMarkup } from "./markup";

export interface SvgShapes {
  /** All geometry of the file as one path, in pixels (96 to the inch). */
  readonly path: Path;
  /** What was not brought in, in words: "2 texts", "a clipping path". */
  readonly leftOut: readonly string[];
}

interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: Element[];
}

const mostCharacters = 5_000_000;
const mostUses = 2000;
const mostNodes = 100_000;
/** Steps of work for all that is filled by the even-odd rule: about a second. */
const mostWork = 10_000_000;
/** Farther from the origin than this nothing is drawn, in pixels. */
const farthest = 1e7;

/** Elements that hold others and draw nothing themselves. */
const containers = new Set(["svg", "g", "a", "switch", "symbol", "defs"]);
/** What is neither geometry nor anything that a reader would miss. */
const silent = new Set([
  "title",
  "desc",
  "metadata",
  "style",
  "defs",
  "stop",
  "linearGradient",
  "radialGradient",
  "namedview",
  "script",
  "view",
]);
const told: Readonly<Record<string, string>> = {
  text: "text (bring it in as outlines)",
  image: "pictures",
  foreignObject: "foreign objects",
  clipPath: "clipping paths",
  mask: "masks",
  pattern: "patterns",
  filter: "filters",
  marker: "markers",
  animate: "animations",
  animateTransform: "animations",
  set: "animations",
  textPath: "text (bring it in as outlines)",
};

/**
 * The geometry of an SVG file (SVG 2, chapters 7 to 10: shapes, paths, use, symbol, nested svg, viewBox, units and transforms). Paint,
 * text, pictures and effects are left out and named. Nothing of the markup goes on: what comes back is numbers.
 * @throws Problem in the user's words
 */
export function svgShapes(svg: string, kernel: Kernel): SvgShapes {
  if (svg.length > mostCharacters) throw new Problem("This SVG is over 5 MB, far more than a shape needs.");
  const root = parseTree(svg);
  const byId = new Map<string, Element>();
  const index = (e: Element) => {
    if (e.attributes.id && !byId.has(e.attributes.id)) byId.set(e.attributes.id, e);
    e.children.forEach(index);
  };
  index(root);
  const out = new PathBuilder();
  const left = new Map<string, number>();
  let uses = 0;
  let nodes = 0;

  const budget = new Budget(mostWork);
  const untangled = (path: Path): Path => {
    try {
      return kernel.evenOdd(path, budget);
    } catch (error) {
      if (!(error instanceof BudgetError)) throw error;
      throw new Problem("This SVG crosses itself too often to be filled by the even-odd rule; simplify it before bringing it in.");
    }
  };
  const put = (path: Path, m: Matrix, e: Element) => {
    const filled = ruleOf(e) === "evenodd" ? untangled(path) : path;
    nodes += filled.nodes;
    if (nodes > mostNodes)
      throw new Problem(`This SVG has over ${mostNodes.toLocaleString("en")} nodes; simplify it before bringing it in.`);
    out.add(filled.transform(m));
  };
  const drawn = (e: Element): Path | undefined => {
    try {
      return geometryOf(e);
    } catch (error) {
      if (!(error instanceof CurveError)) throw error;
      count(left, "damaged paths");
      return Path.empty;
    }
  };
  const walk = (e: Element, m: Matrix, inside: readonly Element[], shown: boolean) => {
    if (isHidden(e)) return;
    const own = multiply(m, transformOf(e.attributes.transform));
    const path = drawn(e);
    if (path) {
      if (shown) put(path, own, e);
      return;
    }
    if (e.name === "use") {
      const target = byId.get((e.attributes.href ?? e.attributes["xlink:href"] ?? "").replace(/^#/, ""));
      if (!target) return void count(left, "references to other files");
      if (inside.includes(target)) throw new Problem("This SVG uses a part of itself inside itself, without end.");
      if (++uses > mostUses) throw new Problem(`This SVG repeats its parts over ${mostUses.toLocaleString("en")} times.`);
      const at = multiply(own, translation(length(e.attributes.x), length(e.attributes.y)));
      if (target.name === "symbol")
        target.children.forEach((c) =>
          walk(
            c,
            multiply(
              at,
              viewportOf({
                ...target,
                attributes: {
                  ...target.attributes,
                  width: e.attributes.width ?? target.attributes.width,
                  height: e.attributes.height ?? target.attributes.height,
                },
              }),
            ),
            [...inside, target],
            shown,
          ),
        );
      else walk(target, at, [...inside, target], shown);
      return;
    }
    if (containers.has(e.name)) {
      const visible = shown && e.name !== "defs" && e.name !== "symbol";
      const inner =
        e.name === "svg"
          ? multiply(multiply(own, e === root ? identity : translation(length(e.attributes.x), length(e.attributes.y))), viewportOf(e))
          : own;
      if (visible) for (const c of e.children) walk(c, inner, inside, visible);
      return;
    }
    if (shown && !silent.has(e.name)) count(left, told[e.name] ?? `“${e.name.slice(0, 20)}”`);
  };
  walk(root, identity, [root], true);
  const path = out.build();
  if (path.isEmpty) throw new Problem(`This SVG holds no shapes${left.size ? `, only ${[...left.keys()].join(", ")}` : ""}.`);
  const { minX, minY, maxX, maxY } = path.bounds;
  if (![minX, minY, maxX, maxY].every((v) => Math.abs(v) <= farthest))
    throw new Problem("This SVG draws beyond all measure: its transforms or lengths are wrong.");
  return { path, leftOut: [...left].map(([what, n]) => (n > 1 ? `${n} × ${what}` : what)) };
}

const count = (map: Map<string, number>, what: string): void => void map.set(what, (map.get(what) ?? 0) + 1);

function parseTree(svg: string): Element {
  let root: Element | undefined;
  const open: Element[] = [];
  readMarkup(svg, {
    open: (tag) => {
      const attributes = Object.fromEntries(Object.values(tag.attributes).map((a) => [a.name, a.value]));
      const element: Element = { name: tag.name.replace(/^svg:/, ""), attributes, children: [] };
      open.at(-1)?.children.push(element);
      root ??= element;
      open.push(element);
    },
    close: () => void open.pop(),
  });
  if (root?.name !== "svg") throw new Problem("This file is no SVG.");
  return root;
}

/** No length is written longer than this. */
const longestLength = 64;

/** Pixels of a length; percentages, which a shape on its own does not have the viewport for, count as nothing. */
function length(text: string | undefined, otherwise = 0): number {
  if (text !== undefined && text.length > longestLength) return otherwise;
  const m = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*([a-z%]*)\s*$/i.exec(text ?? "");
  if (!m) return otherwise;
  const per: Readonly<Record<string, number>> = {
    "": 1,
    px: 1,
    pt: pxPer.pt,
    pc: 16,
    mm: pxPer.mm,
    cm: 10 * pxPer.mm,
    in: pxPer.in,
    q: pxPer.mm / 4,
    em: 16,
    ex: 8,
  };
  const k = per[m[2].toLowerCase()];
  return k === undefined ? otherwise : Number(m[1]) * k;
}

/** A declaration of the style attribute, or the attribute of that name. */
function property(e: Element, name: string): string | undefined {
  const found = new RegExp(`(?:^|;)\\s*${name}\\s*:\\s*([^;]+)`, "i").exec(e.attributes.style ?? "");
  return (found?.[1] ?? e.attributes[name])?.trim();
}
const isHidden = (e: Element): boolean => property(e, "display") === "none" || property(e, "visibility") === "hidden";
const ruleOf = (e: Element): string | undefined => property(e, "fill-rule");

/** From the space inside an svg or symbol to that around it: viewBox and preserveAspectRatio (SVG 2, section 8.2, equivalent transform). */
function viewportOf({ attributes: a }: Element): Matrix {
  const box = (a.viewBox ?? "")
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  if (box.length !== 4 || box.some((v) => !Number.isFinite(v)) || !(box[2] > 0 && box[3] > 0)) return identity;
  const [x, y, w, h] = box;
  const [width, height] = [length(a.width, w), length(a.height, h)];
  if (!(width > 0 && height > 0)) return identity;
  const [align, fit] = (a.preserveAspectRatio ?? "xMidYMid meet").trim().split(/\s+/);
  if (align === "none") return [width / w, 0, 0, height / h, (-x * width) / w, (-y * height) / h];
  const k = fit === "slice" ? Math.max(width / w, height / h) : Math.min(width / w, height / h);
  const share = (axis: string) => (align.includes(`${axis}Min`) ? 0 : align.includes(`${axis}Max`) ? 1 : 0.5);
  return [k, 0, 0, k, -x * k + (width - w * k) * share("x"), -y * k + (height - h * k) * share("Y")];
}

/** A transform attribute as one matrix (SVG 2, section 8.5; CSS Transforms 1); what follows something that is no transform is not read. */
function transformOf(text: string | undefined): Matrix {
  let m: Matrix = identity;
  // From one to the next, without a look back: each letter is read once.
  const list = /[\s,]*([a-z]{1,16})\s*\(([^()]*)\)/iy;
  for (let found = list.exec(text ?? ""); found; found = list.exec(text ?? "")) {
    const v = found[2]
      .trim()
      .split(/[\s,]+/)
      .map((t) => parseFloat(t));
    if (v.some((n) => !Number.isFinite(n))) continue;
    const next = single(found[1].toLowerCase(), v);
    if (next) m = multiply(m, next);
  }
  return m;
}

function single(name: string, v: readonly number[]): Matrix | undefined {
  const skew = (degrees: number) => Math.tan((degrees * Math.PI) / 180);
  switch (name) {
    case "matrix":
      return v.length === 6 ? (v as unknown as Matrix) : undefined;
    case "translate":
      return translation(v[0], v[1] ?? 0);
    case "scale":
      return scaling(v[0], v[1] ?? v[0]);
    case "rotate":
      return v.length === 3 ? multiply(translation(v[1], v[2]), multiply(rotation(v[0]), translation(-v[1], -v[2]))) : rotation(v[0]);
    case "skewx":
      return [1, 0, skew(v[0]), 1, 0, 0];
    case "skewy":
      return [1, skew(v[0]), 0, 1, 0, 0];
  }
}

/** The outline of a shape element; undefined for any other. */
function geometryOf({ name, attributes: a }: Element): Path | undefined {
  const n = (key: string, otherwise = 0) => length(a[key], otherwise);
  switch (name) {
    case "path":
      return parseSvgPath(a.d ?? "");
    case "circle":
      return n("r") > 0 ? ellipsePath(n("cx"), n("cy"), n("r"), n("r")) : Path.empty;
    case "ellipse":
      return n("rx") > 0 && n("ry") > 0 ? ellipsePath(n("cx"), n("cy"), n("rx"), n("ry")) : Path.empty;
    case "rect":
      return rectangle(n("x"), n("y"), n("width"), n("height"), a.rx ?? a.ry, a.ry ?? a.rx);
    case "line":
      return parseSvgPath(`M${n("x1")} ${n("y1")}L${n("x2")} ${n("y2")}`);
    case "polyline":
    case "polygon": {
      const v = (a.points ?? "")
        .trim()
        .split(/[\s,]+/)
        .map(Number)
        .filter(Number.isFinite);
      if (v.length < 4) return Path.empty;
      return parseSvgPath(`M${v.slice(0, v.length - (v.length % 2)).join(" ")}${name === "polygon" ? "Z" : ""}`);
    }
  }
}

function rectangle(x: number, y: number, w: number, h: number, rxText: string | undefined, ryText: string | undefined): Path {
  if (!(w > 0 && h > 0)) return Path.empty;
  const [rx, ry] = [Math.min(w / 2, Math.max(0, length(rxText))), Math.min(h / 2, Math.max(0, length(ryText)))];
  if (!(rx > 0 && ry > 0)) return parseSvgPath(`M${x} ${y}h${w}v${h}h${-w}z`);
  const arc = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
  return parseSvgPath(
    `M${x + rx} ${y}h${w - 2 * rx}${arc(rx, ry)}v${h - 2 * ry}${arc(-rx, ry)}h${-(w - 2 * rx)}${arc(-rx, -ry)}v${-(h - 2 * ry)}${arc(rx, -ry)}z`,
  );
}
