import { writeFileSync } from "node:fs";
import { shippedFaces } from "../server/faces/shipped";

// The licence notice of the faces, from the list that the application itself reads.
const rows = shippedFaces.map((f) => `| ${f.name} | ${f.kind} | ${f.licence} | \`node_modules/${f.licenceFile}\` |`);
writeFileSync(
  "docs/faces.md",
  `# Faces that ship

Unchanged files of open-licence faces, installed as packages. Each package carries the full text of its licence; the
application shows it under */licences*. Made by \`npm run schemas\`.

| face | kind | licence | text |
|---|---|---|---|
${rows.join("\n")}
`,
);
