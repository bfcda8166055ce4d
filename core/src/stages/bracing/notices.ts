import type { Bracing, BracingProblem, PlankCure, ToldOfPour } from '.';
import { STANDS_ON } from './standsOn';
import { type Length, type UnitSystem, showLength, subtract } from '../../kernel/measure';
import type { Openings } from '../openings';
import { bracingRules } from './rules';
import { type Notice, type NoticeTable, type Told, noticesOf } from '../../kernel/notices';

const WHY_WORDS = {
  corner: 'the corner',
  opening: 'the opening',
  seam: 'the seam',
  tee: 'the tee',
  bulkhead: 'the free end',
  between: 'the bay',
} as const;

/** What would make a walkway, in words. */
function cureText(cure: PlankCure, told: (length: Length) => string): string {
  if (cure.kind === 'plank') return `Add planks of ${told(cure.length)}.`;
  if (cure.kind === 'braces') {
    return `Move the first and last brace to ${told(cure.from)} and ${told(cure.to)}, and hold the corners with boards.`;
  }
  return 'No usual length works. Use loose scaffold there.';
}

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<BracingProblem['kind'], string>> = {
  'stock-unreadable': 'Stock lengths that cannot be read',
  'no-plank-fits': 'No plank fits the bays',
  'spacing-under-grid': 'Brace spacing under the strip spacing',
  'plank-plan-missing': 'Walls without a walkway',
  'walkway-parted': 'Openings that cut the walkway',
  'no-strip': 'Places with no strip to brace',
  'bay-wide': 'Braces too far apart',
  'upright-short': 'Uprights too short',
  'upright-long': 'Uprights too long',
  'walkway-gap': 'Gaps in the walkway at corners',
  'leg-in-doorway': 'Brace legs in front of doorways',
  guardrails: 'Guardrails needed',
  'loose-ground': 'Ground too loose for stakes',
  bank: 'Banks on the braced side',
  'gear-short': 'Not enough gear',
};

function wording(
  units: UnitSystem,
  nameOf: (wall: string) => string,
  openings: Openings,
): NoticeTable<BracingProblem> {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const told = (length: Length): string => showLength(length, units);
  const onWall = (wall: string): Pick<Told, 'where' | 'place'> => ({
    where: nameOf(wall),
    place: { wall },
  });
  const job = (where: string): Pick<Told, 'where' | 'place'> => ({ where, place: {} });
  return {
    'stock-unreadable': (problem) => ({
      key: problem.text,
      severity: 'stop',
      ...job(problem.what === 'plank' ? 'Planks' : 'Uprights'),
      what: `“${problem.text}” cannot be read as a length and is left out. Write it like 12ft or 3.6 m.`,
    }),
    'no-plank-fits': (problem) => ({
      severity: 'stop',
      ...job('Planks'),
      rule: 'bracing.spacing.most',
      what: `No plank on hand spans whole bays (strips every ${inInches(problem.grid)}, braces up to ${inInches(problem.most)}) with the overhang the rules ask for. ${problem.would.length === 0 ? 'No usual length would either. Allow wider brace spacing.' : `Planks of ${problem.would.map(told).join(', ')} would.`}`,
    }),
    'spacing-under-grid': (problem) => ({
      severity: 'stop',
      ...job('Braces'),
      rule: 'bracing.spacing.most',
      what: `Brace spacing is set to ${inInches(problem.most)} and fastening strips are ${inInches(problem.grid)} apart. ${inInches(problem.grid)} is the closest that works, and is used.`,
    }),
    'plank-plan-missing': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'bracing.plank.end.least',
      what: `The planks on hand make no walkway over these braces, ${told(problem.span)} from first to last. ${cureText(problem.cure, told)}`,
    }),
    'walkway-parted': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'check',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        what: 'No plank spans this opening: the walkway stops on both sides. Put guardrails on both ends, or carry planks across on a trestle.',
      };
    },
    'no-strip': (problem) => ({
      key: problem.at,
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'bracing.strip.share',
      what: `No clear fastening strip near ${told(problem.at)} runs through enough courses, so ${WHY_WORDS[problem.why]} there has no brace. Screw a board over it on both faces and brace the board.`,
    }),
    'bay-wide': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        key: problem.from,
        severity: 'check',
        ...(opening
          ? { where: opening.name, place: { wall: problem.wall, opening: opening.id } }
          : onWall(problem.wall)),
        rule: 'bracing.spacing.most',
        what: `Braces are ${inInches(subtract(problem.to, problem.from))} apart from ${told(problem.from)} to ${told(problem.to)}; the limit is ${inInches(problem.most)}. ${opening ? 'Brace the buck side to side and carry the head on a strongback. Keep a door passable.' : 'Screw a board over the strips there and brace the board.'}`,
      };
    },
    'upright-short': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      what: `The longest upright on hand makes ${told(problem.nearest)} and the wall is ${told(problem.wants)}: it stops below the last course, and the top bows. Get longer uprights or joiners.`,
    }),
    'upright-long': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      what: `The shortest upright on hand is ${told(problem.shortest)} and the wall is ${told(problem.height)}: it gets in the way of the hose. Use shorter ones, or a waler and diagonals.`,
    }),
    'walkway-gap': (problem) => ({
      severity: 'check',
      where: `Corner ${problem.corner}`,
      place: { corner: problem.corner },
      what: {
        'outward-turn':
          'The walkway turns an outside corner with no bracket. Carry planks across on a bracket at the corner, or put guardrails on both ends.',
        'sides-differ':
          'The two walls are braced on different sides: the walkway stops here. Put guardrails on both ends.',
        'ends-short':
          'Planks stop short of each other: the walkway has a gap. Put guardrails on it, or move the braces closer to the corner.',
      }[problem.why],
    }),
    'leg-in-doorway': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        key: problem.at,
        severity: 'check',
        ...onWall(problem.wall),
        rule: 'bracing.door.clear',
        what: `The brace leg at ${told(problem.at)} is within ${inInches(problem.clear)} of ${opening?.name ?? 'a doorway'} around the corner. Shorten the leg, or close that doorway.`,
        why: bracingRules['bracing.door.clear'].reason,
      };
    },
    guardrails: (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'bracing.guardrail.over',
      what: `The planks are ${told(problem.platform)} above ${STANDS_ON[problem.on]}: install guardrails before anyone climbs.`,
    }),
    'loose-ground': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      what: `The ground ${problem.side} is too loose for stakes: weighted blocks are counted.${problem.other ? ` Or brace it ${problem.side === 'inside' ? 'outside' : 'inside'}.` : ''}`,
      fixes: problem.other
        ? [
            {
              label: `Brace it ${problem.side === 'inside' ? 'outside' : 'inside'}`,
              edit: {
                kind: 'bracing',
                change: {
                  of: 'wall',
                  wall: problem.wall,
                  change: { side: problem.side === 'inside' ? 'outside' : 'inside' },
                },
              },
            },
          ]
        : [],
    }),
    bank: (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'bracing.foot.clear',
      what: 'There is a bank on the braced side. Keep brace legs off its edge and people out from under it.',
      why: bracingRules['bracing.foot.clear'].reason,
    }),
    'gear-short': (problem) => ({
      key: problem.part,
      severity: 'check',
      ...job(problem.part),
      what: `${String(problem.wanted)} needed, ${String(problem.onHand)} on hand: ${String(problem.wanted - problem.onHand)} short.`,
    }),
  };
}

/** The words of a table, with the pour that a problem belongs to where it names one. */
function ofPours(table: NoticeTable<BracingProblem>, pours: Bracing['pours']): NoticeTable<ToldOfPour> {
  const named = new Map(pours.map(({ pour, name }) => [pour, name]));
  const tell = table as unknown as Readonly<Record<string, (problem: ToldOfPour) => Told | null>>;
  return Object.fromEntries(
    Object.entries(tell).map(([kind, own]) => [
      kind,
      (problem: ToldOfPour): Told | null => {
        const told = own(problem);
        const name = problem.pour === undefined ? undefined : named.get(problem.pour);
        if (!told || problem.pour === undefined || name === undefined) return told;
        return {
          ...told,
          key: [problem.pour, ...[told.key ?? []].flat()],
          where: `${told.where} · ${name}`,
        };
      },
    ]),
  ) as NoticeTable<ToldOfPour>;
}

/** What is wrong with the bracing, or should be known of it. */
export const bracingNotices = (
  bracing: Bracing,
  units: UnitSystem,
  nameOf: (wall: string) => string,
  openings: Openings,
): readonly Notice[] =>
  noticesOf(bracing.problems, {
    before: 'bracing-',
    stage: 'bracing',
    about: ABOUT,
    table: ofPours(wording(units, nameOf, openings), bracing.pours),
  });
