import {
  type FileUnit,
  type FoundOutline,
  type PointOrder,
  FILE_UNITS,
  POINT_ORDERS,
  takeOutline,
} from '@ombra/core/outlines';
import type { MeasuredTo } from '@ombra/core/stages/outline';
import { FileInput } from 'lucide-react';
import { useState } from 'react';
import type { Job } from '../../../job/useJob';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { FoundDrawing } from './FoundDrawing';
import { useFound } from './useFound';

const FACES: readonly { readonly value: MeasuredTo; readonly label: string }[] = [
  { value: 'form', label: 'Form' },
  { value: 'concrete', label: 'Concrete' },
  { value: 'centre', label: 'Center line' },
];
const ORDERS: Readonly<Record<PointOrder, string>> = {
  file: 'As in the file',
  name: 'By name',
  round: 'Around the middle',
};
const KINDS = {
  dxf: 'DXF drawing',
  ifc: 'IFC model',
  points: 'Surveyed points',
  walk: 'Lengths and turns',
} as const;

/** What an outline is called among several. */
const outlineName = ({ name, closed, rows }: FoundOutline): string =>
  `${name}: ${String(rows.length)} ${rows.length === 1 ? 'wall' : 'walls'}, ${closed ? 'closed' : 'open'}`;

/** A file or pasted text as an outline: shown first, with what was understood and what was left out, then taken as one edit. */
export function BringIn({ job }: { readonly job: Job }) {
  const { plan } = job;
  const { state, read, cancel } = useFound();
  const [open, setOpen] = useState(false);
  const [file, setFile] = useState<Blob | null>(null);
  const [text, setText] = useState('');
  const [unit, setUnit] = useState<FileUnit>(plan.units === 'imperial' ? 'ft' : 'm');
  const [order, setOrder] = useState<PointOrder>('file');
  const [face, setFace] = useState<MeasuredTo>(plan.measuredTo);
  const [chosen, setChosen] = useState(0);
  const empty = plan.loops.every(({ walk }) => walk.length === 0);
  const look = (from: Blob, change: { unit?: FileUnit; order?: PointOrder } = {}): void => {
    setFile(from);
    setChosen(0);
    void read(from, { units: plan.units, unit, order, ...change });
  };
  const close = (): void => {
    cancel();
    setFile(null);
    setOpen(false);
  };
  const answer = state.kind === 'found' ? state.answer : null;
  const outlines = answer?.understood.outlines ?? [];
  const found = outlines[chosen] ?? outlines[0];
  const openings = found?.openings.length ?? 0;
  return (
    <>
      <button
        type="button"
        className="button"
        onClick={() => {
          setFace(plan.measuredTo);
          setOpen(true);
        }}
      >
        <FileInput aria-hidden="true" size={15} /> Outline from a file
      </button>
      <Dialog title="Outline from a file" open={open} onClose={close}>
        <div className="flex flex-col gap-3">
          <p className="text-sm text-quiet">
            DXF drawing, IFC model, surveyed points (name, northing, easting), or lengths and turns. Nothing
            changes until you use it.
          </p>
          <div className="flex flex-wrap items-center gap-2">
            <label className="button strong cursor-pointer has-focus-visible:outline-3 has-focus-visible:outline-chalk">
              Choose a file
              <input
                type="file"
                className="sr-only"
                accept=".dxf,.ifc,.csv,.tsv,.txt"
                onChange={(event) => {
                  const input = event.currentTarget;
                  const [picked] = input.files ?? [];
                  if (picked) look(picked);
                  input.value = '';
                }}
              />
            </label>
            <span className="text-quiet">or paste text:</span>
          </div>
          <div className="flex gap-2">
            <label className="grow">
              <span className="sr-only">Lengths and turns, or points</span>
              <textarea
                className="field figures h-16 text-[15px]"
                spellCheck={false}
                value={text}
                placeholder={"44' R 20' R 44' R 20' R"}
                onChange={(event) => {
                  setText(event.currentTarget.value);
                }}
              />
            </label>
            <button
              type="button"
              className="button self-end"
              disabled={text.trim() === ''}
              onClick={() => {
                look(new Blob([text]));
              }}
            >
              Read text
            </button>
          </div>
          <div role="status" className="flex flex-col gap-2">
            {state.kind === 'reading' && (
              <p className="flex items-center gap-3">
                Reading …
                <button type="button" className="button" onClick={cancel}>
                  Cancel
                </button>
              </p>
            )}
            {state.kind === 'refused' && (
              <div className="text-stop">
                <p className="font-semibold">Nothing was taken.</p>
                <ul>
                  {state.problems.map(({ where, what }, index) => (
                    <li key={index}>
                      {where}: {what}
                    </li>
                  ))}
                </ul>
              </div>
            )}
          </div>
          {answer && found && file && (
            <>
              <p className="font-semibold">
                {KINDS[answer.kind]}: {found.rows.length} {found.rows.length === 1 ? 'wall' : 'walls'}
                {openings > 0 && `, ${String(openings)} ${openings === 1 ? 'opening' : 'openings'}`}
              </p>
              {outlines.length > 1 && (
                <label className="flex flex-col">
                  <span className="heading">Which line</span>
                  <select
                    className="field"
                    value={chosen}
                    onChange={(event) => {
                      setChosen(Number(event.target.value));
                    }}
                  >
                    {outlines.map((each, index) => (
                      <option key={index} value={index}>
                        {outlineName(each)}
                      </option>
                    ))}
                  </select>
                </label>
              )}
              <FoundDrawing found={found} units={plan.units} />
              <div className="flex flex-wrap gap-3">
                {answer.unit !== null && !answer.unitNamed && (
                  <Choice
                    label="The file does not name its unit"
                    name="file-unit"
                    value={unit}
                    options={(Object.keys(FILE_UNITS) as FileUnit[]).map((value) => ({
                      value,
                      label: value,
                    }))}
                    onChoose={(next) => {
                      setUnit(next);
                      look(file, { unit: next });
                    }}
                  />
                )}
                {answer.kind === 'points' && (
                  <Choice
                    label="Order of the points"
                    name="order"
                    value={order}
                    options={POINT_ORDERS.map((value) => ({ value, label: ORDERS[value] }))}
                    onChoose={(next) => {
                      setOrder(next);
                      look(file, { order: next });
                    }}
                  />
                )}
                {empty ? (
                  <Choice
                    label="Which face its lines mean"
                    name="face"
                    value={face}
                    options={FACES}
                    onChoose={setFace}
                  />
                ) : (
                  <p className="text-sm text-quiet">
                    It comes in beside your outline, its lines to the same face (
                    {FACES.find(({ value }) => value === plan.measuredTo)?.label.toLowerCase()}).
                  </p>
                )}
              </div>
              {found.openings.some(({ height }) => height === '') && (
                <p className="text-sm">The file tells no heights of openings. Type them under Openings.</p>
              )}
              {answer.understood.leftOut.length > 0 && (
                <details>
                  <summary className="font-semibold">Left out: {answer.understood.leftOut.length}</summary>
                  <ul className="max-h-32 overflow-y-auto text-sm">
                    {answer.understood.leftOut.map(({ what, why }, index) => (
                      <li key={index}>
                        {what}: {why}
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </>
          )}
          <div className="flex gap-2">
            <button
              type="button"
              className="button strong"
              disabled={!found}
              onClick={() => {
                if (!found) return;
                job.edit(takeOutline(plan, found, { measuredTo: face, freshId: job.freshId }));
                setText('');
                close();
              }}
            >
              Use this outline
            </button>
            <button type="button" className="button" onClick={close}>
              Close
            </button>
          </div>
        </div>
      </Dialog>
    </>
  );
}
