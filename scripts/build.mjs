// npm run build: the application, where its sources have changed since it was built last.
import { ensureBuild } from "./ensure.mjs";

console.log(ensureBuild() ? "Built." : "Nothing has changed since the last build.");
