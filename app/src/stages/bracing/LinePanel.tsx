import { rulesOf } from '@ombra/core/rules';
import { type Length, showLength, USUAL } from '@ombra/core/kernel/measure';
import type { Alignment, Bracing, WallBraces } from '@ombra/core/stages/bracing';
import type { Wall } from '@ombra/core/stages/outline';
import { LengthField } from '../../ui/LengthField';
import { TableHead } from '../../ui/TableHead';
import type { Job } from '../../job/useJob';
import { offText, readingText } from './bracingWords';

interface LinePanelProps {
  readonly job: Job;
  readonly bracing: Bracing;
  /** The walls as the shown pour braces them. */
  readonly braced: readonly WallBraces[];
  readonly wall: Wall;
}

const WIDTH = 640;
const HEIGHT = 120;
const EDGE = 34;

/** A wall's line as it was read, drawn many times wider than it is, between its limits. */
function LinePicture({
  wall,
  points,
  limit,
  units,
}: {
  readonly wall: Wall;
  readonly points: readonly { readonly at: Length; readonly off: Length }[];
  readonly limit: Length;
  readonly units: Job['plan']['units'];
}) {
  const most = Math.max(limit * 1.6, ...points.map(({ off }) => Math.abs(off)));
  const x = (at: number): number => EDGE + (at / wall.length) * (WIDTH - 2 * EDGE);
  const y = (off: number): number => HEIGHT / 2 + (off / most) * (HEIGHT / 2 - 16);
  const path = points
    .map(({ at, off }, index) => `${index === 0 ? 'M' : 'L'}${x(at).toFixed(1)} ${y(off).toFixed(1)}`)
    .join('');
  const told = showLength(limit, units, { style: 'inches' });
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      className="max-w-3xl"
      role="img"
      aria-label={`Line of ${wall.name}, exaggerated: ${points.map(({ at, off }) => `${showLength(at, units)} ${offText(off, units)}`).join(', ')}`}
    >
      <rect
        x={EDGE}
        width={WIDTH - 2 * EDGE}
        y={y(-limit)}
        height={y(limit) - y(-limit)}
        className="fill-chalk-wash"
      />
      <line x1={EDGE} x2={WIDTH - EDGE} y1={y(0)} y2={y(0)} className="stroke-chalk" strokeDasharray="6 3" />
      <path d={path} fill="none" className="stroke-ink" strokeWidth={2.5} />
      {points.map(({ at, off }) =>
        Math.abs(off) <= limit ? (
          <circle key={at} cx={x(at)} cy={y(off)} r={4} className="fill-ink" />
        ) : (
          <rect key={at} x={x(at) - 5} y={y(off) - 5} width={10} height={10} className="fill-stop" />
        ),
      )}
      <text x={EDGE - 6} y={y(0) + 4} textAnchor="end" className="figures fill-ink text-[14px] font-semibold">
        {wall.from}
      </text>
      <text x={WIDTH - EDGE + 6} y={y(0) + 4} className="figures fill-ink text-[14px] font-semibold">
        {wall.to}
      </text>
      <text x={WIDTH - EDGE} y={12} textAnchor="end" className="figures fill-quiet text-[12px]">
        from the braces · limits {told} · squares are outside them
      </text>
      <text x={WIDTH - EDGE} y={HEIGHT - 3} textAnchor="end" className="figures fill-quiet text-[12px]">
        toward the braces
      </text>
    </svg>
  );
}

const STEPS = [
  'corners plumb',
  'the job square',
  'corners plumb again',
  'strings along the top, held off by blocks',
  'every brace, from the corners in',
] as const;

/** Readings of the string at every brace of a wall, before the pour and after it, with what to turn. */
export function LinePanel({ job, bracing, braced, wall }: LinePanelProps) {
  const { plan, edit, endMerge } = job;
  const { units } = plan;
  const rules = rulesOf(plan);
  const own = braced.find((each) => each.wall === wall.id);
  const braces = own?.braces ?? [];
  const block = showLength(rules.length('bracing.string.block'), units, { style: 'inches' });
  const points = (pass: 'before' | 'after') =>
    braces.flatMap((brace) => {
      const found = bracing.alignment[brace.id]?.[pass];
      return found ? [{ at: brace.at, off: found.off }] : [];
    });
  const shown = points('after').length > 0 ? points('after') : points('before');
  const cell = (id: string, pass: 'before' | 'after', found: Alignment | undefined, number: number) => (
    <>
      <td className="px-1">
        <LengthField
          usual={USUAL.string}
          label={`Brace ${String(number)}, ${pass} the pour`}
          text={plan.bracing?.readings?.[id]?.[pass] ?? ''}
          units={units}
          placeholder={block}
          onType={(text) => {
            edit(
              {
                kind: 'bracing',
                change: { of: 'reading', brace: id, pass, text: text.trim() === '' ? null : text },
              },
              `reading:${id}:${pass}`,
            );
          }}
          onLeave={endMerge}
        />
      </td>
      <td className={`px-1 ${found && !found.straight ? 'font-semibold text-stop' : ''}`}>
        {found && readingText(found, units)}
      </td>
    </>
  );
  return (
    <div className="flex flex-col gap-3">
      <p className="max-w-[76ch]">
        In this order: {STEPS.join(' · ')}. Strings run along the top on the face away from the braces, held
        off by blocks of {block}; type the distance from string to wall, and the block is subtracted.
        Straighten a day before the pour: foam keeps the line it has been held in. Lean the wall slightly
        toward the braces. After the pour sight it again while it is soft, turn the legs, and leave the braces
        for a day or more.
      </p>
      {braces.length === 0 ? (
        <p>{wall.name} has no braces to read at.</p>
      ) : (
        <>
          {shown.length > 1 && (
            <LinePicture
              wall={wall}
              points={shown}
              limit={rules.length('bracing.line.limit')}
              units={units}
            />
          )}
          <table className="figures w-full border-collapse text-[17px]">
            <TableHead
              names={['brace', `from ${wall.from}`, 'before the pour', 'then', 'after the pour', 'and then']}
              left={['before the pour', 'then', 'after the pour', 'and then']}
            />
            <tbody>
              {braces.map((brace, index) => (
                <tr key={brace.id} className="border-b border-line align-top">
                  <th scope="row" className="px-1 text-left">
                    {index + 1}
                  </th>
                  <td className="px-1 text-right">{showLength(brace.at, units)}</td>
                  {cell(brace.id, 'before', bracing.alignment[brace.id]?.before, index + 1)}
                  {cell(brace.id, 'after', bracing.alignment[brace.id]?.after, index + 1)}
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </div>
  );
}
