import type { LimitProblem } from '.';
import { type UnitSystem, CUBIC_METRES_PER_CUBIC_YARD, showLength } from '../../kernel/measure';
import type { Notice, NoticePlace } from '../../kernel/notices/notice';

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

/** Where the interface goes for it. */
function placeOf(problem: LimitProblem): NoticePlace {
  if (problem.kind === 'too-many-walls') return {};
  if (problem.kind === 'side-too-large') return { stage: 'pour' };
  const { of, id } = problem.place;
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

function whereOf(problem: LimitProblem, nameOf: (id: string) => string): string {
  if (problem.kind === 'too-many-walls') return 'Walk';
  if (problem.kind === 'side-too-large') return problem.name;
  const { of, id } = problem.place;
  if (of === 'footing') return 'Footing';
  if (of === 'bracing') return 'Bracing';
  if (of === 'buck') return 'Bucks';
  return of === 'loop' ? 'Walk' : nameOf(id);
}

function whatOf(problem: LimitProblem, units: UnitSystem): string {
  if (problem.kind === 'too-many-walls') {
    return `This job has ${String(problem.walls)} walls; ${String(problem.most)} at most are worked. Split it into several jobs; outlines past that are left out until then.`;
  }
  if (problem.kind === 'side-too-large') {
    const [unit, name] = units === 'imperial' ? [CUBIC_METRES_PER_CUBIC_YARD, 'yd³'] : [1, 'm³'];
    const show = (cubicMetres: number): string => `${String(Math.round(cubicMetres / unit))} ${name}`;
    return `${show(problem.cubicMetres)} is more than a side pour takes (${show(problem.most)}); check the number and its unit. It is left out until then.`;
  }
  const { field, length, range } = problem;
  const short = length < range.least;
  const bound = short ? range.least : range.most;
  const show = (value: typeof length): string =>
    showLength(
      value,
      units,
      Math.abs(value) < 3e8 ? { style: 'inches', partsPerInch: 64 } : { partsPerInch: 1 },
    );
  const name = WORDS[field] ?? field;
  return `A ${name} of ${show(length)} is a slip: it is ${show(bound)} at ${short ? 'least' : 'most'}. Check the number and its unit; it is left out until then.`;
}

/** What of the plan is left out because it measures more or less than anything of its kind. */
export function limitNotices(
  problems: readonly LimitProblem[],
  units: UnitSystem,
  nameOf: (id: string) => string,
): readonly Notice[] {
  const told = problems.slice(0, MOST_TOLD).map((problem, index): Notice => ({
    id: `limit-${problem.kind}:${String(index)}`,
    severity: 'stop',
    place: placeOf(problem),
    where: whereOf(problem, nameOf),
    what: whatOf(problem, units),
    fixes: [],
  }));
  const more = problems.length - told.length;
  if (more <= 0) return told;
  return [
    ...told,
    {
      id: 'limit-more',
      severity: 'stop',
      place: {},
      where: 'Plan',
      what: `${String(more)} more measures are out of range and left out.`,
      fixes: [],
    },
  ];
}
