import { rulesOf } from '@ombra/core/rules';
import type { Figure } from '@ombra/core/kernel/figures';
import { type Length, readLength, showLength, storeLength, USUAL } from '@ombra/core/kernel/measure';
import type { Buck } from '@ombra/core/stages/bucks';
import {
  type BuckKind,
  type Opening,
  type OpeningChange,
  type OpeningKind,
  type PlacedOpening,
  type Threshold,
  BUCK_KINDS,
  buckName,
  heightOf,
  OPENING_KINDS,
  openingKindName,
  repeated,
  widthOf,
} from '@ombra/core/stages/openings';
import type { Wall } from '@ombra/core/stages/outline';
import { AlignHorizontalDistributeCenter, Copy, Repeat2 } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { LengthField } from '../../ui/LengthField';
import type { Job } from '../../job/useJob';
import { FigureRow } from '../../frame/figures/FigureRow';
import { BuckDrawing } from './BuckDrawing';
import { CellSelect } from './OpeningTable';
import { ThresholdDrawing } from './ThresholdDrawing';
import { accessText, courseText, nudgeLabel, nudgeSaves } from './openingText';
import { useNudges } from './useNudges';

interface OpeningCardProps {
  readonly job: Job;
  readonly opening: Opening;
  readonly placed: PlacedOpening | undefined;
  readonly buck: Buck | undefined;
  readonly wall: Wall | undefined;
  /** Openings that heads may be lined through with. */
  readonly others: readonly PlacedOpening[];
  readonly openFigure: string | null;
  readonly onFigure: (figure: Figure) => void;
}

/** A field under its heading. */
const Under = ({ heading, children }: { readonly heading: string; readonly children: ReactNode }) => (
  <label className="block">
    <span className="heading block">{heading}</span>
    {children}
  </label>
);

type ThresholdKind = Threshold['kind'] | 'none';

/** What kind it is, its buck, its round top, its threshold. */
function Settings({ job, opening, placed }: Pick<OpeningCardProps, 'job' | 'opening' | 'placed'>) {
  const { edit, endMerge, plan } = job;
  const { units } = plan;
  const set = (change: OpeningChange, merge?: string): void => {
    edit(
      { kind: 'set-opening', opening: opening.id, change },
      merge === undefined ? undefined : `${opening.id}:${merge}`,
    );
  };
  const { threshold } = opening;
  const name = placed?.name ?? opening.name ?? '';
  return (
    <div className="grid grid-cols-2 gap-x-2 gap-y-1">
      <Under heading="Kind">
        <CellSelect<OpeningKind>
          label={`Kind of ${name}`}
          value={opening.kind}
          options={OPENING_KINDS.map((kind) => ({ value: kind, label: openingKindName(kind) }))}
          onChoose={(kind) => {
            set({ kind });
          }}
        />
      </Under>
      <Under heading="Buck">
        <CellSelect<BuckKind | 'rule'>
          label={`Buck of ${name}`}
          value={opening.buck ?? 'rule'}
          options={[
            {
              value: 'rule',
              label: `House rule: ${buckName(rulesOf(plan).choice('openings.buck') as BuckKind)}`,
            },
            ...BUCK_KINDS.map((kind) => ({ value: kind, label: buckName(kind) })),
          ]}
          onChoose={(kind) => {
            set({ buck: kind === 'rule' ? null : kind });
          }}
        />
      </Under>
      {opening.kind === 'round-top' && (
        <Under heading="Rise of the top">
          <LengthField
            usual={USUAL.opening}
            label={`Rise of the round top of ${name}`}
            text={opening.rise ?? ''}
            units={units}
            placeholder="half its width"
            onType={(rise) => {
              set({ rise: rise === '' ? null : rise }, 'rise');
            }}
            onLeave={endMerge}
          />
        </Under>
      )}
      {(opening.kind === 'door' || opening.kind === 'garage') && (
        <>
          <Under heading="Threshold">
            <CellSelect<ThresholdKind>
              label={`Threshold of ${name}`}
              value={threshold?.kind ?? 'none'}
              options={[
                { value: 'none', label: 'Not set' },
                { value: 'slab-over', label: 'Slab runs over the wall' },
                { value: 'slab-inside', label: 'Slab stops inside' },
              ]}
              onChoose={(kind) => {
                set({ threshold: kind === 'none' ? null : { ...threshold, kind } });
              }}
            />
          </Under>
          {threshold && (
            <Under heading="Step">
              <LengthField
                usual={USUAL.step}
                label={`Step of the threshold of ${name}`}
                text={threshold.depth ?? ''}
                units={units}
                placeholder={
                  placed?.threshold
                    ? showLength(placed.threshold.depth, units, { style: 'inches' })
                    : 'by the house rule'
                }
                onType={(depth) => {
                  set({ threshold: { ...threshold, depth } }, 'depth');
                }}
                onLeave={endMerge}
              />
            </Under>
          )}
          {threshold?.kind === 'slab-over' && (
            <Under heading="Its concrete comes">
              <CellSelect<NonNullable<Threshold['truck']>>
                label={`Slab concrete over the threshold of ${name} comes`}
                value={threshold.truck ?? 'slab'}
                options={[
                  { value: 'slab', label: 'With the slab' },
                  { value: 'wall', label: 'With the wall' },
                ]}
                onChoose={(truck) => {
                  set({ threshold: { ...threshold, truck } });
                }}
              />
            </Under>
          )}
          {threshold?.kind === 'slab-over' && (
            <Under heading="Tongue held by">
              <CellSelect<NonNullable<Threshold['tongue']>>
                label={`Tongue of ${name} held by`}
                value={threshold.tongue ?? 'dowels'}
                options={[
                  { value: 'dowels', label: 'Dowels' },
                  { value: 'crack-bar', label: 'Crack bar' },
                  { value: 'saw-cut', label: 'Saw cut' },
                ]}
                onChoose={(tongue) => {
                  set({ threshold: { ...threshold, tongue } });
                }}
              />
            </Under>
          )}
        </>
      )}
    </div>
  );
}

/** Copies: one beside it, or several at a spacing; and its head lined through with another's, or all windows' with its own. */
function Copies({
  job,
  opening,
  placed,
  others,
}: Pick<OpeningCardProps, 'job' | 'opening' | 'placed' | 'others'>) {
  const { edit, plan, freshId } = job;
  const { units } = plan;
  const [count, setCount] = useState('2');
  const [spacing, setSpacing] = useState('');
  const far = readLength(spacing, units);
  const many = Number(count);
  const ready = far.ok && far.length > 0 && Number.isInteger(many) && many >= 1 && many <= 50;
  const put = (times: number, apart: Length): void => {
    edit({
      kind: 'add-openings',
      openings: repeated(opening, times, apart, units).map((each) => ({ ...each, id: freshId() })),
    });
  };
  const windows = others.filter(
    (each) => each.kind !== 'garage' && each.kind !== 'void' && each.finished.top !== placed?.finished.top,
  );
  return (
    <div className="mt-2 flex flex-wrap items-center gap-1">
      <button
        type="button"
        className="button"
        disabled={!placed}
        onClick={() => {
          // Clear of its own buck and the least pier.
          if (placed) {
            put(1, (widthOf(placed.concrete) + rulesOf(plan).length('openings.pier.least')) as Length);
          }
        }}
      >
        <Copy aria-hidden="true" size={14} /> Copy next to it
      </button>
      <form
        className="flex items-center gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          if (ready) put(many, far.length);
        }}
      >
        <input
          className="field figures w-11! text-center"
          aria-label="Copies"
          inputMode="numeric"
          maxLength={2}
          value={count}
          onChange={(event) => {
            setCount(event.currentTarget.value);
          }}
        />
        <span className="text-sm">more, every</span>
        <div className="w-20">
          <LengthField
            usual={USUAL.spacing}
            label="Spacing between their middles"
            text={spacing}
            units={units}
            placeholder="spacing"
            onType={setSpacing}
          />
        </div>
        <button type="submit" className="button" disabled={!ready} aria-label="Repeat it">
          <Repeat2 aria-hidden="true" size={14} />
        </button>
      </form>
      {placed && windows.length > 0 && (
        <button
          type="button"
          className="button"
          title="Sets the heads of all windows and doors except wide doors"
          onClick={() => {
            edit({
              kind: 'all',
              edits: windows.map((each) => ({
                kind: 'set-opening',
                opening: each.id,
                change: { head: storeLength(placed.finished.top, units) },
              })),
            });
          }}
        >
          <AlignHorizontalDistributeCenter aria-hidden="true" size={14} /> Line {windows.length} other{' '}
          {windows.length === 1 ? 'head' : 'heads'} through with it
        </button>
      )}
    </div>
  );
}

/** The nearest places and sizes that save cuts, each adopted with one press. */
function Nudges({ job, opening, wall }: Pick<OpeningCardProps, 'job' | 'opening' | 'wall'>) {
  const { found, broken } = useNudges(job.plan, opening.id);
  const { units } = job.plan;
  return (
    <section aria-label="Nudge">
      <h3 className="heading">Nudge it to save</h3>
      {found === null ? (
        <p className="text-sm text-quiet" role="status">
          Trying nearby positions and sizes …
        </p>
      ) : broken ? (
        <p className="text-sm text-stop">That failed. Nothing was changed.</p>
      ) : found.length === 0 ? (
        <p className="text-sm text-quiet">No nearby position saves a cut.</p>
      ) : (
        <ul className="flex flex-col gap-1">
          {found.slice(0, 5).map((nudge) => (
            <li key={`${nudge.way}:${String(nudge.by)}`} className="flex items-center gap-2 text-sm">
              <button
                type="button"
                className="button figures shrink-0"
                onClick={() => {
                  job.edit({ kind: 'set-opening', opening: opening.id, change: nudge.change });
                }}
              >
                {nudgeLabel(nudge, wall?.from ?? '', wall?.to ?? '', units)}
              </button>
              <span>{nudgeSaves(nudge)}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** The chosen opening: what it is, its three sizes, where it is marked, its buck, and how it might save cuts. */
export function OpeningCard(props: OpeningCardProps) {
  const { job, opening, placed, buck, wall, openFigure, onFigure } = props;
  const { units } = job.plan;
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const braces = rulesOf(job.plan).length('openings.brace.spacing');
  return (
    <section
      aria-label={placed?.name ?? 'Opening'}
      className="grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)_250px] gap-5 max-xl:grid-cols-2 max-md:grid-cols-1"
    >
      <div className="min-w-0">
        <h2 className="text-lg font-semibold">{placed?.name ?? opening.name ?? 'Opening'}</h2>
        <Settings job={job} opening={opening} placed={placed} />
        <Copies {...props} />
        {placed?.threshold && wall && (
          <div className="mt-2">
            <ThresholdDrawing threshold={placed.threshold} wall={wall} units={units} />
          </div>
        )}
      </div>
      <div className="min-w-0">
        {placed ? (
          <>
            <h3 className="heading">Rough opening · hole in the foam · lintel span</h3>
            <p className="figures text-[17px]">
              <strong>
                {inInches(widthOf(placed.finished))} × {inInches(heightOf(placed.finished))}
              </strong>
              {' · '}
              <strong>
                {inInches(widthOf(placed.hole))} × {inInches(heightOf(placed.hole))}
              </strong>
              {' · '}
              <strong>{inInches(widthOf(placed.concrete))}</strong>{' '}
              <span className="text-sm text-quiet">
                {placed.buck.name}, {inInches(placed.buck.thickness)}
                {placed.buck.throughPanels ? ' on each side' : ' between the panels'}
              </span>
            </p>
            {buck && (
              <>
                <h3 className="heading mt-1">Mark it</h3>
                <p className="felt text-[15px]">
                  {buck.marking.from
                    .map((from) => `from ${from.corner} ${showLength(from.outside, units)}`)
                    .join(' · ')}{' '}
                  to center
                </p>
                <p className="felt text-[15px]">
                  cut from {courseText(buck.marking.foot, units)} to {courseText(buck.marking.head, units)}
                </p>
                <p className="text-sm text-quiet">
                  Outside face; inside, from {buck.marking.from[0].corner}{' '}
                  {showLength(buck.marking.from[0].inside, units)}. {accessText(buck.access, units)}
                </p>
                <FigureRow
                  figure={buck.fasteners}
                  name="Fasteners all round, both faces"
                  units={units}
                  open={openFigure}
                  onOpen={onFigure}
                />
              </>
            )}
            <div className="mt-2">
              <Nudges job={job} opening={opening} wall={wall} />
            </div>
          </>
        ) : (
          <p className="text-quiet">Not placed yet. Its notice says what is missing.</p>
        )}
      </div>
      {placed && (
        <BuckDrawing
          opening={placed}
          buck={buck}
          braceSpacing={braces}
          units={units}
          width={250}
          height={250}
        />
      )}
    </section>
  );
}
