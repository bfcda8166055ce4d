import { type Family, systemOf } from '../../kernel/forms';
import { type How, givenCount } from '../../kernel/figures/how';
import { type Length, ZERO, subtract } from '../../kernel/measure';
import { type CoreBlocks, type Courses, blocksForStrips } from '../courses';
import { type Shell, type Wall, isSquare } from '../outline';
import type { Article } from './article';

const sum = (name: string, of: readonly How[]): How => ({
  op: 'sum',
  name,
  unit: of[0]?.unit ?? 'count',
  of,
});

/** Blocks of all cores as one: panels and cell blocks serve any core of their family. */
function ofAnyCore(byCore: readonly CoreBlocks[]): readonly CoreBlocks[] {
  const [first] = byCore;
  if (!first) return [];
  const total = (of: (own: CoreBlocks) => number): number => byCore.reduce((sum, own) => sum + of(own), 0);
  return [
    {
      core: first.core,
      whole: total(({ whole }) => whole),
      opened: total(({ opened }) => opened),
      ripped: total(({ ripped }) => ripped),
      halfPieces: total(({ halfPieces }) => halfPieces),
    },
  ];
}

/** Straights of every core: laid whole, opened for cuts, ripped; and half-height pieces. */
export function straights(
  courses: Courses,
  family: Family,
  ledges: (core: Length) => number,
): readonly Article[] {
  const panels = family.kind === 'panel-and-tie';
  const { byCore } = courses.offcuts;
  const cores = byCore.map(({ core }) => core);
  const byCores = family.kind === 'flat-wall';
  return (byCores ? byCore : ofAnyCore(byCore)).flatMap((own): Article[] => {
    const ledge = (byCores ? [own.core] : cores).reduce((count, core) => count + ledges(core), 0);
    const all = sum('blocks', [
      givenCount('laid whole', own.whole),
      givenCount('opened for cuts', own.opened),
      ...(own.ripped === 0 ? [] : [givenCount('ripped for lower courses', own.ripped)]),
    ]);
    const blocks: How =
      ledge === 0
        ? all
        : {
            op: 'difference',
            name: 'blocks',
            unit: 'count',
            of: [all, givenCount('with a brick ledge', ledge)],
          };
    const both: How = { op: 'product', name: 'panels', unit: 'count', of: [givenCount('faces', 2), blocks] };
    return [
      {
        id: `straight:${String(own.core)}`,
        group: 'forms',
        article: panels ? 'Panel' : family.kind === 'cell' ? 'Block' : 'Straight',
        ...(byCores ? { core: own.core } : {}),
        needed: panels ? both : blocks,
        isForm: true,
        rules: ['offcuts.fromCourse', 'offcuts.shortest'],
      },
      ...(ledge === 0
        ? []
        : [
            {
              id: `ledge:${String(own.core)}`,
              group: 'forms' as const,
              article: 'Straight with brick ledge',
              ...(byCores ? { core: own.core } : {}),
              needed: givenCount('along the ledges', ledge),
              isForm: true,
            },
          ]),
      ...(own.halfPieces === 0
        ? []
        : [
            {
              id: `half:${String(own.core)}`,
              group: 'forms' as const,
              article: 'Half-height straight',
              ...(byCores ? { core: own.core } : {}),
              needed: givenCount('laid', own.halfPieces),
              isForm: true,
              massShare: 0.5,
            },
          ]),
    ];
  });
}

/** Moulded corners by angle, core and hand; both hands are one article where the family may be turned over. */
export function corners(
  shell: Shell,
  courses: Courses,
  family: Family,
  walls: ReadonlyMap<string, Wall>,
): readonly Article[] {
  if (family.kind !== 'flat-wall') return [];
  const kinds = new Map(
    shell.loops.flatMap((loop) => loop.built?.corners ?? []).map((corner) => [corner.letter, corner]),
  );
  const groups = new Map<
    string,
    { angle: string; core: Length; hand: string; whole: number; strips: Length[] }
  >();
  for (const piece of courses.pieces) {
    if (piece.kind !== 'corner' || piece.make !== 'moulded') continue;
    const core = walls.get(piece.wallAfter)?.core ?? ZERO;
    const turn = kinds.get(piece.corner)?.turn;
    const angle = turn === undefined || isSquare(turn) ? 'Corner' : '45° corner';
    const hand = family.reversible ? 'either hand' : piece.hand === 'LH' ? 'left-hand' : 'right-hand';
    const key = `${angle}:${String(core)}:${hand}`;
    const group = groups.get(key) ?? { angle, core, hand, whole: 0, strips: [] };
    groups.set(key, group);
    const height = subtract(piece.top, piece.bottom);
    if (height === courses.courseHeight) group.whole += 1;
    else group.strips.push(height);
  }
  return [...groups].map(([key, { angle, core, hand, whole, strips }]): Article => {
    const ripped = blocksForStrips(strips, systemOf(family));
    return {
      id: `corner:${key}`,
      group: 'forms',
      article: `${angle}, ${hand}`,
      core,
      needed: sum('corners', [
        givenCount('laid whole', whole),
        ...(ripped === 0 ? [] : [givenCount('ripped for lower courses', ripped)]),
      ]),
      isForm: true,
      rules: ['courses.corner.lead'],
    };
  });
}
