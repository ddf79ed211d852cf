import type { Cap, Join } from "../kernel";
import type { Polygon } from "../path";

/**
 * A closed contour moved sideways by `distance`, with joins at the corners that open and a pass through the
 * original vertex at those that close. It crosses itself; its region of positive winding is the parallel
 * outline (Chen and McMains, Polygon Offsetting by Computing Winding Numbers, ASME DETC 2005).
 *
 * @param contour at least 3 points; positive area for an outer, negative for a counter
 * @param distance units; above 0 moves to the outside of a positive contour
 * @param tolerance how far the chords of a round join may lie from the arc, in units
 * @param cap how a turn of half a circle is closed; such turns are the two ends of an open line run there and back
 */
export function rawOutline(contour: Polygon, distance: number, join: Join, tolerance: number, cap?: Cap): Polygon {
  const n = contour.length / 2;
  const out: number[] = [];
  const normalX = new Float64Array(n);
  const normalY = new Float64Array(n);
  const lengths = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const k = i + 1 === n ? 0 : i + 1;
    const dx = contour[2 * k] - contour[2 * i];
    const dy = contour[2 * k + 1] - contour[2 * i + 1];
    const length = Math.hypot(dx, dy);
    lengths[i] = length;
    normalX[i] = dy / length;
    normalY[i] = -dx / length;
  }
  const reach = Math.abs(distance);
  // The chord of angle a lies d (1 - cos(a / 2)) inside its arc.
  const arcStep = 2 * Math.acos(Math.max(0, 1 - Math.min(tolerance, reach) / reach));

  // Written without closures or small arrays: this runs for every point of every grown letter.
  for (let i = 0; i < n; i++) {
    const h = i === 0 ? n - 1 : i - 1;
    const x = contour[2 * i];
    const y = contour[2 * i + 1];
    const ax = normalX[h];
    const ay = normalY[h];
    const bx = normalX[i];
    const by = normalY[i];
    const cos = ax * bx + ay * by;
    const sin = ax * by - ay * bx;
    const back = cos <= -0.999999;

    if (back && cap !== undefined) {
      addCap(out, x, y, ax, ay, distance, cap, arcStep);
      continue;
    }
    let meets: boolean;
    if (sin * distance > 0) {
      const ratio = back ? Infinity : Math.sqrt(2 / (1 + cos)); // 1 / cos(turn / 2) = 1 / sin(theta / 2)
      meets = reach * (ratio - 1) < tolerance || (join.kind === "miter" && ratio <= join.limit);
      if (!meets && join.kind === "round") {
        addArc(out, x, y, ax * distance, ay * distance, Math.atan2(sin, cos), arcStep);
        continue;
      }
    } else {
      // A gentle inner turn, as flattened curves have: the shifted edges meet, d tan(turn / 2) along each, before they
      // run out. At a sharper one the outline passes through the vertex itself.
      const along = back ? Infinity : Math.abs(sin) / (1 + cos);
      meets = reach * along < 0.5 * Math.min(lengths[h], lengths[i]);
      if (!meets) {
        out.push(x + ax * distance, y + ay * distance, x, y, x + bx * distance, y + by * distance);
        continue;
      }
    }
    if (meets) {
      const k = distance / (1 + cos);
      out.push(x + (ax + bx) * k, y + (ay + by) * k);
    } else out.push(x + ax * distance, y + ay * distance, x + bx * distance, y + by * distance);
  }
  return Float64Array.from(out);
}

/** Points from (x + vx, y + vy) round (x, y) by `angle` radians. */
function addArc(out: number[], x: number, y: number, vx: number, vy: number, angle: number, step: number): void {
  const steps = Math.max(1, Math.ceil(Math.abs(angle) / step));
  for (let k = 0; k <= steps; k++) {
    const t = (angle * k) / steps;
    out.push(x + vx * Math.cos(t) - vy * Math.sin(t), y + vx * Math.sin(t) + vy * Math.cos(t));
  }
}

function addCap(out: number[], x: number, y: number, ax: number, ay: number, d: number, cap: Cap, step: number): void {
  const [vx, vy] = [ax * d, ay * d];
  if (cap === "round") addArc(out, x, y, vx, vy, d > 0 ? Math.PI : -Math.PI, step);
  else if (cap === "butt") out.push(x + vx, y + vy, x - vx, y - vy);
  else {
    // Forward along the line that ends here: the normal turned a quarter, by as much as half the width.
    const [fx, fy] = [-ay * Math.abs(d), ax * Math.abs(d)];
    out.push(x + vx + fx, y + vy + fy, x - vx + fx, y - vy + fy);
  }
}
