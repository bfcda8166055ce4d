import { rulesOf } from '@ombra/core/rules';
import type { WalkRow, Wall, WallChange } from '@ombra/core/stages/outline';
import { systemOf } from '@ombra/core/kernel/forms';
import { type Length, USUAL, readLength, showLength, storeLength, times } from '@ombra/core/kernel/measure';
import { cutRulesOf, expectedGrowth, seamHoles, snapSeam } from '@ombra/core/stages/courses';
import type { WorkedPlan } from '@ombra/core/work';
import { Choice } from '../../../ui/Choice';
import { LengthField } from '../../../ui/LengthField';
import type { Job } from '../../../job/useJob';
import { CardFrame } from './CardFrame';
import { RakeFields } from './RakeFields';
import { SplitFields } from './SplitFields';
import { StepList } from './StepList';

interface WallCardProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly wall: Wall;
  readonly onClose: () => void;
}

const BONDS = [
  { value: 'running', label: 'Running bond' },
  { value: 'seam', label: 'Common seam' },
] as const;

/** What is flush where walls of two cores stand in one line and the plan does not say, by the face that lengths run to. */
const FLUSH_OF = { form: 'outside faces', concrete: 'outside faces', centre: 'middles' } as const;

/** Splits `up 32in` into its direction and its size. */
function stepParts(text: string): { readonly up: boolean; readonly size: string } {
  const down = /^\s*down\b/i.test(text);
  return { up: !down, size: text.replace(/^\s*(up|down)\s*/i, '') };
}

/** What is chosen for one wall: core, bond, corner, top, steps of footing and top, and what the tape said. */
export function WallCard({ job, worked, wall, onClose }: WallCardProps) {
  const { plan, edit, endMerge, freshId } = job;
  const { units } = plan;
  const row: WalkRow | undefined = plan.loops
    .flatMap((loop) => loop.walk)
    .find((each) => each.id === wall.id);
  const { family } = worked.shell;
  if (!row || !family) return null;
  const rules = rulesOf(plan);
  const change = (part: WallChange, merge?: string): void => {
    edit(
      { kind: 'set-wall', row: row.id, change: part },
      merge === undefined ? undefined : `${row.id}:${merge}`,
    );
  };
  const fill = worked.courses.fills.find((each) => each.wall === wall.id);
  const corner = worked.shell.loops
    .flatMap((loop) => loop.built?.corners ?? [])
    .find((each) => each.wallAfter === wall.id);
  const before = worked.shell.loops
    .flatMap((loop) => loop.built?.walls ?? [])
    .find((each) => each.id === corner?.wallBefore);
  const middleSeam = (): Length | null =>
    fill
      ? snapSeam({
          fill,
          length: wall.length,
          wanted: (wall.length / 2) as Length,
          rules: cutRulesOf(systemOf(family), rules),
          within: systemOf(family).block,
          holes: seamHoles(worked.openings.placed.filter((each) => each.worked && each.wall === wall.id)),
        })
      : null;
  const ownCore = row.core === undefined ? null : readLength(row.core, units);
  const pieces = worked.courses.pieces.filter(
    (piece) => piece.kind !== 'corner' && piece.wall === wall.id && piece.course === 1,
  ).length;
  const topOf = (count: number): Length | null => worked.levels.tops[count] ?? null;
  const inInches = (length: Length): string =>
    showLength(length, units, { style: 'inches', partsPerInch: 32 });
  return (
    <CardFrame title={`Wall ${wall.name}`} onClose={onClose}>
      <div className="grid grid-cols-[repeat(auto-fit,minmax(215px,1fr))] gap-x-5 gap-y-3">
        <div className="flex flex-col gap-2">
          <Choice
            label="Bond"
            name={`bond-${wall.id}`}
            value={row.bond?.kind ?? 'running'}
            options={BONDS}
            onChoose={(kind) => {
              const at = middleSeam();
              change({
                bond: kind === 'running' || at === null ? null : { kind, at: storeLength(at, units) },
              });
            }}
          />
          {row.bond?.kind === 'seam' && (
            <div>
              <span className="heading mb-0.5 block">Seam from {wall.from}, form face</span>
              <LengthField
                usual={USUAL.station}
                label={`Seam, how far from ${wall.from}`}
                text={row.bond.at}
                units={units}
                onType={(at) => {
                  change({ bond: { kind: 'seam', at } }, 'seam');
                }}
                onLeave={endMerge}
              />
              <p className="text-sm text-quiet">Drag its mark on the strip. It snaps clear of webs.</p>
            </div>
          )}
          {row.bond?.kind === 'running' && row.bond.cuts && (
            <button
              type="button"
              className="button"
              onClick={() => {
                change({ bond: null });
              }}
            >
              Use the usual cuts again
            </button>
          )}
        </div>
        <div className="flex flex-col gap-2">
          {corner && before && (
            <label className="block">
              <span className="heading mb-0.5 block">
                {corner.kind === 'straight'
                  ? `Joint at ${corner.letter}, course 1: whole block`
                  : `Corner ${corner.letter}, course 1: long leg`}
              </span>
              <select
                className="field"
                value={row.lead ?? ''}
                onChange={(event) => {
                  const lead = event.currentTarget.value;
                  change({ lead: lead === 'starting-wall' || lead === 'ending-wall' ? lead : null });
                }}
              >
                <option value="">by the house rule</option>
                <option value="starting-wall">on {wall.name}</option>
                <option value="ending-wall">on {before.name}</option>
              </select>
            </label>
          )}
          <label className="block">
            <span className="heading mb-0.5 block">Core</span>
            <select
              className="field figures"
              value={ownCore?.ok === true ? storeLength(ownCore.length, 'imperial') : ''}
              onChange={(event) => {
                change({ core: event.currentTarget.value === '' ? null : event.currentTarget.value });
              }}
            >
              <option value="">as the job: {plan.core}</option>
              {family.cores.map((each) => (
                <option key={each} value={storeLength(each, 'imperial')}>
                  {showLength(each, units, { style: 'inches' })}
                </option>
              ))}
            </select>
          </label>
          {!wall.curve && (
            <SplitFields key={`${wall.id}:${String(wall.core)}`} job={job} worked={worked} wall={wall} />
          )}
          {corner?.kind === 'straight' && before && before.core !== wall.core && (
            <label className="block">
              <span className="heading mb-0.5 block">Flush with {before.name}</span>
              <select
                className="field"
                value={row.flush ?? ''}
                onChange={(event) => {
                  const flush = event.currentTarget.value;
                  change({
                    flush: flush === 'outside' || flush === 'inside' || flush === 'middle' ? flush : null,
                  });
                }}
              >
                <option value="">as the lengths run: {FLUSH_OF[plan.measuredTo]}</option>
                <option value="outside">outside faces</option>
                <option value="inside">inside faces</option>
                <option value="middle">middles of the walls</option>
              </select>
            </label>
          )}
          <div>
            <span className="heading mb-0.5 block">Top</span>
            <LengthField
              label={`Top of ${wall.name}`}
              text={row.top ?? ''}
              units={units}
              usual={USUAL.height}
              ofCourses={topOf}
              placeholder="as the job; or 5 courses, 7′ 4″"
              onType={(top) => {
                change({ top: top.trim() === '' ? null : top }, 'top');
              }}
              onLeave={endMerge}
            />
          </div>
        </div>
        <StepList
          heading={`Footing steps, from ${wall.from} to ${wall.to}`}
          boxes={['up or down', 'by']}
          name="footing step"
          from={wall.from}
          units={units}
          steps={row.footing ?? []}
          make={() => ({ id: freshId(), at: '', step: `up ${storeLength(family.courseHeight, units)}` })}
          onChange={(footing, merge) => {
            change({ footing }, merge);
          }}
          onLeave={endMerge}
        >
          {(step, put, place) => {
            const { up, size } = stepParts(step.step);
            return (
              <>
                <select
                  className="field w-auto!"
                  aria-label={`${place}: up or down`}
                  value={up ? 'up' : 'down'}
                  onChange={(event) => {
                    put({ ...step, step: `${event.currentTarget.value} ${size}` });
                  }}
                >
                  <option value="up">up</option>
                  <option value="down">down</option>
                </select>
                <div className="w-20">
                  <LengthField
                    usual={USUAL.step}
                    ofCourses={(count) => times(family.courseHeight, count)}
                    placeholder="2 courses"
                    label={`${place}: by how much`}
                    text={size}
                    units={units}
                    onType={(text) => {
                      put({ ...step, step: `${up ? 'up' : 'down'} ${text}` });
                    }}
                    onLeave={endMerge}
                  />
                </div>
              </>
            );
          }}
        </StepList>
        <StepList
          heading="Top steps"
          boxes={['top from there']}
          name="top step"
          from={wall.from}
          units={units}
          steps={row.topSteps ?? []}
          make={() => ({ id: freshId(), at: '', top: '' })}
          onChange={(topSteps, merge) => {
            change({ topSteps }, merge);
          }}
          onLeave={endMerge}
        >
          {(step, put, place) => (
            <div className="w-28">
              <LengthField
                label={`${place}: the top from there on`}
                text={step.top}
                units={units}
                usual={USUAL.height}
                ofCourses={topOf}
                placeholder="5 courses"
                onType={(top) => {
                  put({ ...step, top });
                }}
                onLeave={endMerge}
              />
            </div>
          )}
        </StepList>
        <RakeFields
          rake={row.rake}
          wall={wall}
          units={units}
          topOf={topOf}
          courses={worked.levels.courses}
          freshId={freshId}
          onChange={(rake, merge) => {
            change({ rake }, merge);
          }}
          onLeave={endMerge}
        />
        <div>
          <h4 className="heading mb-0.5">As laid</h4>
          <p className="text-sm text-quiet">
            A row of {pieces} pieces may grow by {inInches(expectedGrowth(pieces, { rules }))}
            {fill
              ? `; trim at ${showLength(fill.odd.trimAt, units)} or ${showLength(fill.even.trimAt, units)}.`
              : '.'}
          </p>
          <ul className="flex flex-col gap-1">
            {(row.asLaid ?? []).map((entry, index) => (
              <li key={index} className="flex items-start gap-1">
                <select
                  className="field figures w-auto!"
                  aria-label={`Pulled length ${String(index + 1)}: course`}
                  value={entry.course}
                  onChange={(event) => {
                    const course = Number(event.currentTarget.value);
                    change({
                      asLaid: (row.asLaid ?? []).map((each, at) =>
                        at === index ? { ...each, course } : each,
                      ),
                    });
                  }}
                >
                  {Array.from({ length: Math.max(worked.courses.count, entry.course) }, (_, at) => (
                    <option key={at} value={at + 1}>
                      course {at + 1}
                    </option>
                  ))}
                </select>
                <div className="w-28">
                  <LengthField
                    usual={USUAL.wall}
                    label={`Pulled length ${String(index + 1)}`}
                    text={entry.length}
                    units={units}
                    onType={(length) => {
                      change(
                        {
                          asLaid: (row.asLaid ?? []).map((each, at) =>
                            at === index ? { ...each, length } : each,
                          ),
                        },
                        `laid:${String(index)}`,
                      );
                    }}
                    onLeave={endMerge}
                  />
                </div>
                <button
                  type="button"
                  className="button plain px-1.5"
                  aria-label={`Remove pulled length ${String(index + 1)}`}
                  onClick={() => {
                    change({ asLaid: (row.asLaid ?? []).filter((_, at) => at !== index) });
                  }}
                >
                  ×
                </button>
              </li>
            ))}
          </ul>
          <button
            type="button"
            className="button mt-1"
            onClick={() => {
              change({
                asLaid: [...(row.asLaid ?? []), { course: 1, length: storeLength(wall.length, units) }],
              });
            }}
          >
            + Pulled length
          </button>
        </div>
      </div>
    </CardFrame>
  );
}
