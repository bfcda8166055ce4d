import type {
  AsLaid,
  Bearing,
  CornerLead,
  Flush,
  FootingStep,
  Rake,
  TopStep,
  WalkRow,
  WallBond,
  WallCurve,
} from './plan';
import { type UnitSystem, readLength, storeLength } from '../../kernel/measure';
import { storedLengthText, storedTurnText } from '../../kernel/plan/storedText';

/** What may be set on a wall besides its length and turn; null takes it off again, back to the job's own. */
export interface WallChange {
  readonly curve?: WallCurve | null;
  readonly core?: string | null;
  readonly flush?: Flush | null;
  readonly top?: string | null;
  readonly topSteps?: readonly TopStep[] | null;
  readonly rake?: Rake | null;
  readonly footing?: readonly FootingStep[] | null;
  readonly bond?: WallBond | null;
  readonly lead?: CornerLead | null;
  readonly asLaid?: readonly AsLaid[] | null;
  readonly bearing?: Bearing | null;
}

/** `up 32in` with its length in stored form; `up 2 courses`, and unreadable text, are kept as typed. */
function storedStepText(text: string, units: UnitSystem): string {
  const found = /^\s*(up|down)\s+(.*)$/i.exec(text);
  if (!found) return text.trim();
  const reading = readLength(found[2] ?? '', units);
  return reading.ok ? `${(found[1] ?? '').toLowerCase()} ${storeLength(reading.length, units)}` : text.trim();
}

/** `out 2in` with its length in stored form; unreadable text is kept as typed. */
function storedOffsetText(text: string, units: UnitSystem): string {
  const found = /^\s*(out|in)\s+(.*)$/i.exec(text);
  if (!found) return text.trim();
  return `${(found[1] ?? '').toLowerCase()} ${storedLengthText(found[2] ?? '', units)}`;
}

/** Parts of a bearing that are empty go; with none left there is no bearing. */
function storedBearing({ width, offset }: Bearing, units: UnitSystem): Bearing | null {
  const kept = {
    ...(width === undefined || width.trim() === '' ? {} : { width: storedLengthText(width, units) }),
    ...(offset === undefined || offset.trim() === '' ? {} : { offset: storedOffsetText(offset, units) }),
  };
  return Object.keys(kept).length === 0 ? null : kept;
}

/** A top in its stored form: `5 courses`, a height with its unit, or what was typed. */
const storedTopText = (text: string, units: UnitSystem): string =>
  /course/i.test(text) ? text.trim() : storedLengthText(text, units);

/** Lengths of a change in their stored form, so that they mean the same whatever the job's units become. */
function stored(change: WallChange, units: UnitSystem): WallChange {
  const { curve, core, top, topSteps, rake, footing, bond, asLaid, bearing } = change;
  const length = (text: string): string => storedLengthText(text, units);
  return {
    ...change,
    ...(curve ? { curve: { radius: length(curve.radius), sweep: storedTurnText(curve.sweep) } } : {}),
    ...(core ? { core: length(core) } : {}),
    ...(top ? { top: storedTopText(top, units) } : {}),
    ...(topSteps
      ? {
          topSteps: topSteps.map((each) => ({
            ...each,
            at: length(each.at),
            top: storedTopText(each.top, units),
          })),
        }
      : {}),
    ...(rake
      ? {
          rake: {
            ...rake,
            points: rake.points.map((each) => ({
              ...each,
              at: length(each.at),
              top: storedTopText(each.top, units),
            })),
          },
        }
      : {}),
    ...(footing
      ? {
          footing: footing.map((each) => ({
            ...each,
            at: length(each.at),
            step: storedStepText(each.step, units),
          })),
        }
      : {}),
    ...(bond?.kind === 'seam' ? { bond: { kind: 'seam', at: length(bond.at) } as const } : {}),
    ...(bearing ? { bearing: storedBearing(bearing, units) } : {}),
    ...(asLaid ? { asLaid: asLaid.map((each) => ({ ...each, length: length(each.length) })) } : {}),
  };
}

/** A row with a change on it; lists that have become empty go, as if they had never been. */
export function changeWall(row: WalkRow, change: WallChange, units: UnitSystem): WalkRow {
  const entries = Object.entries({ ...row, ...stored(change, units) });
  return Object.fromEntries(
    entries.filter(([, value]) => value !== null && !(Array.isArray(value) && value.length === 0)),
  ) as unknown as WalkRow;
}
