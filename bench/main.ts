/** npm run bench: everything; npm run bench -- kernel, stack, edits, bends, styles or depth: one of them. */
const benches = {
  kernel: () => import("./kernel"),
  stack: () => import("./stack"),
  edits: () => import("./edits"),
  bends: () => import("./bends"),
  styles: () => import("./styles"),
  depth: () => import("./depth"),
};
const which = process.argv[2];
const wanted = Object.entries(benches).filter(([name]) => which === undefined || which === name);
if (!wanted.length) console.error(`There are ${Object.keys(benches).join(", ")}.`);
for (const [, run] of wanted) await run();
export {};
