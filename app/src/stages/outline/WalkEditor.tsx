import type { Loop, MeasuredTo, ShellLoop, WalkRow } from '@ombra/core/stages/outline';
import {
  type Length,
  type UnitSystem,
  readTurn,
  showLength,
  storeTurn,
  USUAL,
} from '@ombra/core/kernel/measure';
import type { PlanEdit } from '@ombra/core/kernel/plan';
import { ArrowUp, Check, CornerUpLeft, CornerUpRight, Minus, Plus, Spline, X } from 'lucide-react';
import { type KeyboardEvent, useLayoutEffect, useRef, useState } from 'react';
import { LengthField } from '../../ui/LengthField';
import { TextField } from '../../ui/TextField';
import { FACE_WORDS } from '../../frame/words';

interface WalkEditorProps {
  readonly loop: Loop;
  readonly shell: ShellLoop | undefined;
  readonly units: UnitSystem;
  readonly measuredTo: MeasuredTo;
  readonly chosen: string | null;
  readonly freshId: () => string;
  readonly onEdit: (edit: PlanEdit, merge?: string) => void;
  readonly onLeaveField: () => void;
  readonly onChoose: (wall: string) => void;
}

/** The turn at the far end of a wall: pressed to change side, or typed for any other angle. */
function TurnField({
  row,
  name,
  onEdit,
  onLeave,
}: {
  readonly row: WalkRow;
  readonly name: string;
  readonly onEdit: WalkEditorProps['onEdit'];
  readonly onLeave: () => void;
}) {
  const reading = readTurn(row.turn);
  const [draft, setDraft] = useState<string | null>(null);
  const left = reading.ok && reading.turn < 0;
  const straight = reading.ok && reading.turn === 0;
  const Icon = straight ? ArrowUp : left ? CornerUpLeft : CornerUpRight;
  return (
    <div className="flex">
      <button
        type="button"
        className="button px-1.5"
        aria-label={`Turn after ${name}: change to ${left ? 'right' : 'left'}`}
        disabled={!reading.ok || reading.turn === 0}
        onClick={() => {
          if (reading.ok)
            onEdit({
              kind: 'set-row-turn',
              row: row.id,
              turn: storeTurn(-reading.turn as typeof reading.turn),
            });
        }}
      >
        <Icon aria-hidden="true" size={16} />
      </button>
      <input
        className="field figures text-lg"
        aria-label={`Turn after ${name}`}
        aria-invalid={!reading.ok}
        autoComplete="off"
        spellCheck={false}
        maxLength={40}
        value={draft ?? row.turn}
        onChange={(event) => {
          setDraft(event.currentTarget.value);
          onEdit({ kind: 'set-row-turn', row: row.id, turn: event.currentTarget.value }, `turn:${row.id}`);
        }}
        onBlur={() => {
          setDraft(null);
          onLeave();
        }}
      />
    </div>
  );
}

/** An arc instead of a length: its radius on the drawn face, and how far it turns. */
function CurveFields({
  row,
  curve,
  name,
  units,
  onEdit,
  onLeave,
}: {
  readonly row: WalkRow;
  readonly curve: NonNullable<WalkRow['curve']>;
  readonly name: string;
  readonly units: UnitSystem;
  readonly onEdit: WalkEditorProps['onEdit'];
  readonly onLeave: () => void;
}) {
  const set = (change: Partial<typeof curve>): void => {
    onEdit({ kind: 'set-wall', row: row.id, change: { curve: { ...curve, ...change } } }, `curve:${row.id}`);
  };
  return (
    <div className="grid grid-cols-2 gap-1">
      <LengthField
        usual={USUAL.wall}
        label={`Radius of ${name}`}
        text={curve.radius}
        units={units}
        onType={(radius) => {
          set({ radius });
        }}
        onLeave={onLeave}
      />
      <TextField
        label={`Angle that ${name} turns along its curve`}
        text={curve.sweep}
        wrong={!readTurn(curve.sweep).ok}
        onType={(sweep) => {
          set({ sweep });
        }}
        onLeave={onLeave}
      />
      <span className="text-sm text-quiet">radius</span>
      <span className="text-sm text-quiet">turn</span>
    </div>
  );
}

/** What else hangs on a wall, in a few words; it is set on the wall's card in the courses. */
function extrasOf(row: WalkRow): string {
  const count = (list: readonly unknown[] | undefined, name: string): readonly string[] =>
    list && list.length > 0 ? [`${String(list.length)} ${name}${list.length > 1 ? 's' : ''}`] : [];
  return [
    ...(row.core === undefined ? [] : [`core ${row.core}`]),
    ...(row.flush === undefined ? [] : [`flush ${row.flush}`]),
    ...(row.top === undefined ? [] : [`top ${row.top}`]),
    ...count(row.footing, 'footing step'),
    ...count(row.topSteps, 'top step'),
    ...(row.bond?.kind === 'seam' ? ['common seam'] : []),
  ].join(' · ');
}

/** The outline as a walk: a row a wall, its length and the turn at its far end, all from the keyboard. */
export function WalkEditor(props: WalkEditorProps) {
  const { loop, shell, units, measuredTo, chosen, freshId, onEdit, onLeaveField, onChoose } = props;
  const fields = useRef(new Map<string, HTMLInputElement>());
  /** The row to go to once it is on the page. */
  const focusNext = useRef<string | null>(null);
  const names = new Map(shell?.rowNames.map(({ row, name }) => [row, name]));
  const formFace = new Map<string, Length>(shell?.built?.walls.map((wall) => [wall.id, wall.length]));
  const nameOf = (row: WalkRow, index: number): string => names.get(row.id) ?? `wall ${String(index + 1)}`;

  // Before the next key is heard: what is typed right after Enter belongs to the new row.
  useLayoutEffect(() => {
    if (focusNext.current === null) return;
    fields.current.get(focusNext.current)?.focus();
    focusNext.current = null;
  }, [loop.walk]);

  const addRow = (before?: string): void => {
    const id = freshId();
    onEdit({
      kind: 'add-rows',
      loop: loop.id,
      rows: [{ id, length: '', turn: 'right 90' }],
      ...(before === undefined ? {} : { before }),
    });
    focusNext.current = id;
  };

  const step = (index: number, by: number): void => {
    const row = loop.walk[index + by];
    if (row) fields.current.get(row.id)?.focus();
    else if (by > 0) addRow();
  };

  const onKey = (event: KeyboardEvent, row: WalkRow, index: number): void => {
    if (event.key === 'Enter') {
      event.preventDefault();
      step(index, event.shiftKey ? -1 : 1);
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      if (event.key === 'ArrowUp' || index < loop.walk.length - 1)
        step(index, event.key === 'ArrowDown' ? 1 : -1);
    } else if (
      event.key === 'Backspace' &&
      row.length === '' &&
      event.currentTarget instanceof HTMLInputElement &&
      event.currentTarget.value === ''
    ) {
      event.preventDefault();
      onEdit({ kind: 'remove-row', row: row.id });
      const neighbour = loop.walk[index - 1] ?? loop.walk[index + 1];
      if (neighbour) focusNext.current = neighbour.id;
    }
  };

  return (
    <div>
      <table className="w-full border-collapse">
        <caption className="heading pb-1 text-left">
          Walk{loop.closed ? ', clockwise' : ''} from {shell?.letters[0] ?? 'A'}{' '}
          <span className="font-normal">· lengths to {FACE_WORDS[measuredTo]}</span>
        </caption>
        <thead className="sr-only">
          <tr>
            <th scope="col">Wall</th>
            <th scope="col">Length to {FACE_WORDS[measuredTo]}</th>
            <th scope="col">Turn at its far end</th>
            <th scope="col">Remove</th>
          </tr>
        </thead>
        <tbody>
          {loop.walk.map((row, index) => {
            const name = nameOf(row, index);
            const face = formFace.get(row.id);
            return (
              <tr
                key={row.id}
                className={`border-b border-line align-top ${row.id === chosen ? 'bg-chalk-wash' : ''}`}
                onFocus={() => {
                  if (row.id !== chosen) onChoose(row.id);
                }}
              >
                <th
                  scope="row"
                  className="figures w-16 px-1 pt-2 text-left text-lg font-semibold whitespace-nowrap max-sm:w-10"
                >
                  {name}
                </th>
                <td className="px-1 py-1">
                  {row.curve && (
                    <CurveFields
                      row={row}
                      curve={row.curve}
                      name={name}
                      units={units}
                      onEdit={onEdit}
                      onLeave={onLeaveField}
                    />
                  )}
                  {!row.curve && (
                    <LengthField
                      usual={USUAL.wall}
                      label={`Length of ${name}`}
                      text={row.length}
                      units={units}
                      inputRef={(element) => {
                        if (element) fields.current.set(row.id, element);
                        else fields.current.delete(row.id);
                      }}
                      onType={(length) => {
                        onEdit({ kind: 'set-row-length', row: row.id, length }, `length:${row.id}`);
                      }}
                      onLeave={onLeaveField}
                      onKeyDown={(event) => {
                        onKey(event, row, index);
                      }}
                    />
                  )}
                  {extrasOf(row) !== '' && <p className="text-sm text-quiet">{extrasOf(row)}</p>}
                  {measuredTo !== 'form' && face !== undefined && (
                    <p className="figures text-sm text-quiet">form face {showLength(face, units)}</p>
                  )}
                </td>
                <td className="w-36 px-1 py-1 max-sm:w-30">
                  <TurnField row={row} name={name} onEdit={onEdit} onLeave={onLeaveField} />
                </td>
                <td className="w-16 py-1 whitespace-nowrap max-sm:flex max-sm:w-11 max-sm:flex-col">
                  <button
                    type="button"
                    className="button plain px-1.5"
                    aria-label={row.curve ? `Make ${name} straight` : `Bend ${name} to a curve`}
                    onClick={() => {
                      const before = loop.walk[(index + loop.walk.length - 1) % loop.walk.length];
                      onEdit(
                        row.curve
                          ? { kind: 'set-wall', row: row.id, change: { curve: null } }
                          : {
                              kind: 'all',
                              edits: [
                                {
                                  kind: 'set-wall',
                                  row: row.id,
                                  change: {
                                    curve: {
                                      radius: units === 'imperial' ? '10ft' : '3000mm',
                                      sweep: 'right 90',
                                    },
                                  },
                                },
                                { kind: 'set-row-turn', row: row.id, turn: 'straight on' },
                                ...(before && before.id !== row.id
                                  ? [{ kind: 'set-row-turn' as const, row: before.id, turn: 'straight on' }]
                                  : []),
                              ],
                            },
                      );
                    }}
                  >
                    {row.curve ? (
                      <Minus aria-hidden="true" size={16} />
                    ) : (
                      <Spline aria-hidden="true" size={16} />
                    )}
                  </button>
                  <button
                    type="button"
                    className="button plain px-1.5"
                    aria-label={`Remove ${name}`}
                    onClick={() => {
                      onEdit({ kind: 'remove-row', row: row.id });
                    }}
                  >
                    <X aria-hidden="true" size={16} />
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="mt-2 flex items-center justify-between gap-3">
        <button
          type="button"
          className="button"
          onClick={() => {
            addRow();
          }}
        >
          <Plus aria-hidden="true" size={15} /> Wall
        </button>
        <p className="figures text-base" aria-live="polite">
          {shell?.built && loop.closed && (
            <span className="font-semibold text-tip">
              <Check aria-hidden="true" size={16} className="mr-1 inline align-[-2px]" />
              Closed: gap 0
            </span>
          )}
          {shell?.gap && shell.gap.size > 0 && (
            <span className="font-semibold text-stop">
              <X aria-hidden="true" size={16} className="mr-1 inline align-[-2px]" />
              Misses {shell.letters[0] ?? 'A'} by {showLength(shell.gap.size, units)}
            </span>
          )}
        </p>
      </div>
    </div>
  );
}
