import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { planDocument } from '../src/kernel/plan';
import { houseRules } from '../src/rules';
import { STAGES } from '../src/stages';
import { cutRulesOf } from '../src/stages/courses/rest';
import { barSize } from '../src/stages/steel';
import { work } from '../src/work';
import { demoPlan } from './support/demo';

const SOURCE = join(dirname(fileURLToPath(import.meta.url)), '../src');

/** An `@example` of a docstring: an expression, and what it gives. */
interface Example {
  readonly file: string;
  readonly code: string;
  readonly gives: string | undefined;
}

const examples = readdirSync(SOURCE, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts'))
  .flatMap((file): Example[] =>
    [...readFileSync(join(SOURCE, file), 'utf8').matchAll(/@example (.*)$/gm)].map(([, line = '']) => {
      const at = line.indexOf(' // ');
      return at < 0
        ? { file, code: line, gives: undefined }
        : { file, code: line.slice(0, at), gives: line.slice(at + 4) };
    }),
  );

/** What examples speak of without saying where it comes from. */
async function things(): Promise<Readonly<Record<string, unknown>>> {
  const plan = demoPlan();
  const rules = houseRules();
  const worked = work(plan);
  const [pour] = worked.pour.pours;
  const fetched = await Promise.all(STAGES.flatMap(({ file }) => file?.() ?? []));
  const files = fetched.map(({ file }) => file);
  return {
    plan,
    rules,
    files,
    document: planDocument(files, []),
    pour,
    span: pour?.span,
    day: pour?.day,
    size: barSize('#4'),
    cutRules: worked.system && cutRulesOf(worked.system, rules),
    before: plan,
  };
}

const load = (file: string): Promise<Readonly<Record<string, unknown>>> =>
  import(/* @vite-ignore */ join(SOURCE, file)) as Promise<Readonly<Record<string, unknown>>>;

/** Everything that core offers, by name, with the file's own exports over it. */
async function scopeOf(file: string): Promise<Readonly<Record<string, unknown>>> {
  const offered = readdirSync(SOURCE, { recursive: true, encoding: 'utf8' }).filter(
    (each) => each.endsWith('/index.ts') || ['plan.ts', 'planFile.ts', 'rules.ts', 'work.ts'].includes(each),
  );
  const all = await Promise.all([...offered, file].map(load));
  return Object.assign({}, ...all, await things()) as Readonly<Record<string, unknown>>;
}

/** Evaluates an expression of ours: nothing from outside comes in here. */
function valueOf(code: string, scope: Readonly<Record<string, unknown>>): unknown {
  const names = Object.keys(scope).filter((name) => /^\w+$/.test(name) && name !== 'default');
  const run = new Function(...names, `return (${code});`) as (...values: unknown[]) => unknown;
  return run(...names.map((name) => scope[name]));
}

describe('examples of the docstrings', () => {
  it('are there to be run', () => {
    expect(examples.length).toBeGreaterThan(90);
  });

  it.each(examples.map((each) => [relative('.', each.file), each.code, each] as const))(
    '%s: %s',
    async (_file, _code, { file, code, gives }) => {
      if (gives === undefined) throw new Error('An example says what it gives: `code // value`.');
      const scope = await scopeOf(file);
      const [value, wanted] = [valueOf(code, scope), valueOf(gives, scope)];
      // A number is told to as many places as are written.
      if (typeof wanted === 'number' && /^-?[\d.]+$/.test(gives)) {
        expect(value).toBeCloseTo(wanted, gives.split('.')[1]?.length ?? 0);
      } else if (typeof wanted === 'object' && wanted !== null) expect(value).toMatchObject(wanted);
      else expect(value).toBe(wanted);
    },
  );
});
