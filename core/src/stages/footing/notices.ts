import { footingRules } from './rules';
import type { Footing, FootingProblem, SurveyPass } from '.';
import {
  type Length,
  type UnitSystem,
  add,
  showLength,
  storeLength,
  times,
  subtract,
  abs,
} from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { moveText } from '../../kernel/notices/moveText';
import { type Notice, type NoticeTable, type Told, noticesOf } from '../../kernel/notices';

const PASSES: Readonly<Record<SurveyPass, string>> = {
  footing: 'Level survey',
  'first-course': 'Survey of the first course',
};

function wording(
  units: UnitSystem,
  nameOf: (wall: string) => string,
  rules: HouseRules,
): NoticeTable<FootingProblem> {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const inFeet = (length: Length): string => showLength(length, units);
  const onWall = (wall: string): Pick<Told, 'where' | 'place'> => ({
    where: nameOf(wall),
    place: { wall },
  });
  const footing = { where: 'Footing', place: {} };
  return {
    'text-unreadable': (problem) => ({
      severity: 'stop',
      ...(problem.wall === null ? footing : onWall(problem.wall)),
      what:
        problem.what === 'offset'
          ? `“${problem.text}” cannot be read as a way off the middle of the footing; write “out 2in” or “in 2in”. The middle stands in its place.`
          : `“${problem.text}” cannot be read as the footing’s ${problem.what === 'sheet' ? 'sheet thickness' : problem.what}; the house rule stands in its place.`,
    }),
    'size-out-of-range': (problem) => ({
      severity: 'stop',
      ...(problem.wall === null ? footing : onWall(problem.wall)),
      what: `${problem.what === 'sheet' ? 'A sheet’s thickness' : `A footing’s ${problem.what}`} lies between ${inFeet(problem.least)} and ${inFeet(problem.most)}; ${inFeet(problem.given)} is a slip. The house rule stands in its place.`,
    }),
    'narrower-than-wall': (problem) => {
      const wide = add(problem.thickness, times(rules.length('footing.edge.least'), 2));
      return {
        severity: 'stop',
        ...onWall(problem.wall),
        rule: 'footing.edge.least',
        what: `The footing is ${inInches(problem.width)} wide and the wall on it ${inInches(problem.thickness)}: it hangs over. Widen the footing, or correct the width.`,
        fixes: [
          {
            label: `Make it ${inInches(wide)} wide`,
            edit: {
              kind: 'set-wall',
              row: problem.wall,
              change: { bearing: { width: storeLength(wide, units) } },
            },
          },
        ],
      };
    },
    'off-footing': (problem) => ({
      severity: 'stop',
      ...onWall(problem.wall),
      what: `The ${problem.side} chalk line runs ${inInches(problem.by)} off the footing. Move the wall on it, or widen it.`,
      fixes: [
        {
          label: 'Stand it in the middle',
          edit: { kind: 'set-wall', row: problem.wall, change: { bearing: null } },
        },
      ],
    }),
    'edge-small': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      rule: 'footing.edge.least',
      what: `Only ${inInches(problem.left)} of footing is left ${problem.side} the form: no room for a kicker board.`,
      why: footingRules['footing.edge.least'].reason,
    }),
    'shot-unreadable': (problem) => ({
      severity: 'mind',
      ...onWall(problem.wall),
      what: `${PASSES[problem.pass]}: “${problem.text}” cannot be read; that reading is left out.`,
    }),
    'shots-without-wall': (problem) => ({
      severity: 'mind',
      where: PASSES[problem.pass],
      place: {},
      what: `${problem.count === 1 ? '1 reading belongs' : `${String(problem.count)} readings belong`} to a wall that is no longer there; kept, but left out.`,
    }),
    'shot-off-wall': (problem) => ({
      key: problem.at,
      severity: 'mind',
      ...onWall(problem.wall),
      what: `${PASSES[problem.pass]}: a reading at ${inFeet(problem.at)} lies off the wall, which is ${inFeet(problem.length)} long; it is left out.`,
    }),
    'shots-twice': (problem) => ({
      key: problem.at,
      severity: 'mind',
      ...onWall(problem.wall),
      what: `${PASSES[problem.pass]}: two readings at ${inFeet(problem.at)} differ by ${inInches(problem.by)}. The later one counts; take the wrong one off the list.`,
    }),
    'one-reading': (problem) => ({
      severity: 'mind',
      where: PASSES[problem.pass],
      place: {},
      what: 'One reading says nothing of level. Take one at every block or so.',
    }),
    'not-surveyed': (problem) => ({
      severity: 'mind',
      where: PASSES[problem.pass],
      place: {},
      what: `No reading yet on ${problem.walls.join(', ')}, or on a step of it: nothing is shimmed there.`,
    }),
    'pull-unreadable': (problem) => ({
      key: problem.from,
      severity: 'mind',
      where: `${problem.from} to ${problem.to}`,
      place: {},
      what: `“${problem.text}” cannot be read as a length; the pull is left out.`,
    }),
    'pulls-without-corner': (problem) => ({
      severity: 'mind',
      where: 'Square',
      place: {},
      what: `${problem.count === 1 ? '1 pull names a corner that is' : `${String(problem.count)} pulls name corners that are`} no longer there, or on an open outline; kept, but left out.`,
    }),
    'pull-to-itself': (problem) => ({
      severity: 'mind',
      where: `Corner ${problem.corner}`,
      place: { corner: problem.corner },
      what: 'A pull goes from a corner to itself; choose another corner.',
    }),
    'pull-impossible': (problem) => ({
      key: problem.from,
      severity: 'stop',
      where: `${problem.from} to ${problem.to}`,
      place: {},
      what: `A pull of ${inFeet(problem.length)} cannot be: with walls as long as they are, ${problem.from} and ${problem.to} lie ${inFeet(problem.least)} to ${inFeet(problem.most)} apart. Read the tape again.`,
    }),
  };
}

/** What the measures say besides what is wrong with them: out of level, a hump, pulls that disagree, a long tail at the gap. */
function findings(
  footing: Footing,
  units: UnitSystem,
  nameOf: (wall: string) => string,
  rules: HouseRules,
): readonly Notice[] {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  const { survey, adjusted, bases } = footing;
  const found: Notice[] = [];
  const put = (notice: Omit<Notice, 'fixes'>): void => {
    found.push({ ...notice, fixes: [] });
  };
  const wallsIn = (places: readonly { readonly wall: string }[]): string =>
    [...new Set(places.map((place) => nameOf(place.wall)))].join(', ');
  if (survey && bases.kind !== 'rock') {
    const [rule, places] =
      survey.pastMost.length > 0
        ? (['footing.level.most', survey.pastMost] as const)
        : (['footing.level.limit', survey.pastLimit] as const);
    if (places.length > 0) {
      put({
        id: 'footing-out-of-level',
        severity: rule === 'footing.level.most' ? 'stop' : 'mind',
        place: places[0] ? { wall: places[0].wall } : {},
        where: 'Level survey',
        rule,
        what: `${places.length === 1 ? '1 place lies' : `${String(places.length)} places lie`} more than ${inInches(rules.length(rule))} below the high point, on ${wallsIn(places)}.${rule === 'footing.level.most' ? ' Grout them, or shave what stands up, before the wall.' : ''}`,
        why: footingRules[rule].reason,
      });
    }
    const { shaving } = survey;
    if (shaving) {
      put({
        id: 'footing-hump',
        severity: 'tip',
        place: shaving.humps[0] ? { wall: shaving.humps[0].wall } : {},
        where: 'Level survey',
        rule: 'footing.hump.longest',
        what: `Shave ${shaving.humps.map((hump) => `${inInches(subtract(hump.to, hump.from))} of ${nameOf(hump.wall)} at ${showLength(hump.from, units)}`).join(', ')}, ${inInches(shaving.lowers)} at the most: it saves ${inInches(shaving.saves)} of shims in all.`,
        why: footingRules['footing.hump.longest'].reason,
      });
    }
  }
  for (const loop of adjusted) {
    if (!loop.agree) {
      const wrong = loop.pulls.find((pull) => pull.id === loop.suspect);
      put({
        id: `pulls-disagree:${loop.loop}`,
        severity: 'mind',
        place: { loop: loop.loop },
        where: 'Square',
        rule: 'footing.tape.accuracy',
        what: wrong
          ? `The pull ${wrong.from} to ${wrong.to} looks wrong, by about ${inInches(abs(wrong.residual))} or more: pull it again.`
          : 'The pulls disagree by more than a tape can. Several could be the wrong one: pull them again, or pull one more.',
        why: footingRules['footing.tape.accuracy'].reason,
      });
    }
    const limit = rules.length('footing.square.limit');
    for (const move of loop.agree ? loop.moves.filter((each) => each.size > limit) : []) {
      put({
        id: `corner-off:${loop.loop}:${move.corner}`,
        severity: 'mind',
        place: { loop: loop.loop, corner: move.corner },
        where: `Corner ${move.corner}`,
        rule: 'footing.square.limit',
        what: `Move corner ${move.corner} ${moveText(move.parts, units)}.`,
        why: footingRules['footing.square.limit'].reason,
      });
    }
  }
  return found;
}

/** Everything wrong with the footing or with what was measured on it, and what the measures say. */
export function footingNotices(
  footing: Footing,
  units: UnitSystem,
  nameOf: (wall: string) => string,
  rules: HouseRules,
): readonly Notice[] {
  const here = (notice: Notice): Notice => ({ ...notice, place: { ...notice.place, stage: 'footing' } });
  const told = noticesOf('', footing.problems, wording(units, nameOf, rules));
  return [...told, ...findings(footing, units, nameOf, rules)].map(here);
}
