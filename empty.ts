// Stands in for Node's "module" in the browser bundle: the WebAssembly glue names it and never calls it there.
export const createRequire = undefined;
