import { withoutKey } from '@ombra/core/kernel/plan';
import { houseRules, RULES, rulesOf } from '@ombra/core/rules';
import { type HouseRules, type RuleId, type RuleOverrides, defaultOf } from '@ombra/core/kernel/rules';
import type { PlacedOpening } from '@ombra/core/stages/openings';
import { min, showLength, USUAL } from '@ombra/core/kernel/measure';
import { type Wall, soilAgainst } from '@ombra/core/stages/outline';
import {
  type BarSystem,
  type HeldBy,
  type SteelZone,
  BAR_SYSTEMS,
  sizesOfSystem,
  systemsIn,
} from '@ombra/core/stages/steel';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { LengthField } from '../../ui/LengthField';
import type { Job } from '../../job/useJob';
import { FindField } from '../../rules/FindField';
import { RuleLines } from '../../rules/RuleLines';
import { OwnRules } from './OwnRules';

interface SpecPanelProps {
  readonly job: Job;
  readonly walls: readonly Wall[];
  readonly openings: readonly PlacedOpening[];
  readonly courses: number;
  /** How many walls take their verticals from a code table. */
  readonly fromTable: number;
}

/** What is said of a lintel: of the job's, and of one opening's own. */
const LINTEL: readonly (readonly [string, RuleId])[] = [
  ['Lintel bottom bars', 'steel.lintel.bottom'],
  ['Bottom bar size', 'steel.lintel.size'],
  ['Lintel top bars', 'steel.lintel.top'],
  ['Top bar size', 'steel.lintel.top.size'],
  ['Past the opening', 'steel.lintel.reach'],
  ['Max depth', 'steel.lintel.depth'],
  ['Stirrups', 'steel.stirrup.size'],
  ['Stirrup spacing', 'steel.stirrup.spacing'],
];
const OF_LINTEL = LINTEL.map(([line, id]) => ({ group: 'Lintel', line, id }));

/** The engineer's list in the engineer's words: what each line is called, and the rule behind it. */
const SPEC: readonly { readonly group: string; readonly lines: readonly (readonly [string, RuleId])[] }[] = [
  {
    group: 'Horizontals',
    lines: [
      ['Size', 'steel.horizontal.size'],
      ['Courses', 'steel.horizontal.courses'],
      ['Bars in the bottom course', 'steel.horizontal.bottom'],
      ['Bars in the top course', 'steel.horizontal.top'],
      ['Slots', 'steel.horizontal.slots'],
      ['Around corners', 'steel.corner'],
      ['Inside walls', 'steel.tee'],
    ],
  },
  {
    group: 'Verticals and dowels',
    lines: [
      ['Size', 'steel.vertical.size'],
      ['Spacing', 'steel.vertical.spacing'],
      ['First from a corner', 'steel.vertical.first'],
      ['Out of a pour joint', 'steel.vertical.projection'],
      ['Set this many courses below the top', 'steel.vertical.set'],
      ['Dowels', 'steel.dowel.size'],
      ['Spacing, 0 as the verticals', 'steel.dowel.spacing'],
      ['foot', 'steel.dowel.foot'],
      ['head', 'steel.dowel.head'],
      ['Into the footing', 'steel.dowel.embed'],
      ['Out of it, 0 for a lap', 'steel.dowel.projection'],
    ],
  },
  {
    group: 'Openings',
    lines: [
      ...LINTEL,
      ['Close neighbors', 'steel.lintel.share'],
      ['Jamb bars per side', 'steel.jamb.bars'],
      ['From the buck', 'steel.jamb.within'],
      ['Brick ledge, bent bars', 'steel.ledge.size'],
      ['Every … webs', 'steel.ledge.webs'],
    ],
  },
  {
    group: 'Laps, cover and stock',
    lines: [
      ['Grade', 'steel.grade'],
      ['Concrete', 'steel.concrete.strength'],
      ['Laps', 'steel.lap'],
      ['Lap length', 'steel.lap.length'],
      ['Laps away from corners', 'steel.lap.clear'],
      ['Cover to the foam', 'steel.cover.foam'],
      ['Soil as fluid weight', 'steel.soil.weight'],
      ['Bars sold in', 'steel.stock'],
      ['Cut lengths rounded to', 'steel.cut.step'],
    ],
  },
];

/** Rules that a zone may set for itself. */
const WHOLE_JOB: readonly RuleId[] = [
  'steel.grade',
  'steel.concrete.strength',
  'steel.lap',
  'steel.lap.length',
  'steel.stock',
  'steel.cut.step',
  'steel.soil.weight',
];
const IN_ZONES = SPEC.flatMap(({ group, lines }) =>
  lines.filter(([, id]) => !WHOLE_JOB.includes(id)).map(([line, id]) => ({ group, line, id })),
);

const HELD_WORDS: Readonly<Record<HeldBy, string>> = {
  unsaid: 'not set',
  top: 'top held',
  alone: 'stands alone',
};

/** A part of the job whose steel differs: which walls, which courses, and what differs in it. */
function Zone({
  job,
  zone,
  walls,
  courses,
}: Omit<SpecPanelProps, 'fromTable' | 'openings'> & { readonly zone: SteelZone }) {
  const { plan, edit } = job;
  const rules = houseRules({ ...plan.rules, ...zone.rules }, plan.units);
  const put = (change: Partial<SteelZone>): void => {
    edit({ kind: 'put-zone', zone: { ...zone, ...change } }, `zone:${zone.id}`);
  };
  const name = zone.name ?? 'zone';
  const chosen = (id: string): boolean => zone.walls?.includes(id) ?? true;
  const toggle = (id: string): void => {
    const now = walls.map((wall) => wall.id).filter((each) => (each === id ? !chosen(id) : chosen(each)));
    put({ walls: now });
  };
  return (
    <li className="border-l-4 border-steel pl-2">
      <div className="flex items-center gap-1">
        <input
          className="field font-medium"
          aria-label="Name of the zone"
          placeholder="below grade"
          maxLength={60}
          value={zone.name ?? ''}
          onChange={(event) => {
            put({ name: event.currentTarget.value });
          }}
          onBlur={job.endMerge}
        />
        <button
          type="button"
          className="button plain px-1"
          aria-label={`Remove the ${name}`}
          onClick={() => {
            edit({ kind: 'remove-zone', zone: zone.id });
          }}
        >
          <X aria-hidden="true" size={15} />
        </button>
      </div>
      <div className="mt-1 flex flex-wrap gap-1" role="group" aria-label={`Walls of the ${name}`}>
        {walls.map((wall) => (
          <button
            key={wall.id}
            type="button"
            className={`button figures px-1.5 ${chosen(wall.id) ? 'strong' : ''}`}
            aria-pressed={chosen(wall.id)}
            onClick={() => {
              toggle(wall.id);
            }}
          >
            {wall.name}
          </button>
        ))}
        <label className="figures flex items-center gap-1">
          courses
          {(['fromCourse', 'toCourse'] as const).map((key) => (
            <input
              key={key}
              className="field w-12! text-center"
              inputMode="numeric"
              aria-label={`${key === 'fromCourse' ? 'First' : 'Last'} course of the ${name}`}
              maxLength={2}
              placeholder={key === 'fromCourse' ? '1' : String(courses)}
              value={zone[key] ?? ''}
              onChange={(event) => {
                const value = Number(event.currentTarget.value);
                if (event.currentTarget.value === '') {
                  const rest = withoutKey(zone, key);
                  edit({ kind: 'put-zone', zone: rest });
                } else if (Number.isInteger(value) && value > 0) put({ [key]: value });
              }}
            />
          ))}
        </label>
      </div>
      <OwnRules
        name={name}
        lines={IN_ZONES}
        own={zone.rules}
        rules={rules}
        units={plan.units}
        onPut={(own) => {
          put({ rules: own });
        }}
      />
    </li>
  );
}

/** Lintels that differ from the job's: an opening is picked, then what differs over it. */
function OwnLintels({ job, openings }: Pick<SpecPanelProps, 'job' | 'openings'>) {
  const { plan, edit } = job;
  const differing = openings.filter(({ lintel }) => lintel !== undefined);
  const put = (opening: string, own: RuleOverrides | null): void => {
    edit({ kind: 'set-opening', opening, change: { lintel: own } }, `lintel:${opening}`);
  };
  return (
    <section aria-label="Lintels" className="min-w-0">
      <h3 className="heading">Lintels that differ</h3>
      <ul className="flex flex-col gap-3">
        {differing.map(({ id, name, lintel = {} }) => (
          <li key={id} className="border-l-4 border-steel pl-2">
            <div className="flex items-center justify-between gap-1">
              <span className="font-medium">{name}</span>
              <button
                type="button"
                className="button plain px-1"
                aria-label={`The job’s lintel over ${name} again`}
                onClick={() => {
                  put(id, null);
                }}
              >
                <X aria-hidden="true" size={15} />
              </button>
            </div>
            <OwnRules
              name={`lintel over ${name}`}
              lines={OF_LINTEL}
              own={lintel}
              rules={houseRules({ ...plan.rules, ...lintel }, plan.units)}
              units={plan.units}
              onPut={(own) => {
                put(id, own);
              }}
            />
          </li>
        ))}
      </ul>
      {openings.length > differing.length && (
        <select
          className="field mt-1"
          aria-label="Opening whose lintel differs"
          value=""
          onChange={(event) => {
            put(event.currentTarget.value, {});
          }}
        >
          <option value="">The lintel over …</option>
          {openings
            .filter(({ lintel }) => lintel === undefined)
            .map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
        </select>
      )}
    </section>
  );
}

const SYSTEM_NAMES: Readonly<Record<BarSystem, string>> = {
  us: 'US (#3 to #6)',
  canadian: 'Canadian (10M to 20M)',
  metric: 'metric (10 to 20 mm)',
};

/** One choice for all sizes: each becomes the next of the other system with no less steel. */
function Systems({ job, rules }: Pick<SpecPanelProps, 'job'> & { readonly rules: HouseRules }) {
  const now = systemsIn(rules);
  return (
    <div className="col-span-full flex flex-wrap items-center gap-1" role="group" aria-label="All bar sizes">
      <span className="heading">All sizes</span>
      {BAR_SYSTEMS.map((system) => {
        const chosen = now.size === 1 && now.has(system);
        return (
          <button
            key={system}
            type="button"
            className={`button ${chosen ? 'strong' : ''}`}
            aria-pressed={chosen}
            onClick={() => {
              job.edit({
                kind: 'all',
                edits: sizesOfSystem(rules, system).map(([rule, value]) => ({
                  kind: 'set-rule',
                  rule,
                  value: value === defaultOf(RULES[rule], job.plan.units) ? null : value,
                })),
              });
            }}
          >
            {SYSTEM_NAMES[system]}
          </button>
        );
      })}
      <span className="text-sm text-quiet">Each changes to the next size with at least as much steel.</span>
    </div>
  );
}

/** What the drawings or the engineer say: sizes, spacings, laps; soil by wall; parts of the job that differ. */
export function SpecPanel({ job, walls, openings, courses, fromTable }: SpecPanelProps) {
  const { plan, edit, endMerge, freshId } = job;
  const rules = rulesOf(plan);
  const [find, setFind] = useState('');
  /** The soil that follows from the ground of the pours, where this wall's own is not said. */
  const soilHint = (wall: string): string => {
    const { worked } = job;
    const ground = worked?.ground.after[wall];
    const spans = worked?.levels.walls[wall] ?? [];
    const soil = ground ? soilAgainst(ground, min(...spans.map(({ bottom }) => bottom))) : null;
    return soil === null ? 'none' : showLength(soil, plan.units);
  };
  return (
    <div className="grid grid-cols-[repeat(auto-fit,minmax(290px,1fr))] gap-x-6 gap-y-4">
      <Systems job={job} rules={rules} />
      <div className="col-span-full">
        <FindField find={find} onFind={setFind} />
      </div>
      {SPEC.map(({ group, lines }) => (
        <section key={group} aria-label={group} className="min-w-0">
          <h3 className="heading">{group}</h3>
          {group === 'Verticals and dowels' && fromTable > 0 && (
            <p className="text-sm text-chalk">
              {fromTable === 1 ? 'One wall takes' : `${String(fromTable)} walls take`} size and spacing from “
              {plan.steel?.table?.name ?? ''}”; these hold for the others.
            </p>
          )}
          <RuleLines job={job} lines={lines} find={find} />
        </section>
      ))}
      <section aria-label="Soil" className="min-w-0">
        <h3 className="heading">Soil on each wall, and what holds its top</h3>
        <ul>
          {walls.map((wall) => {
            const soil = plan.steel?.walls?.[wall.id];
            return (
              <li key={wall.id} className="grid grid-cols-[52px_90px_1fr] items-center gap-1 py-0.5">
                <span className="figures font-semibold">{wall.name}</span>
                <LengthField
                  usual={USUAL.height}
                  label={`Soil on ${wall.name}, above its footing`}
                  text={soil?.backfill ?? ''}
                  units={plan.units}
                  placeholder={soilHint(wall.id)}
                  onType={(text) => {
                    edit(
                      {
                        kind: 'set-soil',
                        wall: wall.id,
                        change: { backfill: text.trim() === '' ? null : text },
                      },
                      `${wall.id}:soil`,
                    );
                  }}
                  onLeave={endMerge}
                />
                <select
                  className="field"
                  aria-label={`What holds the top of ${wall.name}`}
                  value={soil?.held ?? 'unsaid'}
                  onChange={(event) => {
                    edit({
                      kind: 'set-soil',
                      wall: wall.id,
                      change: { held: event.currentTarget.value as HeldBy },
                    });
                  }}
                >
                  {(Object.keys(HELD_WORDS) as HeldBy[]).map((held) => (
                    <option key={held} value={held}>
                      {HELD_WORDS[held]}
                    </option>
                  ))}
                </select>
              </li>
            );
          })}
        </ul>
      </section>
      {openings.length > 0 && <OwnLintels job={job} openings={openings} />}
      <section aria-label="Zones" className="min-w-0">
        <h3 className="heading">Parts of the job that differ</h3>
        <ul className="flex flex-col gap-3">
          {(plan.steel?.zones ?? []).map((zone) => (
            <Zone key={zone.id} job={job} zone={zone} walls={walls} courses={courses} />
          ))}
        </ul>
        <button
          type="button"
          className="button mt-1"
          onClick={() => {
            edit({ kind: 'put-zone', zone: { id: freshId(), rules: {} } });
          }}
        >
          <Plus aria-hidden="true" size={14} /> Zone
        </button>
      </section>
    </div>
  );
}
