/** npm run bench: everything; npm run bench -- kernel, edits or bends: one of them. */
const which = process.argv[2];
if (which === undefined || which === "kernel") await import("./kernel");
if (which === undefined || which === "edits") await import("./edits");
if (which === undefined || which === "bends") await import("./bends");
if (which !== undefined && !["kernel", "edits", "bends"].includes(which)) console.error("There are kernel, edits and bends.");
export {};
