import { type Figure, showVolume } from '@ombra/core/kernel/figures';
import { type Length, showLength } from '@ombra/core/kernel/measure';
import type { WorkedPlan } from '@ombra/core/work';
import { Choice } from '../../ui/Choice';
import { ScrollBox } from '../../ui/ScrollBox';
import type { Job } from '../../job/useJob';
import { FigureRow } from '../../frame/figures/FigureRow';
import { TableHead } from '../../ui/TableHead';
import { plankPlace } from './plankPlace';

interface FirstCoursePanelProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

const GLUES = [
  { value: 'two-courses-first', label: 'two courses stacked dry, then glued' },
  { value: 'as-laid', label: 'glued as laid' },
  { value: 'foamed-last', label: 'foamed when the wall is stacked' },
  { value: 'mortar', label: 'bedded in mortar' },
] as const;

/** The first course: how it is held, tied and fixed; and what insulated forms or rock take besides. */
export function FirstCoursePanel({ job, worked, open, onOpen }: FirstCoursePanelProps) {
  const { units } = job.plan;
  const { firstCourse, forms, rock, bases } = worked.footing;
  const nameOf = (id: string): string =>
    bases.loops.flatMap((loop) => loop.walls).find((wall) => wall.wall === id)?.name ?? '';
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const figure = (each: Figure, name: string) => (
    <FigureRow figure={each} name={name} units={units} open={open} onOpen={onOpen} />
  );
  const line = (name: string, value: string) => (
    <p key={name} className="figures flex justify-between border-b border-line px-1 text-[17px]">
      <span>{name}</span>
      <span className="font-semibold">{value}</span>
    </p>
  );
  return (
    <div className="grid grid-cols-[300px_minmax(0,1fr)] gap-6 max-md:grid-cols-1">
      <div className="flex flex-col gap-3">
        {firstCourse.hold === 'forms' ? (
          <p className="text-quiet">
            The footing forms hold the wall on line: no kickers, and no glue but their bead.
          </p>
        ) : (
          <>
            <Choice
              label="Held on line by"
              name="footing-hold"
              value={firstCourse.hold}
              options={[
                { value: 'kickers', label: 'kicker boards' },
                { value: 'track', label: 'track' },
              ]}
              onChoose={(value) => {
                job.edit({
                  kind: 'set-rule',
                  rule: 'footing.hold',
                  value: value === 'kickers' ? null : value,
                });
              }}
            />
            <label className="block">
              <span className="heading mb-0.5 block">Fixed to the footing</span>
              <select
                className="field"
                value={firstCourse.glue}
                onChange={(event) => {
                  const { value } = event.currentTarget;
                  job.edit({
                    kind: 'set-rule',
                    rule: 'footing.glue',
                    value: value === 'two-courses-first' ? null : value,
                  });
                }}
              >
                {GLUES.map(({ value, label }) => (
                  <option key={value} value={value}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
          </>
        )}
        <div>
          {line('Joints', String(firstCourse.joints))}
          {figure(firstCourse.ties, 'Ties across the joints')}
          {firstCourse.hold !== 'forms' && (
            <>
              {figure(firstCourse.held, firstCourse.hold === 'track' ? 'Track lengths' : 'Kicker boards')}
              {figure(firstCourse.fixed, firstCourse.glue === 'mortar' ? 'Mortar' : 'Cans of foam')}
            </>
          )}
        </div>
      </div>
      {forms && (
        <section aria-label="Insulated footing forms" className="min-w-0">
          <h3 className="heading">Insulated footing forms</h3>
          <div className="grid grid-cols-2 gap-x-6 max-lg:grid-cols-1">
            <div>
              {figure(forms.planks, 'Planks')}
              {figure(forms.ties, 'Ties')}
              {line('Split ties in the miters', String(forms.splitTies))}
              {line('Stakes', String(forms.stakes))}
            </div>
            <div>
              {line(`Bars through, ${String(forms.bars.count)} each`, showLength(forms.bars.length, units))}
              {line('Foam bead under the wall forms', showLength(forms.bead, units))}
              {figure(forms.stone, 'Stone, bed and mounds')}
            </div>
          </div>
          <h3 className="heading mt-2">Planks by wall, long point to long point</h3>
          <ScrollBox label="Planks by wall" height="max-h-44">
            <table className="figures w-full border-collapse text-[16px]">
              <TableHead names={['wall', 'run', 'whole', 'and cut']} />
              <tbody>
                {forms.runs.map((run) => (
                  <tr key={`${run.wall}:${run.side}:${String(run.part)}`} className="border-b border-line">
                    <th scope="row" className="px-1 text-left font-medium">
                      {plankPlace(run)}
                    </th>
                    <td className="px-1 text-right">{showLength(run.length, units)}</td>
                    <td className="px-1 text-right">{run.whole}</td>
                    <td className="felt px-1 text-right">{run.cut === null ? '–' : inInches(run.cut)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </ScrollBox>
        </section>
      )}
      {bases.kind === 'rock' &&
        (rock ? (
          <section aria-label="On rock" className="min-w-0">
            <h3 className="heading">On rock</h3>
            <div className="grid grid-cols-2 gap-x-6 max-lg:grid-cols-1">
              <div>
                {figure(rock.fills, 'Concrete under the core')}
                {figure(rock.lost, 'Lost under open panels')}
              </div>
              <div>
                {line('Wood blocks', String(rock.blocks.length))}
                {line('Boards, both panels', showLength(rock.boards, units))}
              </div>
            </div>
            <h3 className="heading mt-2">Gap closed with</h3>
            <ScrollBox label="Gap by stretch" height="max-h-44">
              <ul className="figures text-[16px]">
                {rock.stretches.map((stretch) => (
                  <li
                    key={`${stretch.wall}:${String(stretch.from)}`}
                    className="flex justify-between gap-3 border-b border-line px-1"
                  >
                    <span>
                      {nameOf(stretch.wall)} {showLength(stretch.from, units)} to{' '}
                      {showLength(stretch.to, units)}
                    </span>
                    <span>
                      gap {inInches(stretch.least)} to {inInches(stretch.most)}:{' '}
                      <strong>{stretch.closure}</strong>
                    </span>
                  </li>
                ))}
              </ul>
            </ScrollBox>
            <p className="mt-1 text-sm text-quiet">
              The footing sheet prints the rock line of every scribed stretch and the height of every wood
              block.
            </p>
          </section>
        ) : (
          <p className="text-quiet">Survey the rock first. It gives the gap under every block.</p>
        ))}
      {!forms && bases.kind !== 'rock' && (
        <section aria-label="Shims" className="min-w-0">
          <h3 className="heading">Shims by block</h3>
          {worked.footing.survey?.high ? (
            <ScrollBox label="Shims by block" height="max-h-64">
              <ol className="figures grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-x-5 text-[16px]">
                {worked.footing.survey.blocks.map((block, index) => (
                  <li key={index} className="flex justify-between gap-2 border-b border-line px-1">
                    <span>
                      {index + 1} · {nameOf(block.wall)}{' '}
                      {showLength(block.places[0]?.at ?? (0 as Length), units)}
                    </span>
                    <span className="felt flex gap-3">
                      {block.places.map((each) => (
                        <span key={each.at}>
                          {each.shim === 0
                            ? '0'
                            : showLength(each.shim, units, { style: 'inches', bare: true })}
                        </span>
                      ))}
                    </span>
                  </li>
                ))}
              </ol>
            </ScrollBox>
          ) : (
            <p className="text-quiet">They come from the level survey.</p>
          )}
          {worked.footing.firstLift && (
            <p className="mt-2 text-sm">
              Footing and wall are poured as one. The first lift fills the footing and half of this course,{' '}
              {showVolume(worked.footing.firstLift.value, units)}.
            </p>
          )}
        </section>
      )}
    </div>
  );
}
