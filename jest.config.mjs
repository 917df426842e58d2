/** Unit tests: files next to what they test, compiled by swc, in plain Node. */
export default {
  // Generous: a stuck test ends after minutes, a slow machine fails nothing.
  testTimeout: 600_000,
  testEnvironment: "node",
  // What every module reads at once: else each use of them is a question to the sandbox, by which calculations take three times as long.
  sandboxInjectedGlobals: ["Math", "Set", "WeakMap", "Object", "Array", "Number", "Float64Array", "JSON", "String"],
  setupFiles: ["<rootDir>/test/seed.ts"],
  roots: [
    "<rootDir>/core",
    "<rootDir>/runtime",
    "<rootDir>/parcels",
    "<rootDir>/ports",
    "<rootDir>/cli",
    "<rootDir>/storage",
    "<rootDir>/views",
    "<rootDir>/workers",
    "<rootDir>/ui",
    "<rootDir>/samples",
    "<rootDir>/test",
    "<rootDir>/scripts",
    "<rootDir>/server",
  ],
  testMatch: ["**/*.test.ts", "**/*.test.tsx"],
  // Written as modules alone, which jest does not run as they are.
  transformIgnorePatterns: ["/node_modules/(?!(potpack|d3-contour|d3-array|internmap)/)"],
  transform: {
    "^.+\\.(ts|tsx|mjs|js)$": [
      "@swc/jest",
      { jsc: { parser: { syntax: "typescript", tsx: true }, target: "es2022", transform: { react: { runtime: "automatic" } } } },
    ],
  },
};
