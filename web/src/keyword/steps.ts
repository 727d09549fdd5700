/** Goes on with work that the server does in steps, and says how far it is. */
export async function inSteps(
  step: (after: number) => Promise<{ given: number; after: number }>,
  onProgress: (done: number) => void,
): Promise<number> {
  let done = 0;
  let after = 0;
  do {
    const result = await step(after);
    done += result.given;
    after = result.after;
    onProgress(done);
  } while (after !== 0);
  return done;
}
