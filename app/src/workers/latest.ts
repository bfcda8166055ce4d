/**
 * Runs a slow step for the newest input only: while one run is under way, later inputs replace each other, and a result
 * that has been overtaken is not shown.
 *
 * @param run the slow step
 * @param show gets each result that still counts
 * @param failed gets what a run threw, where it still counts
 */
export function latestWins<Input, Output>(
  run: (input: Input) => Promise<Output>,
  show: (output: Output) => void,
  failed: (error: unknown) => void,
): (input: Input) => void {
  let waiting: { readonly input: Input } | null = null;
  let busy = false;
  const next = async (input: Input): Promise<void> => {
    busy = true;
    try {
      const output = await run(input);
      if (waiting === null) show(output);
    } catch (error) {
      // A newer input may have come while this one ran.
      if ((waiting as unknown) === null) failed(error);
    }
    busy = false;
    const following = waiting as { readonly input: Input } | null;
    waiting = null;
    if (following) void next(following.input);
  };
  return (input) => {
    if (busy) waiting = { input };
    else void next(input);
  };
}
