import { applyEdit } from '@ombra/core/plan';
import { readPlanText } from '@ombra/core/planFile';
import { type Length, inches } from '@ombra/core/kernel/measure';
import type { Plan } from '@ombra/core/kernel/plan';
import { type WorkedPlan, work } from '@ombra/core/work';
import { readFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { BuckDrawing } from '../src/stages/openings/BuckDrawing';
import { courseText, nudgeLabel, nudgeSaves } from '../src/stages/openings/openingText';
import { OpeningsSheet } from '../src/stages/openings/OpeningsSheet';
import { faceBox, OpeningsDrawing, shapePath } from '../src/drawing/strip/OpeningsDrawing';
import { type Face, stripFrame, stripX, wallIndex } from '../src/drawing/strip/stripGeometry';

const reading = readPlanText(
  readFileSync(new URL('../../demo/sorrel-fork-hatchery.json', import.meta.url), 'utf8'),
);
if (!reading.ok) throw new Error('the demo does not read');
const demo: Plan = reading.plan;
const worked = work(demo);

const frameOf = (plan: WorkedPlan, face: Face) => stripFrame(plan.shell, plan.courses, 30 / 1e9, face);

function strip(plan: WorkedPlan, face: Face = 'inside'): string {
  return renderToStaticMarkup(
    <svg>
      <OpeningsDrawing
        frame={frameOf(plan, face)}
        openings={plan.openings.placed}
        inserts={plan.inserts.placed}
        units="imperial"
      />
    </svg>,
  );
}

describe('openings on the strip', () => {
  it('are drawn where they lie, from either side', () => {
    const [window] = worked.openings.placed;
    if (!window) throw new Error('no opening');
    for (const face of ['inside', 'outside'] as const) {
      const frame = frameOf(worked, face);
      const box = faceBox(frame, wallIndex(frame), window.wall, window.finished);
      const [loop] = frame.loops;
      if (!box || !loop) throw new Error('not drawn');
      const ends = [stripX(frame, loop, window.finished.from), stripX(frame, loop, window.finished.to)];
      expect(box.x).toBeCloseTo(Math.min(...ends), 6);
      expect(box.width).toBeCloseTo(48 * 0.0254 * 30, 6);
      expect(box.top).toBeGreaterThan(0);
      expect(box.top + box.height).toBeLessThan(frame.height);
    }
  });

  it('are all there, with their inserts, and nothing is NaN', () => {
    for (const face of ['inside', 'outside'] as const) {
      const svg = strip(worked, face);
      expect(svg.match(/data-opening/g)?.length).toBe(4);
      expect(svg.match(/data-insert/g)?.length).toBe(8);
      expect(svg).not.toContain('NaN');
    }
  });

  it('show a round top as an arc, and one that is left out dashed', () => {
    const round = work(
      applyEdit(demo, { kind: 'set-opening', opening: 'opening-1', change: { kind: 'round-top' } }),
    );
    expect(strip(round)).toMatch(/A[\d.]+ [\d.]+ 0 0 1/);
    expect(strip(worked)).not.toContain('stroke-dasharray="4 3"');
    const off = work(applyEdit(demo, { kind: 'set-opening', opening: 'opening-1', change: { at: '2ft' } }));
    expect(strip(off)).toContain('stroke-dasharray="4 3"');
    const shape = { from: inches(0), to: inches(48), bottom: inches(0), top: inches(60), rise: 0 as Length };
    const path = shapePath(frameOf(worked, 'inside'), { x: 1, top: 2, width: 30, height: 40 }, shape);
    expect(path).toBe('M1.0 2.0h30.0v40.0h-30.0z');
  });
});

describe('a buck’s drawing', () => {
  it('tells the three sizes and the diagonal, and has its sill access and braces', () => {
    const [opening] = worked.openings.placed;
    if (!opening) throw new Error('no opening');
    const svg = renderToStaticMarkup(
      <BuckDrawing
        opening={opening}
        buck={worked.bucks.bucks[0]}
        braceSpacing={inches(24)}
        units="imperial"
        width={250}
        height={250}
      />,
    );
    for (const text of [
      'rough 48″',
      'rough 42″',
      'hole 51″',
      'hole 45″',
      'lintel spans 51″',
      'diagonal 5′ 3 3/4″',
    ]) {
      expect(svg).toContain(text);
    }
    expect(svg.match(/<rect/g)?.length).toBe(3);
    expect(svg).not.toContain('NaN');
  });
});

describe('words of openings', () => {
  it('tell heights by courses, nudges by what they do and save', () => {
    expect(courseText({ course: 3, plus: inches(4) }, 'imperial')).toBe('course 3 plus 4″');
    expect(courseText({ course: 3, plus: inches(0) }, 'imperial')).toBe('top of course 3');
    expect(courseText({ course: 0, plus: inches(0) }, 'imperial')).toBe('foot of the wall');
    const nudge = { way: 'along', by: inches(-3), change: {}, cuts: 2, shaped: 0, blocks: -1 } as const;
    expect(nudgeLabel(nudge, 'A', 'B', 'imperial')).toBe('3″ toward A');
    expect(nudgeLabel({ ...nudge, way: 'wider' }, 'A', 'B', 'imperial')).toBe('3″ narrower');
    expect(nudgeSaves(nudge)).toBe('saves 2 cuts; costs 1 block');
    expect(nudgeSaves({ ...nudge, cuts: 1, shaped: 3, blocks: 0 })).toBe('saves 1 cut, 3 shaped pieces');
  });
});

describe('the openings sheet', () => {
  const sheet = (plan: Plan): string =>
    renderToStaticMarkup(
      <OpeningsSheet
        plan={plan}
        worked={work(plan)}
        jobId="j"
        version={1}
        savedAt="2026-01-01T00:00:00Z"
        entries={[]}
      />,
    );

  it('marks every opening, lists every insert, and says what is left out', () => {
    const html = sheet(demo);
    for (const name of ['Grow-out window', 'Office window', 'Service door', 'Roll-up door', 'Loft ledger']) {
      expect(html).toContain(name);
    }
    expect(html).toContain('lowest possible, proved');
    const off = applyEdit(demo, { kind: 'set-opening', opening: 'opening-1', change: { at: '2ft' } });
    expect(sheet(off)).toContain('Left out, see the notices: Grow-out window.');
    expect(sheet({ ...demo, openings: [], inserts: [] })).toContain('No openings yet.');
  });
});
