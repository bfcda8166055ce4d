import type { FamilyFile } from '@ombra/core/kernel/forms';
import type { TypedQuantity } from '@ombra/core/kernel/measure';

/** One figure of a family as it is edited: where it stands in the file, and what it is called. */
export interface FamilyField {
  /** `corner90.long`, `cores`, `reversible`. */
  readonly path: string;
  readonly label: string;
  readonly type:
    'length' | 'lengths' | 'number' | 'flag' | Extract<TypedQuantity, 'pressure' | 'mass' | 'volume'>;
  /** May be left empty, and is then left out of the file. */
  readonly optional?: true;
}

const common: readonly FamilyField[] = [
  { path: 'cores', label: 'Cores it comes in', type: 'lengths' },
  { path: 'courseHeight', label: 'Course height', type: 'length' },
];

const trade: readonly FamilyField[] = [
  { path: 'bundle', label: 'Pieces in a bundle', type: 'number', optional: true },
  { path: 'massKilograms', label: 'Mass of a piece', type: 'mass', optional: true },
  {
    path: 'capacityPascals',
    label: 'Form capacity',
    type: 'pressure',
    optional: true,
  },
];

/** Every figure of a family, in the order in which one reads them off a block. */
export const FIELDS: Readonly<Record<FamilyFile['kind'], readonly FamilyField[]>> = {
  'flat-wall': [
    { path: 'straightLength', label: 'Straight, length', type: 'length' },
    ...common,
    { path: 'panel', label: 'Panel thickness', type: 'length' },
    { path: 'firstWeb', label: 'First web from the end', type: 'length' },
    { path: 'webSpacing', label: 'Web spacing', type: 'length' },
    { path: 'cutMark', label: 'Cut marks every', type: 'length' },
    { path: 'interlock', label: 'Interlock pitch', type: 'length' },
    { path: 'corner90.long', label: 'Corner, long leg past the wall', type: 'length' },
    { path: 'corner90.short', label: 'Corner, short leg past the wall', type: 'length' },
    { path: 'corner45Inside.long', label: '45° corner, long leg inside', type: 'length', optional: true },
    { path: 'corner45Inside.short', label: '45° corner, short leg inside', type: 'length', optional: true },
    { path: 'halfHeight', label: 'Half-height piece', type: 'length', optional: true },
    { path: 'reversible', label: 'Reversible, no top or bottom', type: 'flag' },
    ...trade,
  ],
  'panel-and-tie': [
    { path: 'panelLength', label: 'Panel, length', type: 'length' },
    ...common,
    { path: 'panel', label: 'Panel thickness', type: 'length' },
    { path: 'tieSpacing', label: 'Tie spacing', type: 'length' },
    { path: 'topTieSpacing', label: 'Top ties every', type: 'length' },
    { path: 'track.bottom', label: 'Bottom track', type: 'flag' },
    { path: 'track.top', label: 'Top track', type: 'flag' },
    ...trade,
  ],
  cell: [
    { path: 'blockLength', label: 'Block, length', type: 'length' },
    ...common,
    { path: 'blockThickness', label: 'Block, thickness', type: 'length' },
    { path: 'cellSpacing', label: 'Cells every', type: 'length' },
    { path: 'volumePerBlock', label: 'Concrete in a block', type: 'volume' },
    { path: 'barEveryCourses', label: 'Bars every … courses', type: 'number' },
    ...trade,
  ],
};

type Tree = Readonly<Record<string, unknown>>;

/** A figure of a family file as text, or a flag. */
export function figureAt(file: FamilyFile, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (value, key) => (typeof value === 'object' && value !== null ? (value as Tree)[key] : undefined),
      file,
    );
}

/** The file with one figure changed; undefined takes it out, and what is left empty goes with it. */
export function withFigure(file: FamilyFile, path: string, value: unknown): FamilyFile {
  const [key = '', inner] = path.split('.');
  const tree = file as unknown as Tree;
  const rest = Object.fromEntries(Object.entries(tree).filter(([each]) => each !== key));
  if (inner === undefined)
    return (value === undefined ? rest : { ...tree, [key]: value }) as unknown as FamilyFile;
  const within = (tree[key] ?? {}) as Tree;
  const changed = Object.fromEntries(
    Object.entries({ ...within, [inner]: value }).filter(([, each]) => each !== undefined),
  );
  return (Object.keys(changed).length === 0 ? rest : { ...tree, [key]: changed }) as unknown as FamilyFile;
}
