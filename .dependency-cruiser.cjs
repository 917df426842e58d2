/**
 * Imports run one way: app → views → ui, workers, storage, runtime, samples → core; inside core
 * engine ← format ← derived ← editing ← checks, wiring, scan, versions ← exchange; checks ← drawing ← report ← handoff; runtime → core/engine and nothing else; parcels → runtime, core; cli, server → parcels, core.
 * Types count as imports do, and no circle is allowed anywhere, of types neither. Tests may read what they test with.
 */
const TEST = "(\\.test\\.tsx?$|^test/)";
const HOUSE = "^(app|views|ui|workers|storage|runtime|samples|cli|core|server|page|parcels|scripts|e2e|bench|test)/";
const only = (name, from, to, comment) => ({
  name,
  comment,
  severity: "error",
  from: { path: from, pathNot: TEST },
  to: { path: HOUSE, pathNot: to },
});
/** A room of the core and the rooms it may look into, its own among them. */
const room = (name, others, comment) => only(`core-${name}`, `^core/${name}/`, `^core/(${[name, ...others].join("|")})/`, comment);
/** Nothing of these packages may be reached from here, however long the way. */
const neverReaches = (name, from, packages, comment) => ({
  name,
  comment,
  severity: "error",
  from: { path: from, pathNot: TEST },
  to: { path: packages, reachable: true },
});

module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    only("core-alone", "^core/", "^core/", "core imports only itself"),
    room("engine", [], "all that a game must carry: it imports nothing but itself"),
    room("format", ["engine"], "the file stands on the engine's types"),
    room("derived", ["engine", "format"], "what follows from a layout, kept by identity"),
    room("editing", ["engine", "format", "derived"], "layout in, layout or reasons out"),
    room("checks", ["engine", "format", "derived", "editing"], "findings follow from a layout on a screen"),
    room("settle", ["engine", "format", "derived", "editing", "checks"], "the least change that mends every screen; the checks decide"),
    room("wiring", ["engine", "format", "derived", "editing"], "what fits what"),
    room("versions", ["engine", "format", "derived", "editing"], "what changed between versions of a layout, and the log of it"),
    room("rehearsal", ["engine", "format", "derived"], "what is learnt from a rehearsal: what was given, by which touch, how it felt"),
    room("scan", ["engine", "format", "editing"], "a game's code against the ledger"),
    room(
      "exchange",
      ["engine", "format", "derived", "editing", "checks", "wiring", "scan", "versions", "rehearsal", "drawing"],
      "readers and writers of formats",
    ),
    room("drawing", ["engine", "format", "derived", "checks"], "drawings of layouts and of what is found, as SVG"),
    room("report", ["engine", "format", "derived", "checks", "drawing", "versions"], "the report: one document of it all"),
    room(
      "handoff",
      ["engine", "format", "derived", "checks", "drawing", "report", "versions", "exchange", "wiring"],
      "what is told of a layout to those who have no reader of it",
    ),
    only("runtime-small", "^runtime/", "^(runtime|core/engine)/", "a game carries the engine and the runtime, nothing of the editor"),
    only("cli", "^cli/", "^((cli|parcels|core)/|scripts/build-cli)", "the command line stands on core and the parcels, and its launcher on what builds it"),
    only("server", "^server/", "^(server|parcels|core)/", "route handlers call core and the parcels"),
    only("parcels", "^parcels/", "^(parcels|runtime|core)/", "what leaves, drawn by the hand that draws in the game"),
    only("page", "^page/", "^(page|runtime|samples|core)/", "the page that plays by itself: a layout, what plays it, and the yard"),
    only("workers", "^workers/", "^(workers|storage|core)/", "workers carry core, and what storage makes of it"),
    only("storage", "^storage/", "^(storage|core)/", "storage knows core alone"),
    only("samples", "^samples/", "^(samples|core)/", "samples know core alone"),
    only("ui", "^ui/", "^(ui|core)/", "pieces of the interface know core alone"),
    only("views", "^views/", "^(views|ui|workers|storage|parcels|runtime|samples|core)/", "views do not reach into app or cli"),
    {
      name: "features-apart",
      comment: "features share document, canvas, fields, shell and interaction, and do not import each other; only the shell mounts them",
      severity: "error",
      from: { path: "^views/([^/]+)/", pathNot: `(^views/shell/|${TEST})` },
      to: { path: "^views/[^/]+/", pathNot: "^views/($1|document|canvas|fields|shell|interaction)/" },
    },
    {
      name: "views-shared",
      comment: "what features share does not import features",
      severity: "error",
      from: { path: "^views/(document|canvas|fields|interaction)/", pathNot: TEST },
      to: { path: "^views/", pathNot: "^views/(document|canvas|fields|shell|interaction)/" },
    },
    only("app", "^app/", "^(app|views|server|core)/", "pages mount views, route handlers call server"),
    {
      name: "no-tests-carried",
      comment: "what tests use stands in test/ and is carried nowhere",
      severity: "error",
      from: { path: "^(app|views|ui|workers|storage|parcels|runtime|samples|cli|core)/", pathNot: TEST },
      to: { path: "(^test/|\\.test\\.tsx?$)" },
    },
    {
      name: "core-pure",
      comment: "no React, no DOM, no Node built-ins in core: it reads no files",
      severity: "error",
      from: { path: "^core/", pathNot: TEST },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "core-packages",
      comment: "zod in format and exchange, a hash in format, papaparse and fflate in exchange; no other package in core",
      severity: "error",
      from: { path: "^core/", pathNot: TEST },
      to: { path: "node_modules/(?!zod/|papaparse/|fflate/|@types/papaparse/|@noble/hashes/)" },
    },
    {
      name: "core-packages-by-room",
      severity: "error",
      from: { path: "^core/(?!format/|exchange/)", pathNot: [TEST, "^core/(editing|wiring)/", "^core/settle/quadratic"] },
      to: { path: "node_modules" },
    },
    neverReaches("engine-reaches-no-package", "^(core/engine|runtime)/", "node_modules", "a game carries no package, by no way"),
    neverReaches("engine-reaches-no-editor", "^(core/engine|runtime)/", "^core/(?!engine/)", "a game carries nothing of the editor, by no way"),
  ],
  options: { doNotFollow: { path: "node_modules" }, tsConfig: { fileName: "tsconfig.json" }, tsPreCompilationDeps: true, exclude: { path: "\\.json$" } },
};
