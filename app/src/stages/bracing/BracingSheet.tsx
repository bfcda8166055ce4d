import { rulesOf } from '@ombra/core/rules';
import { STANDS_ON } from '@ombra/core/stages/bracing';
import { showLength } from '@ombra/core/kernel/measure';
import { type RuleId, stateRule } from '@ombra/core/kernel/rules';
import { TableHead } from '../../ui/TableHead';
import { BraceTicks } from './BraceTicks';
import { forceText, sideText } from './bracingWords';
import { PlanDrawing } from '../../drawing/plan/PlanDrawing';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import type { SheetProps } from '../../frame/stage';

/** What the crew must keep on the planks. */
const STATED: readonly RuleId[] = [
  'bracing.spacing.most',
  'bracing.plank.end.least',
  'bracing.plank.lap',
  'bracing.platform.width',
  'bracing.guardrail.over',
];

/** The brace plan, one page: legs on the plan, stations by wall, planks, gear, and what the wind does. */
export function BracingSheet({ worked, ...job }: Omit<SheetProps, 'asked'>) {
  const { plan } = job;
  const { units, bracing, shell } = worked;
  const rules = rulesOf(plan);
  const worst = bracing.pours
    .flatMap(({ wind }) => wind.map(({ worst: each }) => each.leg))
    .sort((a, b) => b - a)[0];
  const several = bracing.pours.length > 1;
  return (
    <SheetFrame
      job={job}
      here="bracing"
      title="braces"
      line={`${String(bracing.walls.reduce((sum, wall) => sum + wall.braces.length, 0))} braces`}
    >
      {bracing.walls.length === 0 ? (
        <p className="text-lg font-semibold">No walls yet: nothing to brace.</p>
      ) : (
        <>
          <div className="grid grid-cols-[1fr_270px] gap-5 max-sm:grid-cols-1 print:grid-cols-[1fr_270px]">
            <PlanDrawing
              shell={shell}
              units={units}
              width={460}
              height={300}
              chosen={null}
              over={(frame) => <BraceTicks shell={shell} walls={bracing.walls} frame={frame} />}
            />
            <section aria-label="Gear">
              <h2 className="border-b border-ink text-lg font-semibold">Gear</h2>
              <ul className="figures text-[15px]">
                {bracing.gear.map((line) => (
                  <li key={line.part} className="flex justify-between border-b border-line">
                    <span>{line.name}</span>
                    <strong>
                      {line.wanted.value}
                      {line.short > 0 ? `, ${String(line.short)} short` : ''}
                    </strong>
                  </li>
                ))}
              </ul>
            </section>
          </div>
          {bracing.pours.map(({ pour, name, walls }) => (
            <table key={pour} className="figures mt-3 w-full border-collapse text-[15px]">
              {several && <caption className="text-left text-lg font-semibold">{name}</caption>}
              <TableHead
                names={['wall', 'braced', 'braces, from its first corner', 'planks']}
                left={['braced', 'braces, from its first corner', 'planks']}
              />
              <tbody>
                {walls.map((wall) => (
                  <tr key={wall.wall} className="break-inside-avoid border-b border-line align-top">
                    <th scope="row" className="px-1 text-left whitespace-nowrap">
                      {wall.name}
                    </th>
                    <td className="px-1">
                      {wall.way === 'waler' ? 'waler along the top, diagonals' : sideText(wall)}
                      {wall.dropped > 0 &&
                        `; brackets ${String(wall.dropped)} plank${wall.dropped === 1 ? '' : 's'} lower`}
                      {wall.guardrail && '; guardrails'}
                    </td>
                    <td className="px-1 font-semibold">
                      {(wall.way === 'waler' ? wall.diagonals : wall.braces.map((brace) => brace.at))
                        .map((at) => showLength(at, units))
                        .join(' · ')}
                    </td>
                    <td className="px-1">
                      {wall.planks.length === 0
                        ? '—'
                        : `${String(wall.abreast)} × ${wall.planks.map((plank) => showLength(plank.length, units)).join(' + ')}, ${showLength(wall.platform, units)} above ${STANDS_ON[wall.on]}`}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          ))}
          <p className="mt-2 text-sm">
            {STATED.map((id) => stateRule(id, rules, units)).join(' ')} Set the upright with one screw per
            course, then its leg, then the bracket. Turnbuckles near mid-travel. Boards over weak joints: see
            the strap list on the courses sheet.
          </p>
          {plan.bracing?.wind !== undefined && worst !== undefined && (
            <p className="mt-1 text-sm font-semibold">
              In wind of {plan.bracing.wind} mph up to {forceText(worst, units)} along a leg. A caution, not a
              design.
            </p>
          )}
          <p className="mt-1 text-sm font-semibold">
            Brace every wall before you leave it. Keep off the planks in high wind and lightning.
          </p>
        </>
      )}
    </SheetFrame>
  );
}
