import type { Bracing, BracingProblem, PlankCure } from '.';
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
  if (cure.kind === 'plank') return `Planks of ${told(cure.length)} among them would.`;
  if (cure.kind === 'braces') {
    return `With its first and its last brace at ${told(cure.from)} and ${told(cure.to)} they would, if its corners are held by boards.`;
  }
  return 'No usual length would: use the loose scaffold there.';
}

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
      what: `“${problem.text}” cannot be read as a length; it is left out. Write it as 12ft or 3.6 m.`,
    }),
    'no-plank-fits': (problem) => ({
      severity: 'stop',
      ...job('Planks'),
      rule: 'bracing.spacing.most',
      what: `No plank on hand spans whole bays of strips ${inInches(problem.grid)} apart, up to ${inInches(problem.most)}, with its ends over by the rules. ${problem.would.length === 0 ? 'No usual length would; let the braces stand farther apart.' : `Planks of ${problem.would.map(told).join(', ')} would.`}`,
    }),
    'spacing-under-grid': (problem) => ({
      severity: 'stop',
      ...job('Braces'),
      rule: 'bracing.spacing.most',
      what: `Braces are to stand at most ${inInches(problem.most)} apart and fastening strips stand ${inInches(problem.grid)} apart: ${inInches(problem.grid)} is the nearest that works, and is taken.`,
    }),
    'plank-plan-missing': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'bracing.plank.end.least',
      what: `The planks on hand make no walkway over its braces, ${told(problem.span)} from the first to the last. ${cureText(problem.cure, told)}`,
    }),
    'walkway-parted': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        severity: 'mind',
        where: opening?.name ?? nameOf(problem.wall),
        place: { wall: problem.wall, opening: problem.opening },
        what: 'No plank spans it: the walkway ends at both its sides. Rail both ends off, or carry planks across on a trestle in the doorway.',
      };
    },
    'no-strip': (problem) => ({
      key: problem.at,
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'bracing.strip.share',
      what: `No fastening strip near ${told(problem.at)} catches in enough courses and is clear, so ${WHY_WORDS[problem.why]} there has no brace. Screw a board over it on both faces and brace that.`,
    }),
    'bay-wide': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        key: problem.from,
        severity: 'mind',
        ...(opening
          ? { where: opening.name, place: { wall: problem.wall, opening: opening.id } }
          : onWall(problem.wall)),
        rule: 'bracing.spacing.most',
        what: `Braces stand ${inInches(subtract(problem.to, problem.from))} apart from ${told(problem.from)} to ${told(problem.to)}; ${inInches(problem.most)} is the most. ${opening ? 'Brace its buck from side to side and carry the head with a strongback; keep a door passable.' : 'Screw a board over the strips there and brace that.'}`,
      };
    },
    'upright-short': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      what: `The longest upright that can be made is ${told(problem.nearest)} and the wall is ${told(problem.wants)}: it ends below the last course, and the top bows. Get longer uprights or joints.`,
    }),
    'upright-long': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      what: `The shortest upright on hand is ${told(problem.shortest)} and the wall is ${told(problem.height)}: it stands in the way of the hose. Take shorter ones, or a waler and diagonals.`,
    }),
    'walkway-gap': (problem) => ({
      severity: 'mind',
      where: `Corner ${problem.corner}`,
      place: { corner: problem.corner },
      what: {
        'outward-turn':
          'The walkway turns round an outward corner, where no bracket stands: carry planks across on a bracket set at the corner, or rail both ends off.',
        'sides-differ': 'Its walls are braced on different sides: the walkway ends here. Rail both ends off.',
        'ends-short':
          'Planks end short of each other: the walkway has a gap. Rail it off, or move the braces nearer to the corner.',
      }[problem.why],
    }),
    'leg-in-doorway': (problem) => {
      const opening = openings.placed.find((each) => each.id === problem.opening);
      return {
        key: problem.at,
        severity: 'mind',
        ...onWall(problem.wall),
        rule: 'bracing.door.clear',
        what: `The leg of its brace at ${told(problem.at)} stands within ${inInches(problem.clear)} in front of ${opening?.name ?? 'a doorway'}, round the corner. Shorten its leg, or keep that doorway shut: people must be able to pass.`,
        why: bracingRules['bracing.door.clear'].reason,
      };
    },
    guardrails: (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'bracing.guardrail.over',
      what: `Its planks lie ${told(problem.platform)} up: guardrails go on before anyone climbs.`,
    }),
    'loose-ground': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      what: `The ground ${problem.side} is loose and holds no stake: weighted blocks are counted.${problem.other ? ` Or brace it ${problem.side === 'inside' ? 'outside' : 'inside'}.` : ''}`,
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
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'bracing.foot.clear',
      what: `There is a bank on the braced side: keep legs off its edge and people out from under it.`,
      why: bracingRules['bracing.foot.clear'].reason,
    }),
    'gear-short': (problem) => ({
      key: problem.part,
      severity: 'mind',
      ...job(problem.part),
      what: `${String(problem.wanted)} are wanted and ${String(problem.onHand)} are on hand: ${String(problem.wanted - problem.onHand)} short.`,
    }),
  };
}

/** What is wrong with the bracing, or should be known of it. */
export const bracingNotices = (
  bracing: Bracing,
  units: UnitSystem,
  nameOf: (wall: string) => string,
  openings: Openings,
): readonly Notice[] =>
  noticesOf('bracing-', bracing.problems, wording(units, nameOf, openings), () => ({
    place: { stage: 'bracing' },
  }));
