/**
 * npm run inlines [-- faces [counts]]: lines along the strokes of every shipped face's letters and figures, judged by what does not draw
 * them: none crosses another, none leaves the letter, and they reach three quarters of the area of every letter that carries so many. Ends
 * with status 1 where that does not hold. Some minutes; of some faces only, and with some numbers of lines, as: anton,rye 1,3
 */
import { CurveKernel } from "../core/curves/kernel";
import { mostInlines } from "../core/drawn/inlines/inlines";
import { shippedFaces } from "../server/faces/shipped";
import { judge } from "../tests/inlines";
import { openFace } from "../tests/kernel/letters";

const signs = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789&";
/** Drawn as lines already: there are no strokes to lay any in. */
const ofLines = ["monoton"];
const [faces, counts] = process.argv.slice(2);
const kernel = new CurveKernel();
let [clean, all, carried, short] = [0, 0, 0, 0];
for (const id of faces?.split(",") ?? shippedFaces.map((f) => f.id).filter((f) => !ofLines.includes(f))) {
  const face = await openFace(id);
  for (const count of counts?.split(",").map(Number) ?? [1, 2, 3, 4, 5]) {
    const wrong: string[] = [];
    const reaches: { sign: string; reach: number; carries: boolean }[] = [];
    for (const sign of signs) {
      const glyph = face.glyphOf(sign);
      const path = glyph === undefined ? undefined : kernel.weld(face.outline(glyph));
      if (!path || path.isEmpty) continue;
      const { crossings, outside, reach } = judge(path, count, kernel);
      if (crossings || outside) wrong.push(`${sign} (${crossings ? `${crossings} cross` : `${outside} outside`})`);
      reaches.push({ sign, reach, carries: mostInlines(path, 1, kernel) >= count });
    }
    reaches.sort((a, b) => a.reach - b.reach);
    const low = reaches.filter((r) => r.carries && r.reach < 0.75).map((r) => r.sign);
    carried += reaches.filter((r) => r.carries).length;
    short += low.length;
    all += reaches.length;
    clean += reaches.length - wrong.length;
    console.log(
      `${id.padEnd(26)} ${count} lines: ${reaches.length - wrong.length} of ${reaches.length} clean, reach ${reaches[reaches.length >> 1].reach.toFixed(2)} in the median` +
        (low.length ? `, under 0.75: ${low.join(" ")}` : "") +
        (wrong.length ? `, not clean: ${wrong.join(", ")}` : ""),
    );
  }
}
console.log(`${clean} of ${all} clean; three quarters reached in ${carried - short} of the ${carried} that carry so many lines`);
if (clean < all || short) process.exitCode = 1;
