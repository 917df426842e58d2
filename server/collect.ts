/**
 * Gives memory back after many or large bodies. V8 frees the buffers of what has been read only when it next collects all, and a server that has nothing
 * to do allocates nothing: without this it would hold what it was sent until somebody asks again.
 */
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";

/** Bodies that come to less than this together leave nothing worth collecting, bytes. */
const LARGE_BYTES = 1024 * 1024;
/** How long after the last body it is collected, ms. */
const QUIET_MS = 2000;

/** Creates what is reported the size of each body that is done with. */
export function createCollector(): (bytes: number) => void {
  setFlagsFromString("--expose-gc");
  const collect = runInNewContext("gc") as () => void;
  let timer: NodeJS.Timeout | undefined;
  let left = 0;
  return (bytes) => {
    left += bytes;
    if (left < LARGE_BYTES) return;
    clearTimeout(timer);
    timer = setTimeout(() => {
      left = 0;
      collect();
    }, QUIET_MS).unref();
  };
}
