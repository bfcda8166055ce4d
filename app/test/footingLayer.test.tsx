import { applyEdit } from '@ombra/core/plan';
import { readPlanText } from '@ombra/core/planFile';
import type { Plan } from '@ombra/core/kernel/plan';
import { type WorkedPlan, work } from '@ombra/core/work';
import { readFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { FootingLayer, LAYER_HEIGHT } from '../src/stages/footing/FootingLayer';
import { Section } from '../src/stages/footing/Section';
import { SquareDrawing } from '../src/stages/footing/SquareDrawing';
import { FootingSheet } from '../src/stages/footing/FootingSheet';
import { type Face, stripFrame } from '../src/drawing/strip/stripGeometry';

const reading = readPlanText(
  readFileSync(new URL('../../demo/sorrel-fork-hatchery.json', import.meta.url), 'utf8'),
);
if (!reading.ok) throw new Error('the demo does not read');
const demo: Plan = reading.plan;
const onKind = (kind: 'strip' | 'forms' | 'rock' | 'sheet'): WorkedPlan =>
  work(applyEdit(demo, { kind: 'set-footing', change: { kind } }));

function drawn(worked: WorkedPlan, face: Face = 'inside') {
  const frame = stripFrame(worked.shell, worked.courses, 30 / 1e9, face);
  const svg = renderToStaticMarkup(
    <svg>
      <FootingLayer
        frame={frame}
        worked={worked}
        footing={worked.footing}
        survey={worked.footing.survey}
        units="imperial"
      />
    </svg>,
  );
  return { frame, svg };
}

/** Every y in the paths and boxes of a drawing. */
const heightsIn = (svg: string): readonly number[] =>
  [...svg.matchAll(/ d="([^"]*)"/g)].flatMap(([, path = '']) =>
    [...path.matchAll(/[ML]([\d.-]+) ([\d.-]+)/g)].map(([, , y = '0']) => Number(y)),
  );

describe('the footing under the strip', () => {
  it('stays in its room, however much taller the ground is drawn', () => {
    for (const face of ['inside', 'outside'] as const) {
      const { frame, svg } = drawn(onKind('strip'), face);
      const heights = heightsIn(svg);
      expect(heights.length).toBeGreaterThan(80);
      expect(Math.max(...heights)).toBeLessThanOrEqual(frame.height + LAYER_HEIGHT);
      expect(Math.min(...heights)).toBeGreaterThanOrEqual(0);
      expect(svg).not.toContain('NaN');
    }
  });

  it('writes the shims in felt pen, the same ones that are listed', () => {
    const worked = onKind('strip');
    const labels = [...drawn(worked).svg.matchAll(/felt[^>]*>([^<]+)</g)].map(([, label]) => label);
    expect(labels.length).toBeGreaterThan(15);
    expect(new Set(labels)).toContain('3/16');
    expect(drawn(worked).svg).toContain('high point');
    expect(drawn(worked).svg).toContain(
      `data-past-limit="${String(worked.footing.survey?.pastLimit.length)}"`,
    );
    expect(drawn(worked).svg).toMatch(/drawn \d+ times taller/);
  });

  it('shows how rock is closed instead of shims, and ties on insulated forms', () => {
    const rock = drawn(onKind('rock')).svg;
    expect(rock).toContain('scribed');
    expect(rock).not.toContain('felt');
    const forms = onKind('forms');
    const walls = [...drawn(forms).svg.matchAll(/data-forms="([^"]+)"/g)];
    expect(walls).toHaveLength(6);
    expect(drawn(onKind('sheet')).svg).not.toContain('data-forms');
  });

  it('draws the footing alone where nothing was surveyed', () => {
    const bare = work(applyEdit(demo, { kind: 'set-footing', change: { shots: null } }));
    expect(drawn(bare).svg).not.toContain('high point');
    expect(drawn(bare).svg).toContain('rect');
  });
});

describe('drawings of the footing', () => {
  it('cut a wall across with its chalk lines in words too', () => {
    for (const kind of ['strip', 'forms', 'rock', 'sheet'] as const) {
      const worked = onKind(kind);
      const base = worked.footing.bases.loops[0]?.walls[0];
      const wall = worked.shell.loops[0]?.built?.walls[0];
      if (!base || !wall) throw new Error('no wall');
      const svg = renderToStaticMarkup(
        <Section
          bases={worked.footing.bases}
          base={base}
          wall={wall}
          bars={worked.footing.forms?.bars.count ?? 0}
          units="imperial"
        />,
      );
      expect([...svg.matchAll(/r="3.5"/g)]).toHaveLength(kind === 'forms' ? 2 : 0);
      expect(svg).toContain(kind === 'rock' ? 'straight on rock' : 'outer chalk line 5 1/2″');
      expect(svg).not.toContain('NaN');
    }
  });

  it('show where corners stand off, far larger than true but no further than the drawing', () => {
    const worked = onKind('strip');
    const moves = worked.footing.adjusted.flatMap((loop) => loop.moves);
    const suggested = worked.footing.square.rectangles.flatMap((each) => each.diagonals);
    const svg = renderToStaticMarkup(<SquareDrawing worked={worked} suggested={suggested} moves={moves} />);
    expect([...svg.matchAll(/<line/g)]).toHaveLength(4);
    expect(svg).toContain('off square');
    for (const [, x = '0'] of svg.matchAll(/[ML]([\d.-]+) /g)) {
      expect(Number(x)).toBeGreaterThan(0);
      expect(Number(x)).toBeLessThan(300);
    }
  });
});

describe('the footing sheet', () => {
  const sheet = (worked: WorkedPlan): string =>
    renderToStaticMarkup(
      <FootingSheet
        plan={demo}
        worked={worked}
        jobId="job"
        version={3}
        savedAt="2026-01-02T03:04:05Z"
        entries={[]}
      />,
    );

  it('has a tag for every block, and every part of the list before the wall', () => {
    const worked = onKind('strip');
    const html = sheet(worked);
    const tags = [...html.matchAll(/border-dashed/g)];
    expect(tags).toHaveLength(worked.footing.survey?.blocks.length ?? 0);
    for (const item of worked.footing.ready) expect(html).toContain(item.what);
  });

  it('prints planks of insulated forms, and rock to scribe at a quarter of true size', () => {
    expect(sheet(onKind('forms'))).toContain('Planks'.toLowerCase());
    const rock = onKind('rock');
    const html = sheet(rock);
    const scribed = (rock.footing.rock?.stretches ?? []).filter((stretch) => stretch.closure === 'scribed');
    // 25 inches of rock to a strip.
    const strips = scribed.reduce(
      (sum, stretch) => sum + Math.ceil((stretch.to - stretch.from) / 25_400_000 / 25 - 1e-9),
      0,
    );
    expect([...html.matchAll(/Rock under /g)]).toHaveLength(strips);
  });

  it('says so where there is nothing to lay out', () => {
    const empty = work({ ...demo, loops: [{ id: 'l', closed: true, walk: [] }] });
    expect(sheet(empty)).toContain('Nothing to lay out yet');
  });
});
