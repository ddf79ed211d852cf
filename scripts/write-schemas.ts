import { mkdirSync, writeFileSync } from "node:fs";
import * as z from "zod";
import { pieceFileSchema, pieceSchema } from "../core/piece/schema";
import { librarySchema, styleFileSchema } from "../core/style/library";

// The published formats. `io: "input"` describes what a file may hold, before defaults are filled in.
mkdirSync("docs/schemas", { recursive: true });
for (const [name, schema] of Object.entries({ piece: pieceSchema, style: styleFileSchema, library: librarySchema, file: pieceFileSchema }))
  writeFileSync(`docs/schemas/${name}.schema.json`, `${JSON.stringify(z.toJSONSchema(schema, { io: "input", reused: "ref" }), null, 1)}\n`);
