import { describe, expect, it } from 'vitest';
import { latestWins } from '../src/workers/latest';

/** A slow step that finishes when it is told to. */
function slow() {
  const under: {
    readonly input: number;
    readonly finish: (output: string) => void;
    readonly fail: (error: Error) => void;
  }[] = [];
  const run = (input: number): Promise<string> =>
    new Promise((resolve, reject) => {
      under.push({ input, finish: resolve, fail: reject });
    });
  return { run, under };
}

const settle = async (): Promise<void> => {
  for (let turn = 0; turn < 10; turn++) await Promise.resolve();
};

describe('work off the main thread', () => {
  it('runs once at a time and then for the newest input only', async () => {
    const { run, under } = slow();
    const shown: string[] = [];
    const ask = latestWins(
      run,
      (output) => shown.push(output),
      () => undefined,
    );
    ask(1);
    ask(2);
    ask(3);
    expect(under.map((each) => each.input)).toEqual([1]);
    under[0]?.finish('first');
    await settle();
    expect(shown).toEqual([]);
    expect(under.map((each) => each.input)).toEqual([1, 3]);
    under[1]?.finish('third');
    await settle();
    expect(shown).toEqual(['third']);
    ask(4);
    expect(under.length).toBe(3);
    under[2]?.finish('fourth');
    await settle();
    expect(shown).toEqual(['third', 'fourth']);
  });

  it('tells of a failure that still counts, and goes on', async () => {
    const { run, under } = slow();
    const [shown, failed]: [string[], unknown[]] = [[], []];
    const ask = latestWins(
      run,
      (output) => shown.push(output),
      (error) => failed.push(error),
    );
    ask(1);
    ask(2);
    under[0]?.fail(new Error('overtaken'));
    await settle();
    expect(failed).toEqual([]);
    under[1]?.fail(new Error('broken'));
    await settle();
    expect(failed.map(String)).toEqual(['Error: broken']);
    ask(3);
    under[2]?.finish('well');
    await settle();
    expect(shown).toEqual(['well']);
  });
});
