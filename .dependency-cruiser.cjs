/**
 * Imports run one way: app → views → ui, workers, storage, runtime, samples → core; runtime → core/input, core/placement
 * (and the geometry and types they stand on); cli → core. Tests may read what they test with.
 */
const TEST = "\\.test\\.tsx?$";
const only = (name, from, to, comment) => ({
  name,
  comment,
  severity: "error",
  from: { path: from, pathNot: TEST },
  to: { path: "^(app|views|ui|workers|storage|runtime|samples|cli|core|scripts|e2e|bench)/", pathNot: to },
});

module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } } },
    only("core-alone", "^core/", "^core/", "core imports only itself"),
    only(
      "runtime-small",
      "^runtime/",
      "^(runtime/|core/(input|placement|geometry|layout/(types|length|fits))/?)",
      "the runtime reads compiled layouts and needs no schema",
    ),
    only("cli", "^cli/", "^(cli|core)/", "the command line stands on core alone"),
    only("workers", "^workers/", "^(workers|core)/", "workers carry core"),
    only("storage", "^storage/", "^(storage|core)/", "storage knows core alone"),
    only("samples", "^samples/", "^(samples|core)/", "samples know core alone"),
    only("ui", "^ui/", "^(ui|core)/", "pieces of the interface know core alone"),
    only("views", "^views/", "^(views|ui|workers|storage|runtime|samples|core)/", "views do not reach into app or cli"),
    only("app", "^app/", "^(app|views|core)/", "pages mount views, route handlers call core"),
    {
      name: "core-pure",
      comment: "no React, no DOM, no Node built-ins in core",
      severity: "error",
      from: { path: "^core/", pathNot: [TEST, "^core/conformance/"] },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "core-packages",
      comment: "zod in core/layout and core/exchange alone, nothing else from outside",
      severity: "error",
      from: { path: "^core/(geometry|placement|input|checks)/", pathNot: [TEST, "^core/placement/make\\.ts$"] },
      to: { path: "node_modules" },
    },
    {
      name: "core-no-other-package",
      severity: "error",
      from: { path: "^core/", pathNot: [TEST, "^core/conformance/"] },
      to: { path: "node_modules/(?!zod/|papaparse/|@types/papaparse/)" },
    },
    {
      name: "runtime-no-package",
      comment: "the runtime has no zod and no React",
      severity: "error",
      from: { path: "^runtime/", pathNot: TEST },
      to: { path: "node_modules" },
    },
  ],
  options: { doNotFollow: { path: "node_modules" }, tsConfig: { fileName: "tsconfig.json" }, tsPreCompilationDeps: true, exclude: { path: "\\.json$" } },
};
