import { applyEdit } from '@ombra/core/plan';
import { readPlanText } from '@ombra/core/planFile';
import { toCubicYards } from '@ombra/core/kernel/measure';
import type { Plan, PlanEdit } from '@ombra/core/kernel/plan';
import { wallsOf } from '@ombra/core/stages/outline';
import { type WorkedPour, liftHours } from '@ombra/core/stages/pour';
import { manyDays, playDay } from '@ombra/core/stages/pour/rehearsal';
import { work } from '@ombra/core/work';
import { readFileSync } from 'node:fs';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it, vi } from 'vitest';
import type { Job } from '../src/job/useJob';
import { planFrame } from '../src/drawing/plan/planGeometry';
import { BoltLayer } from '../src/stages/pour/BoltLayer';
import { filledAt, FillLayer } from '../src/stages/pour/FillLayer';
import { MixPanel, phoneText } from '../src/stages/pour/MixPanel';
import OddsCharts from '../src/stages/pour/OddsCharts';
import { OrderPanel } from '../src/stages/pour/OrderPanel';
import { PressurePanel } from '../src/stages/pour/PressurePanel';
import { ReadyList } from '../src/stages/pour/ReadyList';
import { RehearsalPanel } from '../src/stages/pour/RehearsalPanel';
import { LiftLayer } from '../src/stages/pour/LiftLayer';
import { LiftsPanel } from '../src/stages/pour/LiftsPanel';
import { RouteOnPlan } from '../src/stages/pour/RouteOnPlan';
import { PlateTable, TopPanel } from '../src/stages/pour/TopPanel';
import { TruckLanes } from '../src/stages/pour/TruckLanes';
import { degreesText, fromScale, inScale, loadText, oddsText, timeOf } from '../src/stages/pour/pourWords';
import { type Played, stopAt } from '../src/stages/pour/usePlayed';
import type { Rehearsal } from '../src/stages/pour/useRehearsal';
import { CoursesSheet } from '../src/stages/courses/CoursesSheet';
import { PourSheet } from '../src/stages/pour/PourSheet';
import { TopSheet } from '../src/stages/topoff/TopSheet';
import { stripFrame } from '../src/drawing/strip/stripGeometry';
import { askedDay, chanceOf } from '../src/server/chance';
import { simulatedPlant } from '../src/server/plant/simulatedPlant';
import { simulatedWeather } from '../src/server/weather/simulatedWeather';

const reading = readPlanText(
  readFileSync(new URL('../../demo/sorrel-fork-hatchery.json', import.meta.url), 'utf8'),
);
if (!reading.ok) throw new Error('the demo does not read');
const demo: Plan = reading.plan;
const worked = work(demo);
const nothing = (): void => undefined;
const jobOf = (plan: Plan): Job =>
  ({
    plan,
    worked: work(plan),
    log: { onSite: null, write: nothing },
    edit: nothing,
    endMerge: nothing,
    id: 'j',
  }) as unknown as Job;
function pourOf(plan: Plan): WorkedPour {
  const [pour] = work(plan).pour.pours;
  if (!pour) throw new Error('nothing is poured');
  return pour;
}
const pour = pourOf(demo);
const walls = wallsOf(worked.shell);
const frame = stripFrame(worked.shell, worked.courses, 60 / 1e9, 'inside');
const html = (element: ReactElement): string => renderToStaticMarkup(element);
const ruled = (...edits: readonly (readonly [string, string | number])[]): Plan =>
  edits.reduce<Plan>(
    (plan, [rule, value]) => applyEdit(plan, { kind: 'set-rule', rule, value } satisfies PlanEdit),
    demo,
  );
const sheetJob = { plan: demo, jobId: 'j', version: 3, savedAt: '2026-11-27T10:00:00Z', entries: [] };
const panel = { job: jobOf(demo), pour, open: null, onOpen: nothing };

describe('lifts on the strip', () => {
  const drawn = html(<LiftLayer frame={frame} levels={worked.levels} pour={pour} />);

  it('are bands on every wall, each with its hours, from the first minute to the last', () => {
    const hours = liftHours(pour);
    expect(hours).toHaveLength(pour.lifts.length);
    for (const each of hours) {
      if (each === null) throw new Error('every lift of the demo is placed');
      expect(drawn).toContain(`${timeOf(pour, each.from)}–${timeOf(pour, each.to)}`);
    }
    expect(drawn.match(/fill-opacity="0\.(2|08)"/g)?.length).toBeGreaterThanOrEqual(
      walls.length * pour.lifts.length,
    );
  });

  it('name the sills that are filled apart, and where the hose begins', () => {
    const sills = pour.stops.filter((stop) => stop.kind === 'sill').length;
    expect(drawn.match(/>sill</g)).toHaveLength(sills);
    expect(drawn).toContain('hose begins');
  });

  it('have no hours where nothing is placed', () => {
    const empty: WorkedPour = { ...pour, clock: { ...pour.clock, placed: [] } };
    expect(html(<LiftLayer frame={frame} levels={worked.levels} pour={empty} />)).not.toContain('–07');
  });
});

describe('the forms as they fill', () => {
  const run = playDay(pour.day, 5);
  const at = (minutes: number) => ({ frame, levels: worked.levels, pour, run, at: minutes });
  const area = (minutes: number): number =>
    filledAt(at(minutes)).reduce((sum, each) => sum + each.width * each.height, 0);

  it('are empty at first, never less full later, and full at the end', () => {
    expect(area(-1)).toBe(0);
    let before = 0;
    for (let minutes = 0; minutes <= run.finish; minutes += 10) {
      const now = area(minutes);
      expect(now).toBeGreaterThanOrEqual(before - 1e-6);
      before = now;
    }
    const full = area(run.finish);
    expect(area(run.finish + 60)).toBeCloseTo(full, 6);
    // All walls, less what their openings take, within the width of a stroke.
    const spans = walls.flatMap((wall) =>
      (worked.levels.walls[wall.id] ?? []).map((span) => (span.to - span.from) * (span.top - span.bottom)),
    );
    const holes = worked.openings.placed.map(
      ({ concrete }) => (concrete.to - concrete.from) * (concrete.top - concrete.bottom),
    );
    const net = spans.reduce((sum, each) => sum + each, 0) - holes.reduce((sum, each) => sum + each, 0);
    expect(full / frame.scale ** 2 / net).toBeCloseTo(1, 1);
  });

  it('mark an open top that has waited past its working time, in words too', () => {
    const short: WorkedPour = { ...pour, day: { ...pour.day, working: 5 } };
    const stale = html(<FillLayer {...at(run.finish)} pour={short} />);
    expect(stale).toContain('set before it was covered');
    expect(html(<FillLayer {...at(5)} />)).not.toContain('set before it was covered');
  });

  it('know where the hose is', () => {
    expect(stopAt(run, -5)).toBeNull();
    expect(stopAt(run, 0)).toBe(run.placed[0]?.from === 0 ? 0 : null);
    expect(stopAt(run, run.finish)).toBe(pour.stops.length - 1);
  });
});

describe('the route on the plan', () => {
  const plan = planFrame(
    worked.shell,
    { width: 200, height: 170, margin: 24 },
    pour.stand ? [pour.stand.at] : [],
  );
  if (!plan) throw new Error('no plan');

  it('begins at 1, shows the machine inside the picture, and a line to the hose', () => {
    const drawn = html(<RouteOnPlan frame={plan} pour={pour} hose={pour.route[3] ?? null} />);
    expect(drawn).toContain('>1</text>');
    if (!pour.stand) throw new Error('the demo says where its pump stands');
    expect(plan.y(pour.stand.at)).toBeGreaterThan(0);
    expect(drawn.match(/<line/g)).toHaveLength(1);
    expect(html(<RouteOnPlan frame={plan} pour={pour} />)).not.toContain('<line');
  });

  it('marks every place that a chute is moved to', () => {
    const chute = pourOf(ruled(['pour.method', 'chute']));
    const places = new Set(chute.stops.filter((stop) => stop.move).map((stop) => stop.slice));
    const drawn = html(<RouteOnPlan frame={plan} pour={chute} />);
    expect(drawn.match(/<rect/g)).toHaveLength(places.size);
    expect(places.size).toBeGreaterThan(2);
  });
});

describe('plates and bolts on the strip', () => {
  it('are a board along every top, its splices, and a mark for every bolt', () => {
    const drawn = html(<BoltLayer frame={frame} topoff={worked.topoff} />);
    const [plates = '', splices = '', bolts = ''] = [...drawn.matchAll(/<path d="([^"]*)"/g)].map(
      (match) => match[1],
    );
    const { runs } = worked.topoff;
    expect(plates.match(/M/g)).toHaveLength(runs.length);
    expect(splices.match(/M/g)).toHaveLength(runs.reduce((sum, run) => sum + run.pieces.length - 1, 0));
    expect(bolts.match(/M/g)).toHaveLength(worked.topoff.bolts.value);
  });
});

describe('words of the pour', () => {
  it('tell degrees in both scales, the job’s own first', () => {
    expect(degreesText(50, 'imperial')).toBe('50 °F (10 °C)');
    expect(degreesText(50, 'metric')).toBe('10 °C (50 °F)');
    expect(inScale(50, 'metric')).toBe(10);
    expect(fromScale(10, 'metric')).toBe(50);
    expect(fromScale(50, 'imperial')).toBe(50);
  });

  it('tell odds without claiming never or always', () => {
    expect([0, 0.0004, 0.05, 0.9999, 1].map(oddsText)).toEqual([
      'none seen',
      'under 1 %',
      '5 %',
      'over 99 %',
      '100 %',
    ]);
  });

  it('tell loads in whole yards or to the quarter', () => {
    expect(loadText(9 * 0.764554857984, 'imperial')).toBe('9 yd³');
    expect(loadText(8.75 * 0.764554857984, 'imperial')).toBe('8.75 yd³');
    expect(loadText(7, 'metric')).toBe('7 m³');
  });

  it('say to the plant what is ordered', () => {
    const said = phoneText(pour, demo).join(' ');
    expect(said).toContain(`${toCubicYards(pour.volumes.ordered.value).toFixed(2)} yd³ for 2027-04-14`);
    expect(said).toContain('first truck at 07:30');
    expect(said).toMatch(/slump 6 in/);
    expect(said).toMatch(/No water added/);
    const one = pourOf({ ...demo, pours: [{ id: 'pour-1', toCourse: 1, top: 'full' }] });
    expect(phoneText(one, demo)[1]).toBe('1 load.');
  });
});

describe('the parts of the pour', () => {
  it('tell lifts by height, hours and wall', () => {
    const drawn = html(<LiftsPanel {...panel} walls={walls} set={nothing} />);
    for (const { name } of pour.volumes.walls) expect(drawn).toContain(`>${name}</th>`);
    expect(drawn.match(/Concrete in lift \d/g)).toHaveLength(pour.lifts.length);
    expect(drawn).toContain(`in order (${String(pour.route.length)} places)`);
    expect(drawn).not.toContain('Lifts set by hand, from');
    const hand = ruled(['pour.lifts', 'by-hand']);
    expect(
      html(<LiftsPanel {...panel} job={jobOf(hand)} pour={pourOf(hand)} walls={walls} set={nothing} />),
    ).toContain('Lifts set by hand, from the bottom up');
  });

  it('tell loads with the balance, side pours, and what would change', () => {
    const drawn = html(<OrderPanel {...panel} walls={walls} set={nothing} />);
    expect(drawn).toContain('4, the balance');
    expect(drawn).toContain('Beam form inside');
    expect(drawn).toContain('Roll-up door forgotten');
    expect(drawn).toContain('value="Wren"');
    const chute = ruled(['pour.method', 'chute']);
    expect(
      html(<OrderPanel {...panel} job={jobOf(chute)} pour={pourOf(chute)} walls={walls} set={nothing} />),
    ).toMatch(/Moved during the pour \d+ times/);
  });

  it('tell the mix, and when the slump is not usual for the method', () => {
    expect(html(<MixPanel {...panel} set={nothing} />)).not.toContain('the order lies outside that');
    const stiff = ruled(['pour.mix.slump', 3]);
    expect(html(<MixPanel {...panel} job={jobOf(stiff)} pour={pourOf(stiff)} set={nothing} />)).toContain(
      'the order lies outside that',
    );
  });

  it('tell the pressure: reported only, inside, over, or none at all', () => {
    expect(html(<PressurePanel {...panel} />)).toContain('No capacity entered: shown, not checked.');
    const pressing = pour.pressing;
    if (!pressing) throw new Error('no pressure');
    const stated = (capacity: number, fastest: number | 'any' | 'none'): string =>
      html(
        <PressurePanel
          {...panel}
          pour={{ ...pour, pressing: { ...pressing, capacity, fastest, shortestLifts: [20, 30] } }}
        />,
      );
    expect(stated(pressing.judged + 1, 14)).toContain('The planned pace is within that.');
    expect(stated(pressing.judged - 1, 9)).toContain('The planned pace is over that.');
    expect(stated(1e6, 'any')).toContain('Any rate');
    expect(stated(1e3, 'none')).toContain('Even the slowest pour is over');
    expect(html(<PressurePanel {...panel} pour={{ ...pour, pressing: null }} />)).toContain(
      'No pressure to show',
    );
  });

  it('tell plates and bolts, and what lies before a corner', () => {
    const drawn = html(
      <TopPanel
        job={jobOf(demo)}
        topoff={worked.topoff}
        edges={worked.edges}
        wall={{ id: 'wall-1', name: 'A–B' }}
        open={null}
        onOpen={nothing}
      />,
    );
    expect(drawn).toContain(`Cut of ${String(worked.topoff.boards.value)} boards`);
    expect(drawn).toContain(`${String(worked.topoff.ledgerAnchors.cast)} cast in, 0 drilled`);
    expect(worked.topoff.ledgerAnchors.cast).toBeGreaterThan(10);
    const table = html(<PlateTable topoff={worked.topoff} units="imperial" />);
    // Round the inside corner D the plate begins before the corner that the tape hangs on.
    expect(table).toContain('9 1/4″ before it');
    expect(table.match(/<tr/g)).toHaveLength(1 + worked.topoff.runs.flatMap((run) => run.pieces).length);
  });

  it('tell what is still to be seen, and are ticked by those who may write', () => {
    const as = (role: string): void => {
      vi.stubGlobal('document', { documentElement: { dataset: { role } } });
    };
    as('look');
    expect(html(<ReadyList job={jobOf(demo)} pour={pour} />)).toContain('disabled=""');
    as('crew');
    expect(html(<ReadyList job={jobOf(demo)} pour={pour} />)).not.toContain('disabled=""');
    expect(html(<ReadyList job={jobOf(demo)} pour={pour} />)).toContain(
      `${String(pour.ready.length)} of ${String(pour.ready.length)} left to check.`,
    );
    const seen = applyEdit(demo, {
      kind: 'pour',
      change: { of: 'pour', pour: 'pour-1', change: { ready: pour.ready.map((item) => item.id) } },
    });
    expect(html(<ReadyList job={jobOf(seen)} pour={pourOf(seen)} />)).toContain('Everything is checked.');
    vi.unstubAllGlobals();
  });
});

describe('the rehearsal', () => {
  const run = playDay(pour.day, 1, [{ kind: 'lightning', at: 20, answer: 'call-off', minutes: 30 }]);
  const played: Played = {
    run,
    at: 18,
    playing: false,
    speed: 6,
    events: [{ kind: 'lightning', at: 20, answer: 'call-off', minutes: 30 }],
    goTo: nothing,
    play: nothing,
    setSpeed: nothing,
    setEvents: nothing,
  };
  const rehearsal: Rehearsal = {
    state: { kind: 'idle' },
    day: 'today',
    odds: null,
    trucks: null,
    remedies: null,
    playMany: nothing,
    findTrucks: nothing,
    stop: nothing,
  };
  const drawn = (change: Partial<Rehearsal> = {}): string =>
    html(
      <RehearsalPanel
        job={jobOf(demo)}
        pour={pour}
        played={played}
        rehearsal={{ ...rehearsal, ...change }}
        seed={1}
      />,
    );

  it('shows where the day stands, what was thrown in, and how it ends', () => {
    const words = drawn();
    expect(words).toContain('called off: bulkheads where the concrete stopped');
    expect(words).toContain('Remove Lightning at 07:50');
    expect(words).toMatch(/<strong>07:48<\/strong>/);
  });

  it('shows progress that can be stopped', () => {
    const busy = drawn({ state: { kind: 'odds', done: 2500 } });
    expect(busy).toMatch(/<progress[^>]*value="0\.25"/);
    expect(busy).toContain('Stop');
    expect(drawn({ state: { kind: 'stopped' } })).toContain('Stopped. Earlier results still hold.');
    expect(drawn({ state: { kind: 'broken' } })).toContain('That failed. Nothing was changed.');
  });

  it('tells what else would help where no trucks come well, and what cannot be planned', () => {
    const best = {
      trucks: 2,
      spacing: 45,
      cold: 0.01,
      overAge: 0,
      over: 0.02,
      waited: 30,
      stood: 12,
      cost: 900,
      waitCost: 2,
      finish: 200,
    };
    const words = drawn({
      trucks: { day: 'today', value: { done: 1, of: 1, tried: [best], best } },
      remedies: {
        day: 'today',
        value: {
          done: 3,
          of: 3,
          tried: [
            { kind: 'method', to: 'conveyor', edits: [], best },
            { kind: 'smaller-loads', to: '6 yd³', edits: [], best },
            { kind: 'lifts', to: 'three', edits: [], best: null },
          ],
        },
      },
    });
    expect(words).toContain('By conveyor instead');
    expect(words).toContain('forms over their capacity 2 %');
    expect(words).toContain('Use this: Loads of 6 yd³');
    expect(words).toMatch(/Three equal lifts<\/strong>: not possible/);
  });

  it('tells the best trucks with the reason, and why 30 minutes are too tight', () => {
    const day = { ...pour.day, rate: 7.6 };
    const own: WorkedPour = { ...pour, day, method: 'chute' };
    const best = {
      trucks: 4,
      spacing: 60,
      cold: 0,
      overAge: 0.01,
      over: 0,
      waited: 0,
      stood: 0,
      cost: 900,
      waitCost: 2,
      finish: 200,
    };
    const words = html(
      <RehearsalPanel
        job={jobOf(demo)}
        pour={own}
        played={played}
        rehearsal={{
          ...rehearsal,
          trucks: { day: 'today', value: { done: 1, of: 1, tried: [best], best } },
        }}
        seed={1}
      />,
    );
    expect(words).toContain('Best: 4 trucks, one every 60 min');
    expect(words).toMatch(/Off the chute a full truck takes the crew \d+ min/);
    expect(words).toMatch(/at 30 min each truck waits \d+ min longer than the last/);
    expect(words).toContain('Use this plan');
    expect(words).not.toContain('The pour has changed');
  });

  it('draws every load, and the minutes in which nobody placed', () => {
    const lanes = html(<TruckLanes pour={pour} run={pour.clock} at={30} />);
    expect(lanes.match(/class="fill-chalk"/g)).toHaveLength(pour.clock.trips.length);
    expect(lanes).toContain(`${String(pour.clock.trips.length)} loads, 1 on site 07:30`);
  });

  it('shows many days as distributions beside their limits', () => {
    const steps = manyDays(pour.day, 1, 60);
    let step = steps.next();
    while (step.done !== true) step = steps.next();
    const charts = html(<OddsCharts odds={step.value} pour={pour} units="imperial" />);
    for (const title of [
      'Longest wait of a layer',
      'Oldest load',
      'Done',
      'Pressure where it rises fastest',
    ]) {
      expect(charts).toContain(title);
    }
    expect(charts.match(/<figure/g)).toHaveLength(5);
  });
});

describe('on paper', () => {
  it('the pour card has lifts, trucks, people, stop rules and the list', () => {
    const drawn = html(<PourSheet {...sheetJob} worked={worked} />);
    for (const words of [
      '2027-04-14',
      'pump 07:00',
      'Lightning: everyone off the planks',
      'Before the pump unfolds',
      'Wren',
      'Weak places boarded on both faces',
      '4 balance',
      'Gloves, glasses, rubber boots',
    ]) {
      expect(drawn).toContain(words);
    }
  });

  it('says so where nothing stands', () => {
    const empty = work({ ...demo, loops: [{ id: 'l', closed: true, walk: [] }] });
    expect(html(<PourSheet {...sheetJob} worked={empty} />)).toContain('nothing to pour');
    expect(html(<TopSheet {...sheetJob} worked={empty} />)).toContain('no plates to set');
  });

  it('plates and bolts have every station and the rules behind them', () => {
    const drawn = html(<TopSheet {...sheetJob} worked={worked} />);
    expect(drawn).toContain(`${String(worked.topoff.bolts.value)} anchor bolts`);
    expect(drawn).toContain('Anchor bolts are at most 72″ apart.');
  });
});

describe('the stand-ins', () => {
  it('say the same of the same day, and something else of another', async () => {
    const day = (date: string): Date => new Date(`${date}T12:00:00Z`);
    const one = await simulatedPlant.quote(day('2027-04-14'));
    expect(await simulatedPlant.quote(day('2027-04-14'))).toEqual(one);
    const others = await Promise.all(
      ['2027-04-15', '2027-04-16', '2027-04-17'].map((date) => simulatedPlant.quote(day(date))),
    );
    expect(others.some((other) => other.travel !== one.travel)).toBe(true);
    for (const quote of [one, ...others]) {
      expect(quote.trucks).toBeGreaterThanOrEqual(2);
      expect(quote.travel).toBeGreaterThan(0);
    }
  });

  it('have colder winters than summers, and light for longer in summer', async () => {
    const mean = async (month: string): Promise<number> => {
      const days = await Promise.all(
        Array.from({ length: 20 }, (_, index) =>
          simulatedWeather.day(new Date(`2027-${month}-${String(index + 1).padStart(2, '0')}T12:00:00Z`)),
        ),
      );
      for (const each of days) expect(each.high).toBeGreaterThan(each.low);
      return days.reduce((sum, each) => sum + each.low, 0) / days.length;
    };
    expect(await mean('01')).toBeLessThan((await mean('07')) - 15);
    const [winter, summer] = await Promise.all(
      ['2027-01-10', '2027-07-10'].map((date) => simulatedWeather.day(new Date(`${date}T12:00:00Z`))),
    );
    expect((winter?.dark ?? '') < (summer?.dark ?? '')).toBe(true);
  });

  it('read the day that they are asked for', () => {
    const asked = (query: string) => askedDay(new URL(`http://x/api/plant${query}`));
    expect(asked('?date=2027-04-14')?.toISOString()).toBe('2027-04-14T12:00:00.000Z');
    expect(asked('?date=soon')).toBeNull();
    expect(asked('?date=2027-13-45')).toBeNull();
    expect(asked('')).toBeInstanceOf(Date);
    expect(chanceOf('a')).toBe(chanceOf('a'));
    expect(chanceOf('a')).not.toBe(chanceOf('b'));
  });

  it('the courses sheet tells how far bars stand out of a joint, by the house rule', () => {
    const storeys: Plan = {
      ...demo,
      rules: { 'steel.vertical.projection': '30in' },
      pours: [
        { id: 'low', name: 'Out of the ground', toCourse: 4, top: 'half' },
        { id: 'high', name: 'Up', toCourse: 7, top: 'full' },
      ],
    };
    const drawn = html(<CoursesSheet {...sheetJob} plan={storeys} worked={work(storeys)} />);
    expect(drawn).toContain('to the middle of its last block, bars sticking out 2′ 6″');
  });
});
