import { rulesOf } from '@ombra/core/rules';
import { showLength } from '@ombra/core/kernel/measure';
import type { HouseRules, RuleId } from '@ombra/core/kernel/rules';
import { type Bracing, type Ground, type WallBraces, STANDS_ON } from '@ombra/core/stages/bracing';
import type { Wall } from '@ombra/core/stages/outline';
import { useMemo } from 'react';
import { Choice } from '../../ui/Choice';
import { ScrollBox } from '../../ui/ScrollBox';
import { TableHead } from '../../ui/TableHead';
import type { Job } from '../../job/useJob';
import { RuleLines } from '../../rules/RuleLines';
import { sideText, uprightText, whyText } from './bracingWords';

interface WallsPanelProps {
  readonly job: Job;
  readonly bracing: Bracing;
  /** The walls as the shown pour braces them. */
  readonly braced: readonly WallBraces[];
  readonly wall: Wall;
  readonly chosen: string | null;
  readonly onChoose: (brace: string | null) => void;
}

/** What the crew decides, and the rule behind it. */
const LINES: readonly (readonly [string, RuleId])[] = [
  ['Held by', 'bracing.gear'],
  ['Crew works on', 'bracing.access'],
  ['From a corner', 'bracing.corner'],
  ['Max brace spacing', 'bracing.spacing.most'],
  ['Courses screwed, %', 'bracing.strip.share'],
  ['Planks below the top', 'bracing.platform.below'],
  ['Go up at course', 'bracing.first.courses'],
  ['Low walls up to', 'bracing.stem.height'],
];

const GROUND_WORDS: Readonly<Record<Ground, string>> = {
  firm: 'firm',
  loose: 'too loose for stakes',
  bank: 'a bank',
};

function Brackets({
  own,
  rules,
  units,
}: {
  readonly own: WallBraces;
  readonly rules: HouseRules;
  readonly units: Job['plan']['units'];
}) {
  if (own.way === 'waler') {
    return (
      <p>
        A low wall: a waler along its top and {own.diagonals.length} diagonals, at{' '}
        {own.diagonals.map((at) => showLength(at, units)).join(', ')}.
      </p>
    );
  }
  return (
    <p>
      Braced {sideText(own)}. Legs’ feet need {showLength(rules.length('bracing.foot.clear'), units)} of clear
      ground.{' '}
      {own.planks.length > 0 &&
        `Planks ${showLength(own.platform, units)} above ${STANDS_ON[own.on]}, ${String(own.abreast)} side by side${own.dropped === 0 ? '' : `, brackets dropped by ${own.dropped === 1 ? 'a plank' : 'two planks'} so that planks pass at the corners`}${own.guardrail ? ', with guardrails' : ''}.`}
    </p>
  );
}

/** One wall's bracing: its side and ground, every brace with its station and why, and what the crew decides for all. */
export function WallsPanel({ job, bracing, braced, wall, chosen, onChoose }: WallsPanelProps) {
  const { plan, edit, worked } = job;
  const { units } = plan;
  const rules = useMemo(() => rulesOf(plan), [plan]);
  const own = braced.find((each) => each.wall === wall.id);
  const said = plan.bracing?.walls?.[wall.id];
  const nameOf = (id: string): string =>
    worked?.openings.placed.find((opening) => opening.id === id)?.name ?? 'an opening';
  const set = (change: Record<string, string | null>): void => {
    edit({ kind: 'bracing', change: { of: 'wall', wall: wall.id, change } });
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_310px] gap-6 max-lg:grid-cols-1">
      <section aria-label={`Braces of ${wall.name}`} className="flex min-w-0 flex-col gap-3">
        <div className="flex flex-wrap items-end gap-4">
          <div className="w-64">
            <Choice
              label={`${wall.name}: which side`}
              name="side"
              value={said?.side ?? 'own'}
              options={[
                { value: 'own', label: 'automatic' },
                { value: 'inside', label: 'inside' },
                { value: 'outside', label: 'outside' },
              ]}
              onChoose={(side) => {
                set({ side: side === 'own' ? null : side });
              }}
            />
          </div>
          {(['inside', 'outside'] as const).map((side) => (
            <label key={side} className="block">
              <span className="heading mb-0.5 block">Ground {side}</span>
              <select
                className="field"
                value={said?.[side] ?? 'firm'}
                onChange={(event) => {
                  const ground = event.currentTarget.value;
                  set({ [side]: ground === 'firm' ? null : ground });
                }}
              >
                {(Object.keys(GROUND_WORDS) as Ground[]).map((ground) => (
                  <option key={ground} value={ground}>
                    {GROUND_WORDS[ground]}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </div>
        {own && <Brackets own={own} rules={rules} units={units} />}
        {!own && <p>Nothing of this wall is stacked in this pour.</p>}
        {own && own.braces.length > 0 && (
          <ScrollBox label={`Stations of ${wall.name}`} height="max-h-96">
            <table className="figures w-full border-collapse text-[17px]">
              <TableHead
                names={['brace', `from ${wall.from}`, 'bay', 'why', 'strips', 'upright']}
                left={['why', 'upright']}
              />
              <tbody>
                {own.braces.map((brace, index) => {
                  const before = own.braces[index - 1];
                  return (
                    <tr
                      key={brace.id}
                      className={`border-b border-line ${brace.id === chosen ? 'bg-chalk-wash' : ''}`}
                    >
                      <th scope="row" className="px-1 text-left">
                        <button
                          type="button"
                          className="underline decoration-dotted underline-offset-3"
                          aria-pressed={brace.id === chosen}
                          onClick={() => {
                            onChoose(brace.id === chosen ? null : brace.id);
                          }}
                        >
                          {index + 1}
                        </button>
                      </th>
                      <td className="px-1 text-right font-semibold">{showLength(brace.at, units)}</td>
                      <td className="px-1 text-right">
                        {before ? showLength((brace.at - before.at) as typeof brace.at, units) : ''}
                      </td>
                      <td className="px-1">{whyText(brace, nameOf)}</td>
                      <td className="px-1 text-right">
                        {brace.caught.length} of {brace.courses}
                      </td>
                      <td className="px-1">{uprightText(brace, units)}</td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </ScrollBox>
        )}
        {own && own.planks.length > 0 && (
          <p className="figures text-[16px]">
            Planks:{' '}
            {own.planks.map((plank) => (
              <span key={plank.from} className="mr-4 inline-block">
                <strong>{showLength(plank.length, units)}</strong> from {showLength(plank.from, units)} to{' '}
                {showLength(plank.to, units)}
              </span>
            ))}
          </p>
        )}
      </section>
      <section aria-label="Crew’s choices">
        <h3 className="heading">Whole job</h3>
        {bracing.spacing && (
          <p className="text-sm text-quiet">
            Planks of {showLength(bracing.spacing.plank, units)} over {bracing.spacing.bays}{' '}
            {bracing.spacing.bays === 1 ? 'bay' : 'bays'} allow{' '}
            <strong>{showLength(bracing.spacing.spacing, units)}</strong>, each end{' '}
            {showLength(bracing.spacing.overhang, units, { style: 'inches' })} over: the widest spacing on
            strips that the planks on hand allow.
          </p>
        )}
        <RuleLines job={job} lines={LINES} />
      </section>
    </div>
  );
}
