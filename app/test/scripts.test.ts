import { existsSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Manifest, scriptsIn } from '../src/server/scripts';
import { VIEWS } from '../src/stages';

const MANIFEST: Manifest = {
  'astro-entry:/somewhere/app/src/frame/Workbench': {
    file: '_astro/Workbench.1.js',
    imports: ['_rules.2.js', '_plan.3.js'],
  },
  'src/frame/WorkbenchOther.tsx': { file: '_astro/Other.9.js' },
  'src/stages/courses/CoursesStage.tsx': {
    file: '_astro/CoursesStage.4.js',
    imports: ['_plan.3.js', '_strip.5.js'],
  },
  '_rules.2.js': { file: '_astro/rules.2.js', imports: ['_plan.3.js'] },
  '_plan.3.js': { file: '_astro/plan.3.js', imports: ['_rules.2.js'] },
  '_strip.5.js': { file: '_astro/strip.5.js', imports: ['_missing.js'] },
};

describe('scripts that a page asks for at once', () => {
  it('are those that are named and all that they cannot do without, once', () => {
    expect(
      [...scriptsIn(MANIFEST, ['src/frame/Workbench', 'src/stages/courses/CoursesStage'])].sort(),
    ).toEqual([
      '/_astro/CoursesStage.4.js',
      '/_astro/Workbench.1.js',
      '/_astro/plan.3.js',
      '/_astro/rules.2.js',
      '/_astro/strip.5.js',
    ]);
  });

  it('are none where nothing of that name was built', () => {
    expect(scriptsIn(MANIFEST, ['src/frame/Bench', 'src/stages//Stage'])).toEqual([]);
  });

  it('can be named for every view: the file that shows it is called after it', () => {
    for (const { id } of VIEWS) {
      const file = `app/src/stages/${id}/${id.replace(/^./, (letter) => letter.toUpperCase())}Stage.tsx`;
      expect([file, existsSync(file)]).toEqual([file, true]);
      expect(readFileSync(`app/src/stages/${id}/view.ts`, 'utf8')).toContain(
        `import('./${file.split('/').at(-1)?.replace('.tsx', '') ?? ''}')`,
      );
    }
  });
});
