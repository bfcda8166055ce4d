import type { LimitPlace, LimitProblem } from '.';
import { type Length, type UnitSystem, CUBIC_METRES_PER_CUBIC_YARD, showLength } from '../../kernel/measure';
import { type Notice, type NoticePlace, type NoticeTable, noticesOf } from '../../kernel/notices';

/** How a length is called on screen, by its name in the plan file. */
const WORDS: Readonly<Record<string, string>> = {
  at: 'distance from the corner',
  base: 'footing height',
  right: 'place to the right',
  down: 'place down the plan',
  up: 'height above the footing',
  fall: 'fall',
  topSteps: 'step of the top',
  footing: 'step of the footing',
  asLaid: 'pulled length',
  planks: 'plank',
  uprights: 'upright',
  stock: 'stock length',
  kerf: 'saw cut',
};

/** As many as anyone reads; the rest are counted. */
const MOST_TOLD = 20;

/** Where the interface goes for a thing that measures too much or too little. */
function placeOf({ of, id }: LimitPlace): NoticePlace {
  switch (of) {
    case 'opening':
      return { stage: 'openings', opening: id };
    case 'insert':
      return { stage: 'openings', insert: id };
    case 'wall':
      return { wall: id };
    case 'loop':
      return { loop: id };
    case 'buck':
      return { stage: 'openings' };
    default:
      return { stage: of };
  }
}

/** What such a thing is called, where it has no name of its own. */
const PLACE_NAMES: Readonly<Partial<Record<LimitPlace['of'], string>>> = {
  footing: 'Footing',
  bracing: 'Bracing',
  buck: 'Bucks',
  loop: 'Walk',
};

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<LimitProblem['kind'], string>> = {
  'too-many-walls': 'Too many walls',
  'side-too-large': 'Side pours too large',
  'out-of-range': 'Measures out of range',
};

const limitWording = (units: UnitSystem, nameOf: (id: string) => string): NoticeTable<LimitProblem> => ({
  'too-many-walls': ({ walls, most }) => ({
    severity: 'stop',
    where: 'Walk',
    place: {},
    what: `This job has ${String(walls)} walls; the limit is ${String(most)}. Split it into several jobs. Outlines past the limit are left out until then.`,
  }),
  'side-too-large': ({ name, cubicMetres, most }) => {
    const [unit, unitName] = units === 'imperial' ? [CUBIC_METRES_PER_CUBIC_YARD, 'yd³'] : [1, 'm³'];
    const show = (value: number): string => `${String(Math.round(value / unit))} ${unitName}`;
    return {
      severity: 'stop',
      where: name,
      place: { stage: 'pour' },
      key: name,
      what: `${show(cubicMetres)} is over the limit of a side pour (${show(most)}). Check the number and its unit. It is left out until then.`,
    };
  },
  'out-of-range': ({ place, field, length, range }) => {
    const short = length < range.least;
    const bound = short ? range.least : range.most;
    const show = (value: Length): string =>
      showLength(
        value,
        units,
        Math.abs(value) < 3e8 ? { style: 'inches', partsPerInch: 64 } : { partsPerInch: 1 },
      );
    return {
      severity: 'stop',
      where: PLACE_NAMES[place.of] ?? nameOf(place.id),
      place: placeOf(place),
      key: [place.id, field],
      what: `A ${WORDS[field] ?? field} of ${show(length)} is out of range: ${short ? 'at least' : 'at most'} ${show(bound)}. Check the number and its unit. It is left out until then.`,
    };
  },
});

/** What of the plan is left out because it measures more or less than anything of its kind. */
export function limitNotices(
  problems: readonly LimitProblem[],
  units: UnitSystem,
  nameOf: (id: string) => string,
): readonly Notice[] {
  const told = noticesOf(problems.slice(0, MOST_TOLD), {
    before: 'limit-',
    stage: 'outline',
    about: ABOUT,
    table: limitWording(units, nameOf),
  });
  const more = problems.length - told.length;
  if (more <= 0) return told;
  return [
    ...told,
    {
      id: 'limit-more',
      kind: 'limit-more',
      about: 'More measures out of range',
      severity: 'stop',
      place: { stage: 'outline' },
      where: 'Plan',
      what: `${String(more)} more measures are out of range and left out.`,
      fixes: [],
    },
  ];
}
