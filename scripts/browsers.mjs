/** Where Debian puts browsers that run the tests, the quickest first: Chromium without its own interface opens a page in half the processor time. */
export const BROWSERS = ["/usr/lib/chromium/chromium-headless-shell", "/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome"];
