/**
 * npm run solids [how many] [from]: words by chance in all faces, as bodies turned by chance, looked at in many places by rays that are
 * cast at their walls; every tenth of them with an edge of three rings or so, from before or behind, by rays that march through it. Every
 * place that lies farther than a pixel from an edge must be told right. It ends by itself.
 */
import { CurveKernel } from "../core/curves/kernel";
import { cameraOf } from "../core/depth/camera";
import { edgeProfiles } from "../core/depth/profile";
import { solidSides } from "../core/depth/solid";
import { chance } from "../core/grain/noise";
import { serverEngine } from "../server/engine";
import { shippedFaces } from "../server/faces/shipped";
import { lookedOverRim } from "../tests/rims";
import { looked, sightOf } from "../tests/solids";
import { wordOf } from "../tests/words";

const [count = 5000, from = 1] = process.argv.slice(2).map(Number);
const engine = await serverEngine();
const words = ["Rgx&8", "Ferry", "MOOR", "Qu&y", "Bakes", "Teq4", "Wgs9", "Kd@", "Zflo", "ROSE"];
const faces = shippedFaces.map((f) => f.id).filter((id) => id !== "marhey" && id !== "baloo-2");
await engine.load(faces);
const rims = [...edgeProfiles, "drawn"] as const;
let [asked, wrong, failed] = [0, 0, 0];
const kernel = new CurveKernel();
for (let seed = from; seed < from + count; seed++) {
  const face = faces[Math.floor(chance(seed, 0, 3) * faces.length)];
  const text = words[Math.floor(chance(seed, 1, 3) * words.length)];
  try {
    const front = wordOf(engine, face, text);
    if (seed % 10 === 0) {
      const rim = rims[Math.floor(chance(seed, 2, 3) * rims.length)];
      const seen = lookedOverRim(kernel, front, rim, seed % 20 ? "before" : "behind", 12, seed);
      asked += seen.asked;
      wrong += seen.wrong;
      if (seen.wrong) console.log(`wrong: ${seed} ${face} ${text} ${rim}, ${seen.wrong} of ${seen.asked}`);
    } else {
      const sight = sightOf(front, seed);
      const sides = solidSides(front, cameraOf(sight), kernel, { x: 0, y: 0, z: 1 }, { kind: "ways" });
      const seen = looked(front, sight, sides, false, 24, seed);
      asked += seen.asked;
      wrong += seen.wrong;
      if (seen.wrong) console.log(`wrong: ${seed} ${face} ${text}, ${seen.wrong} of ${seen.asked}`);
    }
  } catch (error) {
    failed++;
    console.log(`failed: ${seed} ${face} ${text}: ${(error as Error).message}`);
  }
  if ((seed - from + 1) % 250 === 0) console.log(`${seed - from + 1} bodies, ${asked} places, ${wrong} wrong, ${failed} failed`);
}
console.log(`${count} bodies, ${asked} places: ${wrong} wrong, ${failed} failed`);
process.exit(wrong || failed ? 1 : 0);
