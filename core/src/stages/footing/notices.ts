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
  'first-course': 'First course survey',
};

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<FootingProblem['kind'], string>> = {
  'text-unreadable': 'Footing sizes that cannot be read',
  'size-out-of-range': 'Footing sizes out of range',
  'narrower-than-wall': 'Footings narrower than the wall',
  'off-footing': 'Walls off their footing',
  'edge-small': 'No room for a kicker',
  'shot-unreadable': 'Readings that cannot be read',
  'shots-without-wall': 'Readings on walls that are gone',
  'shot-off-wall': 'Readings off their wall',
  'shots-twice': 'Readings that differ',
  'one-reading': 'Only one reading',
  'not-surveyed': 'Walls without readings',
  'pull-unreadable': 'Diagonals that cannot be read',
  'pulls-without-corner': 'Diagonals to corners that are gone',
  'pull-to-itself': 'Diagonals to the same corner',
  'pull-impossible': 'Impossible diagonals',
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
          ? `“${problem.text}” cannot be read as an offset. Write “out 2in” or “in 2in”. The wall stays in the middle until then.`
          : `“${problem.text}” cannot be read as the footing’s ${problem.what === 'sheet' ? 'sheet thickness' : problem.what}. The house rule is used.`,
    }),
    'size-out-of-range': (problem) => ({
      severity: 'stop',
      ...(problem.wall === null ? footing : onWall(problem.wall)),
      what: `${inFeet(problem.given)} is out of range: ${problem.what === 'sheet' ? 'a sheet’s thickness' : `a footing’s ${problem.what}`} is ${inFeet(problem.least)} to ${inFeet(problem.most)}. The house rule is used.`,
    }),
    'narrower-than-wall': (problem) => {
      const wide = add(problem.thickness, times(rules.length('footing.edge.least'), 2));
      return {
        severity: 'stop',
        ...onWall(problem.wall),
        rule: 'footing.edge.least',
        what: `The footing is ${inInches(problem.width)} wide and the wall ${inInches(problem.thickness)}: the wall hangs over. Widen the footing, or correct the width.`,
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
      what: `The ${problem.side} chalk line runs ${inInches(problem.by)} off the footing. Move the wall, or widen the footing.`,
      fixes: [
        {
          label: 'Center it',
          edit: { kind: 'set-wall', row: problem.wall, change: { bearing: null } },
        },
      ],
    }),
    'edge-small': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      rule: 'footing.edge.least',
      what: `Only ${inInches(problem.left)} of footing is left ${problem.side} the form: no room for a kicker.`,
      why: footingRules['footing.edge.least'].reason,
    }),
    'shot-unreadable': (problem) => ({
      severity: 'check',
      ...onWall(problem.wall),
      what: `${PASSES[problem.pass]}: “${problem.text}” cannot be read. That reading is left out.`,
    }),
    'shots-without-wall': (problem) => ({
      severity: 'check',
      where: PASSES[problem.pass],
      place: {},
      what: `${problem.count === 1 ? '1 reading is' : `${String(problem.count)} readings are`} on a wall that is gone. Kept, but not used.`,
    }),
    'shot-off-wall': (problem) => ({
      key: problem.at,
      severity: 'check',
      ...onWall(problem.wall),
      what: `${PASSES[problem.pass]}: the reading at ${inFeet(problem.at)} is off the wall, which is ${inFeet(problem.length)} long. It is left out.`,
    }),
    'shots-twice': (problem) => ({
      key: problem.at,
      severity: 'check',
      ...onWall(problem.wall),
      what: `${PASSES[problem.pass]}: two readings at ${inFeet(problem.at)} differ by ${inInches(problem.by)}. The later one counts. Delete the wrong one.`,
    }),
    'one-reading': (problem) => ({
      severity: 'check',
      where: PASSES[problem.pass],
      place: {},
      what: 'One reading cannot show level. Take one at about every block.',
    }),
    'not-surveyed': (problem) => ({
      severity: 'check',
      where: PASSES[problem.pass],
      place: {},
      what: `No reading yet on ${problem.walls.join(', ')}, or on one of its steps: no shims are planned there.`,
    }),
    'pull-unreadable': (problem) => ({
      key: problem.from,
      severity: 'check',
      where: `${problem.from} to ${problem.to}`,
      place: {},
      what: `“${problem.text}” cannot be read as a length. This diagonal is left out.`,
    }),
    'pulls-without-corner': (problem) => ({
      severity: 'check',
      where: 'Square',
      place: {},
      what: `${problem.count === 1 ? '1 diagonal names a corner' : `${String(problem.count)} diagonals name corners`} gone from the outline, or on an open one. Kept, but not used.`,
    }),
    'pull-to-itself': (problem) => ({
      severity: 'check',
      where: `Corner ${problem.corner}`,
      place: { corner: problem.corner },
      what: 'This diagonal starts and ends at the same corner. Choose another corner.',
    }),
    'pull-impossible': (problem) => ({
      key: problem.from,
      severity: 'stop',
      where: `${problem.from} to ${problem.to}`,
      place: {},
      what: `A diagonal of ${inFeet(problem.length)} is impossible: with these walls ${problem.from} and ${problem.to} are ${inFeet(problem.least)} to ${inFeet(problem.most)} apart. Read the tape again.`,
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
        kind: 'footing-out-of-level',
        about: 'Footing out of level',
        severity: rule === 'footing.level.most' ? 'stop' : 'check',
        place: places[0] ? { wall: places[0].wall } : {},
        where: 'Level survey',
        rule,
        what: `${places.length === 1 ? '1 place is' : `${String(places.length)} places are`} more than ${inInches(rules.length(rule))} below the high point, on ${wallsIn(places)}.${rule === 'footing.level.most' ? ' Grout the low places or shave the high ones before the wall goes up.' : ' Shim or grout them.'}`,
        why: footingRules[rule].reason,
      });
    }
    const { shaving } = survey;
    if (shaving) {
      put({
        id: 'footing-hump',
        kind: 'footing-hump',
        about: 'Humps to shave',
        severity: 'tip',
        place: shaving.humps[0] ? { wall: shaving.humps[0].wall } : {},
        where: 'Level survey',
        rule: 'footing.hump.longest',
        what: `Shave ${shaving.humps.map((hump) => `${inInches(subtract(hump.to, hump.from))} of ${nameOf(hump.wall)} at ${showLength(hump.from, units)}`).join(', ')} by up to ${inInches(shaving.lowers)}: that saves ${inInches(shaving.saves)} of shims in all.`,
        why: footingRules['footing.hump.longest'].reason,
      });
    }
  }
  for (const loop of adjusted) {
    if (!loop.agree) {
      const wrong = loop.pulls.find((pull) => pull.id === loop.suspect);
      put({
        id: `pulls-disagree:${loop.loop}`,
        kind: 'pulls-disagree',
        about: 'Diagonals that disagree',
        severity: 'check',
        place: { loop: loop.loop },
        where: 'Square',
        rule: 'footing.tape.accuracy',
        what: wrong
          ? `The diagonal ${wrong.from} to ${wrong.to} looks wrong by ${inInches(abs(wrong.residual))} or more. Measure it again.`
          : 'The diagonals disagree by more than a tape can be off. Measure them again, or add one more.',
        why: footingRules['footing.tape.accuracy'].reason,
      });
    }
    const limit = rules.length('footing.square.limit');
    for (const move of loop.agree ? loop.moves.filter((each) => each.size > limit) : []) {
      put({
        id: `corner-off:${loop.loop}:${move.corner}`,
        kind: 'corner-off',
        about: 'Corners off square',
        severity: 'check',
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
  const told = noticesOf(footing.problems, {
    before: '',
    stage: 'footing',
    about: ABOUT,
    table: wording(units, nameOf, rules),
  });
  return [...told, ...findings(footing, units, nameOf, rules)].map(here);
}
