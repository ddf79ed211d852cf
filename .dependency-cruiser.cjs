/** The house: which folder may import which. Values flow one way. */
const only = (name, from, allowed) => ({
  name,
  severity: "error",
  from: { path: from, pathNot: "\\.test\\.tsx?$" },
  to: { pathNot: [...allowed, "node_modules", "^types/"], dependencyTypesNot: ["core"] },
});

module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    only("core-is-alone", "^core/", ["^core/"]),
    {
      name: "core-has-no-platform",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { path: "(^|/)node_modules/(react|next|@libsql|drizzle-orm|comlink)", dependencyTypesNot: ["type-only"] },
    },
    {
      name: "core-has-no-node",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "scene-and-output-know-no-coats",
      severity: "error",
      from: { path: "^core/(scene|output)/", pathNot: "\\.test\\.ts$" },
      to: { path: "^core/(coat|depth|style|piece|lettering|bend|proof|input)/" },
    },
    {
      name: "curves-stand-alone",
      severity: "error",
      from: { path: "^core/curves/", pathNot: "\\.test\\.ts$" },
      to: { path: "^core/", pathNot: "^core/(curves/|memo\\.ts|problem\\.ts)" },
    },
    only("worker-around-core", "^worker/", ["^core/", "^worker/"]),
    only("wire-is-schemas", "^wire/", ["^core/", "^wire/"]),
    only("server-reads-core-and-demo", "^server/", ["^core/", "^server/", "^demo/", "^wire/"]),
    only("demo-is-data", "^demo/", ["^core/", "^demo/"]),
    only("cli-without-interface", "^cli/", ["^core/", "^server/", "^demo/", "^cli/", "^wire/"]),
    only("studio-reaches-data-through-its-client", "^studio/", ["^core/", "^worker/", "^studio/", "^wire/"]),
    only("app-is-thin", "^app/", ["^core/", "^server/", "^studio/", "^app/", "^wire/"]),
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "^(\\.next|tests|e2e|bench|scripts)/" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "default", "types"] },
  },
};
