/** Next: everything is prerendered into plain files (out/), which scripts/serve.mjs serves; the project's own checks run before the build, so the build does not repeat them. */
export default {
  output: "export",
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  typescript: { ignoreBuildErrors: true },
};
