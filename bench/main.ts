/** npm run bench: everything; npm run bench -- kernel or -- edits: one of them. */
const which = process.argv[2];
if (which === undefined || which === "kernel") await import("./kernel");
if (which === undefined || which === "edits") await import("./edits");
if (which !== undefined && which !== "kernel" && which !== "edits") console.error("There are kernel and edits.");
export {};
