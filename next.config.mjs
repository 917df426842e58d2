/** Next: everything is prerendered; the project's own checks run before the build, so the build does not repeat them. */
export default {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  typescript: { ignoreBuildErrors: true },
};
