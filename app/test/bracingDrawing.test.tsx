import { applyEdit } from '@ombra/core/plan';
import { readPlanText } from '@ombra/core/planFile';
import { inches } from '@ombra/core/kernel/measure';
import type { Plan } from '@ombra/core/kernel/plan';
import { type Brace, type WallBraces, alignmentOf } from '@ombra/core/stages/bracing';
import { wallsOf } from '@ombra/core/stages/outline';
import { work } from '@ombra/core/work';
import { readFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { BraceLayer } from '../src/stages/bracing/BraceLayer';
import { BraceTicks } from '../src/stages/bracing/BraceTicks';
import {
  forceText,
  offText,
  sideText,
  turnsText,
  uprightText,
  whyText,
} from '../src/stages/bracing/bracingWords';
import { GearPanel } from '../src/stages/bracing/GearPanel';
import { LinePanel } from '../src/stages/bracing/LinePanel';
import { WallsPanel } from '../src/stages/bracing/WallsPanel';
import { WindPanel } from '../src/stages/bracing/WindPanel';
import type { Job } from '../src/job/useJob';
import { planFrame } from '../src/drawing/plan/planGeometry';
import { BracingSheet } from '../src/stages/bracing/BracingSheet';
import { stripFrame } from '../src/drawing/strip/stripGeometry';
import { simulatedWeather } from '../src/server/weather/simulatedWeather';

const reading = readPlanText(
  readFileSync(new URL('../../demo/sorrel-fork-hatchery.json', import.meta.url), 'utf8'),
);
if (!reading.ok) throw new Error('the demo does not read');
const demo: Plan = reading.plan;
const worked = work(demo);
const { bracing } = worked;
const braces = bracing.walls.flatMap((wall) => wall.braces);
const nothing = (): void => undefined;
const jobOf = (plan: Plan): Job =>
  ({ plan, worked: work(plan), edit: nothing, endMerge: nothing, id: 'j' }) as unknown as Job;
const wallOf = (plan: Plan, id = 'wall-1') => {
  const wall = wallsOf(work(plan).shell).find((each) => each.id === id);
  if (!wall) throw new Error(id);
  return wall;
};

describe('braces on the strip', () => {
  const frame = stripFrame(worked.shell, worked.courses, 60 / 1e9, 'inside');
  const html = renderToStaticMarkup(
    <BraceLayer frame={frame} walls={bracing.walls} straps={bracing.straps} chosen={braces[1]?.id ?? null} />,
  );
  const path = (index: number): string => [...html.matchAll(/<path d="([^"]*)"/g)][index]?.[1] ?? '';

  it('are posts with a foot, one for each; planks lie a little over each other', () => {
    expect(path(2).match(/M/g)).toHaveLength(braces.length);
    expect(path(3).match(/h10/g)).toHaveLength(braces.length);
    const planks = bracing.walls.reduce((sum, wall) => sum + wall.planks.length, 0);
    expect((path(4) + path(5)).match(/M/g)).toHaveLength(planks);
    expect(path(6).match(/M/g)).toHaveLength(1);
  });

  it('have a board for every weak place', () => {
    expect(path(0).match(/M/g)).toHaveLength(bracing.straps.boards.length);
  });

  it('of a low wall are a waler and its diagonals', () => {
    const low = work(applyEdit(demo, { kind: 'set-rule', rule: 'bracing.stem.height', value: '96in' }));
    const plain = low.bracing.walls.filter((wall) => wall.way === 'waler').length;
    expect(plain).toBe(0);
    const lower = work({ ...demo, pours: [{ id: 's', toCourse: 4, top: 'full' }] });
    const walers = lower.bracing.walls.filter((wall) => wall.way === 'waler');
    expect(walers.length).toBeGreaterThan(0);
    const svg = renderToStaticMarkup(
      <BraceLayer frame={frame} walls={walers} straps={lower.bracing.straps} chosen={null} />,
    );
    const lines = [...svg.matchAll(/<path d="([^"]*)"/g)][1]?.[1] ?? '';
    expect(lines.match(/M/g)).toHaveLength(walers.reduce((sum, wall) => sum + 1 + wall.diagonals.length, 0));
  });
});

describe('braces on the plan', () => {
  it('are a tick for each leg on its own side of the wall', () => {
    const frame = planFrame(worked.shell, { width: 400, height: 300, margin: 20 });
    if (!frame) throw new Error('no frame');
    const ticks = (plan: Plan): string =>
      renderToStaticMarkup(
        <BraceTicks shell={worked.shell} walls={work(plan).bracing.walls} frame={frame} />,
      );
    expect(ticks(demo).match(/<line/g)).toHaveLength(braces.length);
    const outside = applyEdit(demo, {
      kind: 'bracing',
      change: { of: 'wall', wall: 'wall-1', change: { side: 'outside' } },
    });
    // The first wall runs along the top of the plan: inside legs reach down, outside ones up.
    const first = (svg: string): readonly number[] => {
      const [, y1 = '0', y2 = '0'] = /y1="([\d.]+)" x2="[\d.]+" y2="([\d.]+)"/.exec(svg) ?? [];
      return [Number(y1), Number(y2)];
    };
    expect((first(ticks(demo))[1] ?? 0) > (first(ticks(demo))[0] ?? 0)).toBe(true);
    expect((first(ticks(outside))[1] ?? 0) < (first(ticks(outside))[0] ?? 0)).toBe(true);
  });
});

describe('words of the bracing', () => {
  it('say why a brace stands, on which side, and what its upright is made of', () => {
    const brace = braces[0] as Brace;
    expect(whyText(brace, () => '')).toBe('corner A');
    expect(whyText({ ...brace, why: 'opening', of: 'o' }, () => 'Office window')).toBe(
      'beside Office window',
    );
    expect(sideText({ side: 'outside', sideWhy: 'loose-inside' })).toMatch(/watch the bank/);
    expect(uprightText({ upright: { length: inches(120), extensions: 0 } }, 'imperial')).toBe('10′');
    expect(uprightText({ upright: { length: inches(144), extensions: 2 } }, 'imperial')).toBe(
      '12′ and 2 joints',
    );
  });

  it.each([
    [0, 'nothing'],
    [0.05, 'nothing'],
    [0.25, 'longer by 1/4 turn'],
    [1, 'longer by 1 turn'],
    [-1.5, 'shorter by 1 1/2 turns'],
    [2.87, 'longer by 2 7/8 turns'],
  ])('turn %f as %s', (turns, words) => {
    expect(turnsText(turns)).toBe(words);
  });

  it('tell forces and offsets as a crew does', () => {
    expect(forceText(1000, 'imperial')).toBe('225 lb');
    expect(forceText(1000, 'metric')).toBe('1.00 kN');
    expect(forceText(Infinity, 'metric')).toBe('no screw holds');
    const off = (reading: number) =>
      offText(
        alignmentOf({
          reading: inches(reading),
          block: inches(0.75),
          height: inches(100),
          meets: inches(67),
          out: inches(60),
          thread: inches(0.25),
          limit: inches(0.25),
        }).off,
        'imperial',
      );
    expect([off(1), off(0.5), off(0.75)]).toEqual([
      '1/4″ toward the braces',
      '1/4″ from the braces',
      'on its line',
    ]);
  });
});

describe('panels of the bracing', () => {
  it('list every brace of a wall with its bay and why, and its planks', () => {
    const html = renderToStaticMarkup(
      <WallsPanel
        job={jobOf(demo)}
        bracing={bracing}
        braced={bracing.walls}
        wall={wallOf(demo)}
        chosen={bracing.walls[0]?.braces[2]?.id ?? null}
        onChoose={nothing}
      />,
    );
    expect(html.match(/aria-pressed/g)).toHaveLength(bracing.walls[0]?.braces.length ?? 0);
    expect(html).toContain('beside Grow-out window');
    expect(html).toContain('allow');
    expect(html).toContain('Planks');
  });

  it('tell what the planks stand over in the shown pour, and walls that are not in it', () => {
    const two = work({
      ...demo,
      pours: [
        { id: 'a', toCourse: 6, top: 'full', ground: { inside: { to: '5ft', with: 'slab' } } },
        { id: 'b', toCourse: 12, top: 'full' },
      ],
    });
    const shown = (braced: readonly WallBraces[]): string =>
      renderToStaticMarkup(
        <WallsPanel
          job={jobOf(demo)}
          bracing={two.bracing}
          braced={braced}
          wall={wallOf(demo)}
          chosen={null}
          onChoose={nothing}
        />,
      );
    const [first, second] = two.bracing.pours;
    expect(shown(first?.walls ?? [])).toContain('above the footing');
    expect(shown(second?.walls ?? [])).toContain('above the slab');
    expect(shown([])).toContain('Nothing of this wall');
  });

  it('count gear against what is on hand, in words where it is short', () => {
    const few = applyEdit(demo, { kind: 'bracing', change: { of: 'on-hand', part: 'turnbuckle', count: 3 } });
    const html = renderToStaticMarkup(
      <GearPanel job={jobOf(few)} bracing={work(few).bracing} open={null} onOpen={nothing} />,
    );
    expect(html).toContain(`${String(braces.length - 3)} short`);
    expect(html).toContain('frame-weeks of rental');
  });

  it('tell the wind by wall with its caution, and nothing without a wind', () => {
    const html = (plan: Plan): string =>
      renderToStaticMarkup(
        <WindPanel
          job={jobOf(plan)}
          wind={work(plan).bracing.pours[0]?.wind ?? []}
          braced={work(plan).bracing.walls}
          walls={wallsOf(work(plan).shell)}
        />,
      );
    expect(html(demo).match(/<tr/g)).toHaveLength((bracing.pours[0]?.wind.length ?? 0) + 1);
    expect(html(demo)).toContain('1.60 lb/ft²');
    const calm = html(applyEdit(demo, { kind: 'bracing', change: { of: 'wind', wind: null } }));
    expect(calm).not.toContain('<table');
    expect(calm).toContain('not a design');
  });

  it('draw the line of a wall between its limits once two braces are read', () => {
    const [first, second, third] = bracing.walls[0]?.braces ?? [];
    const readings: readonly (readonly [Brace | undefined, string])[] = [
      [first, '3/4in'],
      [second, '1 1/4in'],
      [third, '1/2in'],
    ];
    const read = readings.reduce<Plan>(
      (plan, [brace, text]) =>
        applyEdit(plan, {
          kind: 'bracing',
          change: { of: 'reading', brace: brace?.id ?? '', pass: 'before', text },
        }),
      demo,
    );
    const html = renderToStaticMarkup(
      <LinePanel
        job={jobOf(read)}
        bracing={work(read).bracing}
        braced={work(read).bracing.walls}
        wall={wallOf(read)}
      />,
    );
    expect(html).toContain('Line of A–B, exaggerated');
    expect(html.match(/<circle/g)).toHaveLength(2);
    // Half an inch off is outside a limit of a quarter: a square, not colour alone.
    expect(html).toContain('1/2″ toward the braces; turn longer by');
    expect(html).toContain('class="fill-stop"');
    const none = renderToStaticMarkup(
      <LinePanel job={jobOf(demo)} bracing={bracing} braced={bracing.walls} wall={wallOf(demo)} />,
    );
    expect(none).not.toContain('exaggerated');
  });
});

describe('the brace plan on paper', () => {
  const sheet = (plan: Plan): string =>
    renderToStaticMarkup(
      <BracingSheet
        plan={plan}
        jobId="j"
        version={1}
        savedAt="2026-01-01T00:00:00Z"
        entries={[]}
        worked={work(plan)}
      />,
    );

  it('has every wall with its stations and planks, the gear, and the cautions', () => {
    const html = sheet(demo);
    for (const wall of bracing.walls) expect(html).toContain(wall.name);
    expect(html.match(/<line/g)?.length).toBeGreaterThanOrEqual(braces.length);
    expect(html).toContain('Keep off the planks in high wind');
    expect(html).toContain('In wind of 25 mph');
  });

  it('says so where nothing stands yet', () => {
    expect(sheet({ ...demo, pours: [] })).toContain('nothing to brace');
  });
});

describe('the simulated weather', () => {
  it('gives three nights, the same for the same day, and not all alike', async () => {
    const from = new Date('2026-05-01T12:00:00Z');
    const nights = await simulatedWeather.nights(from);
    expect(nights.map(({ date }) => date)).toEqual(['2026-05-01', '2026-05-02', '2026-05-03']);
    expect(await simulatedWeather.nights(from)).toEqual(nights);
    const month = await Promise.all(
      Array.from({ length: 10 }, (_, index) =>
        simulatedWeather.nights(new Date(from.getTime() + index * 3 * 86_400_000)),
      ),
    );
    const gusts = month.flat().map(({ gust }) => gust);
    expect(Math.min(...gusts)).toBeGreaterThanOrEqual(5);
    expect(Math.max(...gusts)).toBeLessThanOrEqual(45);
    expect(new Set(gusts).size).toBeGreaterThan(8);
  });
});
