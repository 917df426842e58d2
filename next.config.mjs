/** Next: every page is prerendered; the project's own checks run before the build, so the build does not repeat them. */
export default {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // Nothing is changed in size on the way: a route less that anybody could ask.
  images: { unoptimized: true },
  typescript: { ignoreBuildErrors: true },
  redirects: () => [{ source: "/", destination: "/welcome", permanent: false }],
};
