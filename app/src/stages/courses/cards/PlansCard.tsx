import type { PlanFigures } from '@ombra/core/trials/planFigures';
import { rulesOf } from '@ombra/core/rules';
import type { Plan, PlanEdit } from '@ombra/core/kernel/plan';
import type { BestFound, GoalResult } from '@ombra/core/trials/best';
import { CardFrame } from './CardFrame';
import { usePlans } from './usePlans';
import { TableHead } from '../../../ui/TableHead';

interface PlansCardProps {
  readonly plan: Plan;
  readonly onEdit: (edit: PlanEdit) => void;
  readonly onClose: () => void;
}

const NAMES = { now: 'This plan', running: 'Running bond', seams: 'Common seams' } as const;
const GOAL_WORDS = { blocks: 'blocks', cuts: 'cuts', straps: 'joints to strap' } as const;

/** `lowest possible, proved`, or the bound and the gap. */
function proofText({ goal, value, bound, proved }: GoalResult, done: boolean): string {
  if (proved) return `${String(value)} ${GOAL_WORDS[goal]}: lowest possible, proved`;
  if (bound > 0)
    return `${String(value)} ${GOAL_WORDS[goal]}: no plan has fewer than ${String(bound)}, so at most ${String(value - bound)} more could be saved`;
  return `${String(value)} ${GOAL_WORDS[goal]}${done ? ', not proved lowest' : ''}`;
}

function figuresOf(found: BestFound, minutes: number): PlanFigures | null {
  const value = (goal: GoalResult['goal']): number =>
    found.goals.find((each) => each.goal === goal)?.value ?? 0;
  if (found.goals.length === 0) return null;
  return {
    blocks: value('blocks'),
    cuts: value('cuts'),
    straps: value('straps'),
    cutMinutes: value('cuts') * minutes,
  };
}

interface RowProps {
  readonly name: string;
  readonly figures: PlanFigures | null;
  readonly least: PlanFigures | null;
  readonly onAdopt: (() => void) | null;
}

const FIGURES = ['blocks', 'cuts', 'straps', 'cutMinutes'] as const;

function PlanRow({ name, figures, least, onAdopt }: RowProps) {
  return (
    <tr className="border-t border-line">
      <th scope="row" className="px-1 py-0.5 text-left font-semibold">
        {name}
      </th>
      {FIGURES.map((key) => (
        <td key={key} className="px-2 text-right">
          {figures ? figures[key] : '–'}
          {figures && least && figures[key] === least[key] ? (
            <span className="text-tip" title="lowest of these">
              {' '}
              ✓<span className="sr-only"> lowest of these</span>
            </span>
          ) : null}
        </td>
      ))}
      <td className="px-1 text-right">
        {onAdopt && figures && (
          <button type="button" className="button" aria-label={`Use this plan: ${name}`} onClick={onAdopt}>
            Use this plan
          </button>
        )}
      </td>
    </tr>
  );
}

/** Running bond, common seams and the best plan found, side by side; one press takes one over. */
export function PlansCard({ plan, onEdit, onClose }: PlansCardProps) {
  const { usual, search, stale, find, stop } = usePlans(plan);
  const minutes = rulesOf(plan).count('courses.cut.minutes');
  const found =
    search.kind === 'running' || search.kind === 'stopped' || search.kind === 'done' ? search.found : null;
  const best = found && !stale ? figuresOf(found, minutes) : null;
  const all = [...(usual?.map((manner) => manner.figures) ?? []), ...(best ? [best] : [])];
  const least =
    all.length > 1
      ? (Object.fromEntries(
          FIGURES.map((key) => [key, Math.min(...all.map((each) => each[key]))]),
        ) as unknown as PlanFigures)
      : null;
  const running = search.kind === 'running';
  return (
    <CardFrame title="Compare plans" onClose={onClose}>
      <table className="figures w-full border-collapse text-[17px]">
        <TableHead names={['plan', 'blocks', 'cuts', 'straps', 'saw, min']} bare={1} />
        <tbody>
          {(['now', 'running', 'seams'] as const).map((id) => {
            const manner = usual?.find((each) => each.id === id);
            return (
              <PlanRow
                key={id}
                name={NAMES[id]}
                figures={manner?.figures ?? null}
                least={least}
                onAdopt={
                  manner && id !== 'now'
                    ? () => {
                        onEdit(manner.edit);
                      }
                    : null
                }
              />
            );
          })}
          <PlanRow
            name="Best found"
            figures={best}
            least={least}
            onAdopt={
              found && best
                ? () => {
                    if (running) stop();
                    onEdit(found.edit);
                  }
                : null
            }
          />
        </tbody>
      </table>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        {running ? (
          <>
            <progress
              className="h-3 w-48 accent-chalk"
              max={1}
              value={search.found?.done ?? 0}
              aria-label="Search for the best plan"
            />
            <button type="button" className="button" onClick={stop}>
              Stop here
            </button>
          </>
        ) : (
          <button type="button" className="button strong" onClick={find}>
            {search.kind === 'idle' ? 'Find the best plan' : 'Search again'}
          </button>
        )}
        <span className="text-sm text-quiet">
          The search picks new corner hands, bonds and cuts. The house rule “The best plan has the fewest …”
          sets what counts first.
        </span>
      </div>
      <div aria-live="polite" className="mt-1 text-sm">
        {search.kind === 'nothing' && <p className="text-stop">{search.why}</p>}
        {stale && <p>The plan changed after the search. Search again.</p>}
        {search.kind === 'stopped' && !stale && <p>Stopped: this is the best so far.</p>}
        {found && !stale && !running && (
          <ul>
            {found.goals.map((goal) => (
              <li key={goal.goal}>{proofText(goal, search.kind === 'done')}</li>
            ))}
          </ul>
        )}
      </div>
    </CardFrame>
  );
}
