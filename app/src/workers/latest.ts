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
  const waiting: Input[] = [];
  let busy = false;
  const overtaken = (): boolean => waiting.length > 0;
  const work = async (first: Input): Promise<void> => {
    busy = true;
    const queue = [first];
    for (const input of queue) {
      try {
        const output = await run(input);
        if (!overtaken()) show(output);
      } catch (error) {
        if (!overtaken()) failed(error);
      }
      queue.push(...waiting.splice(0));
    }
    busy = false;
  };
  return (input) => {
    if (busy) waiting.splice(0, waiting.length, input);
    else void work(input);
  };
}
