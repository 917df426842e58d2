/** Runs steps to their end; gives what comes of them. */
export async function finish<T>(steps: AsyncGenerator<unknown, T>): Promise<T> {
  for (;;) {
    const step = await steps.next();
    if (step.done) return step.value;
  }
}
