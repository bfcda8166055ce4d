import { applyEdit } from '@ombra/core/plan';
import { readPlanText } from '@ombra/core/planFile';
import type { Plan } from '@ombra/core/kernel/plan';
import { wallsOf } from '@ombra/core/stages/outline';
import { type StockOfSize, barsInCourse } from '@ombra/core/stages/steel';
import { type WorkedPlan, work } from '@ombra/core/work';
import { readFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { FromAbove } from '../src/stages/courses/FromAbove';
import { CapacityCard } from '../src/stages/steel/CapacityCard';
import { SchedulePanel } from '../src/stages/steel/SchedulePanel';
import { SlotSection } from '../src/stages/steel/SlotSection';
import { SteelLayer } from '../src/stages/steel/SteelLayer';
import { barName, momentText } from '../src/stages/steel/steelWords';
import { proofText, StockPanel } from '../src/stages/steel/StockPanel';
import { TablePanel } from '../src/stages/steel/TablePanel';
import { type Face, stripFrame } from '../src/drawing/strip/stripGeometry';

const reading = readPlanText(
  readFileSync(new URL('../../demo/sorrel-fork-hatchery.json', import.meta.url), 'utf8'),
);
if (!reading.ok) throw new Error('the demo does not read');
const demo: Plan = reading.plan;
const worked = work(demo);

function layer(plan: WorkedPlan, face: Face, lit: ReadonlySet<string> = new Set()): string {
  const frame = stripFrame(plan.shell, plan.courses, 30 / 1e9, face);
  return renderToStaticMarkup(
    <svg>
      <SteelLayer frame={frame} bars={plan.steel.bars} lit={lit} />
    </svg>,
  );
}

/** Lines in the paths of a drawing. */
const lines = (svg: string): number => svg.match(/M[\d.-]+ [\d.-]+L/g)?.length ?? 0;

describe('the steel on the strip', () => {
  it('draws every bar once, and laps beside them, from either side', () => {
    const laps = worked.steel.bars.filter(
      (bar) => bar.from !== bar.to && bar.laps.after > 0 && bar.corner === undefined,
    ).length;
    for (const face of ['inside', 'outside'] as const) {
      const svg = layer(worked, face);
      expect(svg).not.toContain('NaN');
      expect(lines(svg)).toBe(worked.steel.bars.length + laps);
    }
  });

  it('lights the bars of a mark', () => {
    const mark = worked.steel.schedule.find((line) => line.use === 'lintel bottom');
    const lit = layer(worked, 'inside', new Set(mark?.bars));
    expect(lines(lit) - lines(layer(worked, 'inside'))).toBe(mark?.bars.length);
  });
});

describe('a wall cut across', () => {
  const drawn = (plan: WorkedPlan, id: string): string => {
    const wall = wallsOf(plan.shell).find((each) => each.id === id);
    const section = plan.steel.sections.find((each) => each.wall === id);
    if (!wall || !section) throw new Error('no wall');
    return renderToStaticMarkup(
      <SlotSection wall={wall} section={section} courses={plan.courses.count} units="imperial" />,
    );
  };

  it('has a bar for every course with one, the tension side and the way for the verticals', () => {
    const buried = drawn(worked, 'wall-1');
    // Course 1 of A–B is footing: seven courses.
    expect(buried.match(/<circle/g)?.length).toBe(7);
    expect(buried).toContain('stroke-record');
    expect(buried).toContain('clear for verticals');
    expect(drawn(worked, 'wall-5')).not.toContain('stroke-record');
  });

  it('moves the bars when the wall stands alone', () => {
    const alone = work(applyEdit(demo, { kind: 'set-soil', wall: 'wall-1', change: { held: 'alone' } }));
    const places = (svg: string): readonly number[] =>
      [...svg.matchAll(/cx="([\d.]+)"/g)].map(([, at = '0']) => Number(at));
    expect(Math.max(...places(drawn(alone, 'wall-1')))).toBeLessThan(
      Math.max(...places(drawn(worked, 'wall-1'))),
    );
  });
});

describe('a course from above with its bars', () => {
  const wall = wallsOf(worked.shell).find((each) => each.id === 'wall-1');
  if (!wall) throw new Error('no wall');
  const inCourse = (course: number) => barsInCourse(worked.steel.bars, wall, course, worked.courses.tops);
  const marks = new Map(
    worked.steel.schedule.flatMap(({ mark, bars }) => bars.map((id) => [id, mark] as const)),
  );
  const html = (course: number) =>
    renderToStaticMarkup(
      <FromAbove
        worked={worked}
        wall={wall}
        course={course}
        face="inside"
        chosen={null}
        width={2000}
        bars={{ list: inCourse(course), marks }}
      />,
    );

  it('has every bar that lies in the course, both corners’, and what stands through it', () => {
    const bars = inCourse(5);
    expect(bars.filter((bar) => bar.use === 'horizontal').every((bar) => bar.course === 5)).toBe(true);
    expect(new Set(bars.filter((bar) => bar.use === 'corner').map((bar) => bar.corner))).toEqual(
      new Set([wall.from, wall.to]),
    );
    // Dowels end a lap above the footing; in the fifth course only verticals and jambs stand.
    expect(bars.some((bar) => bar.use === 'dowel')).toBe(false);
    expect(inCourse(2).some((bar) => bar.use === 'dowel')).toBe(true);
  });

  it('draws a dot for each bar that stands, and lines in the slot', () => {
    const standing = inCourse(5).filter((bar) => bar.from === bar.to);
    expect(html(5).match(/<circle/g)?.length).toBe(standing.length);
    const heights = (svg: string): readonly string[] =>
      [...svg.matchAll(/M[\d.]+ ([\d.]+)H/g)].map(([, at = '']) => at);
    // Course about, another slot: the lines lie elsewhere.
    expect(heights(html(5))).not.toEqual(heights(html(6)));
    expect(heights(html(5)).length).toBeGreaterThan(1);
    for (const bar of inCourse(5).filter((each) => each.use === 'horizontal')) {
      expect(html(5)).toContain(`>${marks.get(bar.id) ?? 'none'}<`);
    }
  });
});

describe('the code table', () => {
  const job = (plan: Plan) => ({ plan, edit: () => undefined, endMerge: () => undefined, id: 'j' }) as never;
  const html = (plan: Plan): string => {
    const own = work(plan);
    return renderToStaticMarkup(<TablePanel job={job(plan)} steel={own.steel} walls={wallsOf(own.shell)} />);
  };

  it('shows which walls take which row', () => {
    expect(html(demo)).toContain('B–C, C–D');
    expect(html(demo)).toContain('Invented sample, not to build by');
  });

  it('names the walls that no row covers, and those of whose soil not set anything', () => {
    const deep = applyEdit(demo, { kind: 'set-soil', wall: 'wall-1', change: { backfill: '9ft' } });
    const unsaid = applyEdit(deep, { kind: 'set-soil', wall: 'wall-2', change: { backfill: null } });
    expect(html(unsaid)).toMatch(/no row covers 9′ 4″ of wall with 9′ of soil at 45/);
    expect(html(unsaid)).toContain('its soil height is missing');
  });

  it('without one asks for rows and offers nothing to save', () => {
    const bare = html(applyEdit(demo, { kind: 'put-table', table: null }));
    expect(bare).not.toContain('reinforcement.csv');
    expect(bare).toContain('Ombra ships no table');
  });
});

describe('panels of the steel', () => {
  const nothing = (): void => undefined;

  it('list every mark with its shape and its bars', () => {
    const html = renderToStaticMarkup(
      <SchedulePanel schedule={worked.steel.schedule} units="imperial" chosen="C1" onChoose={nothing} />,
    );
    expect(html.match(/<tr/g)?.length).toBe(worked.steel.schedule.length + 1);
    expect(html).toContain('aria-pressed="true"');
    for (const shape of ['00', '11', '21']) expect(html).toContain(shape);
  });

  it('tell stock by size, proved or with the gap', () => {
    const html = renderToStaticMarkup(
      <StockPanel
        steel={worked.steel}
        least={{ state: 'running', tried: 12, stock: worked.steel.stock, start: nothing, stop: nothing }}
        units="imperial"
        open={null}
        onOpen={nothing}
      />,
    );
    for (const own of worked.steel.stock) {
      expect(html).toContain(`Stock of ${own.size}`);
    }
    expect(html).toContain('12 cutting patterns tried');
    expect(html).toMatch(/ends left over, the longest/);
    const [open, proved] = [false, true].map((is) => {
      const own = worked.steel.stock[0] as StockOfSize;
      return proofText({ ...own, proved: is, bound: own.lengths.length - (is ? 0 : 2) });
    });
    expect(open).toMatch(/at least; 2 over that, not proved/);
    expect(proved).toBe('Lowest possible, proved.');
  });

  it('say when steel goes in, and of how many', () => {
    expect(momentText({ course: 0, when: 'in' })).toBe('with the footing');
    expect(momentText({ course: 4, when: 'before' })).toBe('before course 4');
    expect(momentText({ course: 6, when: 'after' })).toBe('after course 6');
    expect([barName('dowel'), barName('dowel', 85)]).toEqual(['dowel', 'dowels']);
  });

  it('screen only walls that are held at the top with soil against them', () => {
    const capacity = worked.steel.sections.find((each) => each.wall === 'wall-1')?.capacity ?? undefined;
    const html = renderToStaticMarkup(<CapacityCard capacity={capacity} units="imperial" />);
    expect(html).toContain('a quick check, not a design');
    expect(html).toMatch(/\d+ %/);
    const metric = renderToStaticMarkup(<CapacityCard capacity={capacity} units="metric" />);
    expect(metric).toContain('kN·m a metre');
    expect(renderToStaticMarkup(<CapacityCard capacity={undefined} units="imperial" />)).toContain(
      'for the engineer',
    );
  });
});
