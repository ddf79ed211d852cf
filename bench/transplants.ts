/**
 * npm run transplants [-- count]: every shipped style on words, faces and scripts it was not made for (600): nothing that is no number,
 * no sliver, nothing out of its bounds, no coat that cannot be drawn, and the same twice. Ends with status 1 where something is wrong.
 */
import { demoStyles } from "../demo/styles";
import { engineWith } from "../tests/engine";
import { faultsOf, grounds, transplants } from "../tests/transplants";

const engine = await engineWith(...grounds.map((g) => g.face));
let wrong = 0;
const all = transplants(demoStyles(), Number(process.argv[2] ?? 600));
for (const [i, t] of all.entries()) {
  const faults = faultsOf(t, engine);
  if (faults.length) {
    wrong++;
    console.log(`${t.style.name} on “${t.text}” in ${t.face}: ${[...new Set(faults)].join("; ")}`);
  }
  if ((i + 1) % 100 === 0) console.log(`${i + 1} transplants, ${wrong} wrong`);
}
console.log(`${all.length} transplants, ${wrong} wrong`);
if (wrong) process.exitCode = 1;
