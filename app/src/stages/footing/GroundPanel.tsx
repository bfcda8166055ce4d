import { type FootingChange, type FootingKind, FOOTING_KINDS } from '@ombra/core/stages/footing';
import type { Figure } from '@ombra/core/kernel/figures';
import { showLength, USUAL } from '@ombra/core/kernel/measure';
import type { Wall } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/work';
import { Choice } from '../../ui/Choice';
import { LengthField } from '../../ui/LengthField';
import { ScrollBox } from '../../ui/ScrollBox';
import { TextField } from '../../ui/TextField';
import type { Job } from '../../job/useJob';
import { FigureRow } from '../../frame/figures/FigureRow';
import { Section } from './Section';
import { markText } from './markText';

interface GroundPanelProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly wall: Wall;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

const KIND_NAMES: Readonly<Record<FootingKind, string>> = {
  strip: 'Strip',
  forms: 'Insulated forms',
  rock: 'Rock',
  sheet: 'Thermal-break sheet',
};

/** The footing itself: its kind, its size under the job and under one wall, the chalk lines, the concrete, the tape sheet. */
export function GroundPanel({ job, worked, wall, open, onOpen }: GroundPanelProps) {
  const { plan, edit, endMerge } = job;
  const { units } = plan;
  const { bases, concrete, firstLift, forms, sheet, tape } = worked.footing;
  const base = bases.loops.flatMap((loop) => loop.walls).find((each) => each.wall === wall.id);
  const row = plan.loops.flatMap((loop) => loop.walk).find((each) => each.id === wall.id);
  const footing = plan.footing ?? { kind: 'strip' as const };
  const change = (part: FootingChange, merge?: string): void => {
    edit({ kind: 'set-footing', change: part }, merge === undefined ? undefined : `footing:${merge}`);
  };
  const bearing = (part: { width?: string; offset?: string }, merge: string): void => {
    edit(
      { kind: 'set-wall', row: wall.id, change: { bearing: { ...row?.bearing, ...part } } },
      `${wall.id}:${merge}`,
    );
  };
  const onRock = footing.kind === 'rock';
  const figure = (each: Figure, name: string) => (
    <FigureRow figure={each} name={name} units={units} open={open} onOpen={onOpen} />
  );
  return (
    <div className="grid grid-cols-[230px_minmax(0,1fr)_250px] gap-6 max-lg:grid-cols-2 max-md:grid-cols-1">
      <div className="flex flex-col gap-2">
        <label className="block">
          <span className="heading mb-0.5 block">Walls sit on</span>
          <select
            className="field"
            value={footing.kind}
            onChange={(event) => {
              const kind = FOOTING_KINDS.find((each) => each === event.currentTarget.value);
              if (kind) change({ kind });
            }}
          >
            {FOOTING_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {KIND_NAMES[kind]}
              </option>
            ))}
          </select>
        </label>
        {!onRock && (
          <>
            <div className="grid grid-cols-2 gap-2">
              <div>
                <span className="heading mb-0.5 block">Width</span>
                <LengthField
                  usual={USUAL.thickness}
                  label="Width of the footing"
                  text={footing.width ?? ''}
                  units={units}
                  placeholder={showLength(base?.width ?? wall.thickness, units, { style: 'inches' })}
                  onType={(width) => {
                    change({ width }, 'width');
                  }}
                  onLeave={endMerge}
                />
              </div>
              <div>
                <span className="heading mb-0.5 block">Depth</span>
                <LengthField
                  usual={USUAL.thickness}
                  label="Depth of the footing"
                  text={footing.depth ?? ''}
                  units={units}
                  placeholder={showLength(bases.depth, units, { style: 'inches' })}
                  onType={(depth) => {
                    change({ depth }, 'depth');
                  }}
                  onLeave={endMerge}
                />
              </div>
            </div>
            {footing.kind === 'sheet' && (
              <div>
                <span className="heading mb-0.5 block">Sheet thickness</span>
                <LengthField
                  usual={USUAL.thickness}
                  label="Thickness of the sheet"
                  text={footing.sheet ?? ''}
                  units={units}
                  placeholder={
                    bases.sheet === null ? '' : showLength(bases.sheet, units, { style: 'inches' })
                  }
                  onType={(sheet) => {
                    change({ sheet }, 'sheet');
                  }}
                  onLeave={endMerge}
                />
              </div>
            )}
            <Choice
              label="Poured"
              name="footing-with-wall"
              value={footing.withWall === true ? 'with' : 'before'}
              options={[
                { value: 'before', label: 'before the wall' },
                { value: 'with', label: 'with it' },
              ]}
              onChoose={(value) => {
                change({ withWall: value === 'with' });
              }}
            />
            <div className="mt-1">
              {figure(concrete, 'Concrete in it')}
              {firstLift && figure(firstLift, 'First lift')}
              {sheet && figure(sheet, 'Thermal-break sheet')}
            </div>
          </>
        )}
      </div>
      <div className="min-w-0">
        <h3 className="heading">Wall {wall.name}, cut across: chalk lines from the edges</h3>
        {base && (
          <Section bases={bases} base={base} wall={wall} bars={forms?.bars.count ?? 0} units={units} />
        )}
        {!onRock && (
          <div className="grid max-w-80 grid-cols-2 gap-2">
            <div>
              <span className="heading mb-0.5 block">Width here</span>
              <LengthField
                usual={USUAL.thickness}
                label={`Width of the footing under ${wall.name}`}
                text={row?.bearing?.width ?? ''}
                units={units}
                placeholder="as the job"
                onType={(width) => {
                  bearing({ width }, 'bearing-width');
                }}
                onLeave={endMerge}
              />
            </div>
            <div>
              <span className="heading mb-0.5 block">Off center</span>
              <TextField
                label={`How far ${wall.name} is off the center of its footing`}
                text={row?.bearing?.offset ?? ''}
                placeholder="out 2in, in 2in"
                onType={(offset) => {
                  bearing({ offset }, 'bearing-offset');
                }}
                onLeave={endMerge}
              />
            </div>
          </div>
        )}
      </div>
      <section aria-label="Tape sheet" className="min-w-0">
        <h3 className="heading">Tape sheet, from {worked.shell.loops[0]?.letters[0] ?? 'A'}</h3>
        <ScrollBox label="Tape sheet marks" height="max-h-64">
          <ol className="figures border-y border-line text-[16px]">
            {tape.map((mark, index) => (
              <li
                key={index}
                className={`flex justify-between gap-3 border-b border-line px-1 ${mark.what === 'corner' ? 'font-semibold' : ''} ${mark.wall === wall.id ? 'bg-sheet' : ''}`}
              >
                <span>{showLength(mark.station, units)}</span>
                <span className="text-right">{markText(mark, units)}</span>
              </li>
            ))}
          </ol>
        </ScrollBox>
      </section>
    </div>
  );
}
