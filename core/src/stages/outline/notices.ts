import {
  type Length,
  type UnitSystem,
  NANOMETRES_PER_INCH,
  abs,
  showLength,
  storeLength,
  storeTurn,
  toDegrees,
} from '../../kernel/measure';
import type { PlanEdit } from '../../kernel/plan';
import {
  type Closing,
  type Gap,
  type LoopProblem,
  type SetupProblem,
  type Shell,
  type ShellLoop,
  TOO_SMALL_TO_TELL,
} from '.';
import { type Notice, type NoticeFix, type NoticeTable, type Told, noticesOf } from '../../kernel/notices';

type Namer = (row: string) => string;

/** `4′ to the right and 6″ down the plan`. */
function wayHome(gap: Gap, units: UnitSystem): string {
  // A small way is told finer than a tape reads, or it would be told as nothing.
  const show = (length: number): string =>
    showLength(Math.abs(length) as Length, units, gap.size < NANOMETRES_PER_INCH ? { partsPerInch: 64 } : {});
  const parts = [
    ...(gap.right === 0 ? [] : [`${show(gap.right)} ${gap.right > 0 ? 'to the right' : 'to the left'}`]),
    ...(gap.down === 0 ? [] : [`${show(gap.down)} ${gap.down > 0 ? 'down' : 'up'}`]),
  ];
  return `${parts.join(' and ')} on the plan`;
}

function closingFix(closing: Closing, loop: ShellLoop, units: UnitSystem, nameOf: Namer): NoticeFix {
  if (closing.kind === 'lengths') {
    const edits = closing.rows.map(({ row, length }): PlanEdit => ({
      kind: 'set-row-length',
      row,
      length: storeLength(length, units),
    }));
    return {
      label: `Make ${closing.rows.map(({ row, length }) => `${nameOf(row)} ${showLength(length, units)}`).join(' and ')}`,
      edit: edits.length === 1 && edits[0] ? edits[0] : { kind: 'all', edits },
    };
  }
  const rows = closing.rows.map(({ length, turn }) => ({
    length: storeLength(length, units),
    turn: storeTurn(turn),
  }));
  // Rows that stand there untyped make way for those that close the walk.
  const waiting = loop.problems.flatMap((problem): PlanEdit[] =>
    problem.kind === 'length-waiting' ? [{ kind: 'remove-row', row: problem.row }] : [],
  );
  return {
    label: `Close it: ${closing.rows.map(({ length, turn }) => `${showLength(length, units)}, ${storeTurn(turn)}°`).join('; ')}`,
    edit: { kind: 'all', edits: [...waiting, { kind: 'add-rows', loop: loop.id, rows }] },
  };
}

/** The causes, for several places at once. */
const ABOUT: Readonly<Record<LoopProblem['kind'], string>> = {
  'length-empty': 'Walls without a length',
  'length-waiting': 'Walls without a length',
  'length-unreadable': 'Lengths that cannot be read',
  'length-ambiguous': 'Lengths that can mean two things',
  'length-not-positive': 'Walls of no length',
  'length-too-long': 'Walls that are too long',
  'turn-unreadable': 'Turns that cannot be read',
  'curve-unreadable': 'Curves that cannot be read',
  'curve-not-tangent': 'Curves that meet at an angle',
  'no-turn': 'Walls in one line',
  'core-change': 'Cores that change along a line',
  'gap-closed': 'Small gap closed',
  'nothing-walked': 'Nothing walked yet',
  open: 'Free ends',
  turns: 'Walk not closed',
  gap: 'Walk misses its start',
  anticlockwise: 'Walked counterclockwise',
  crossing: 'Walls that cross',
  'loops-cross': 'Outlines that cross',
  'place-unreadable': 'Positions that cannot be read',
  'tee-nowhere': 'Tees that meet no wall',
  'tee-off': 'Inside walls that miss the wall they meet',
  'curve-too-tight': 'Curves that are too tight',
  'no-room': 'Walls too short for their neighbors',
};

/** The causes, for several places at once. */
const SETUP_ABOUT: Readonly<Record<SetupProblem['kind'], string>> = {
  'family-unknown': 'Unknown form family',
  'family-broken': 'Form family cannot be used',
  'core-unreadable': 'Core thicknesses that cannot be read',
  'core-not-offered': 'Core thicknesses these forms do not have',
};

/** Where a problem of a row is told. */
type At = 'where' | 'place';

/** Problems of the rows of a walk; their place is given. */
function rowWording(units: UnitSystem): NoticeTable<Extract<LoopProblem, { row: string }>, At> {
  return {
    'length-empty': () => ({
      severity: 'stop',
      what: 'This wall has no length. Type it, or delete the row.',
    }),
    'length-waiting': () => null,
    'length-unreadable': (problem) => ({
      severity: 'stop',
      what: `“${problem.text}” cannot be read as a length. ${problem.message}`,
    }),
    'length-ambiguous': (problem) => ({
      severity: 'stop',
      what: `“${problem.text}” can mean two things. Choose one.`,
      fixes: problem.readings.map((reading) => ({
        label: showLength(reading, units),
        edit: { kind: 'set-row-length', row: problem.row, length: storeLength(reading, units) },
      })),
    }),
    'length-not-positive': () => ({
      severity: 'stop',
      what: 'A wall needs a length above zero.',
    }),
    'length-too-long': (problem) => ({
      severity: 'stop',
      rule: 'outline.wall.longest',
      what: `${showLength(problem.length, units)} is over the longest wall (${showLength(problem.longest, units)}). Check the unit.`,
    }),
    'turn-unreadable': (problem) => ({
      severity: 'stop',
      what: `“${problem.text}” cannot be read as a turn. ${problem.message}`,
    }),
    'curve-unreadable': (problem) => ({
      severity: 'stop',
      what: `“${problem.text}” cannot be read as a curve. Write the radius as a length and the turn as “right 90”.`,
    }),
    'curve-not-tangent': (problem) => ({
      severity: 'stop',
      what: 'A curve must run straight into the next wall: make this turn “straight on”. For a corner, put a short straight wall between.',
      fixes: [
        {
          label: 'Straight on',
          edit: { kind: 'set-row-turn', row: problem.row, turn: 'straight on' },
        },
      ],
    }),
    'no-turn': () => ({
      severity: 'check',
      what: 'This wall and the next are in one line with the same core. Make them one wall, or give one of them another core.',
      why: 'Where one wall ends and the next begins, the joint runs up on one line in every course and must be strapped.',
    }),
    'gap-closed': ({ gap, given }) => {
      const small = gap.size < TOO_SMALL_TO_TELL;
      const by = small ? `less than ${units === 'imperial' ? '1/32″' : '1 mm'}` : wayHome(gap, units);
      const then =
        given === null
          ? 'It counts as closed; every length stays as typed.'
          : `This last wall is worked as ${showLength(given, units)} to close it.`;
      return {
        severity: 'tip',
        rule: 'outline.gap.closed',
        what: `The walk misses home by ${by}. ${then}`,
      };
    },
  };
}

/** Problems of a walk; those of its rows have their place given. */
function loopWording(loop: ShellLoop, units: UnitSystem, nameOf: Namer): NoticeTable<LoopProblem, At> {
  const [first = 'A'] = loop.letters;
  const fix = (closing: Closing): NoticeFix => closingFix(closing, loop, units, nameOf);
  return {
    'nothing-walked': () => ({
      severity: 'tip',
      where: 'Walk',
      what: 'Type the length of the first wall, then the turn at its far end.',
    }),
    open: () => {
      if (loop.built?.tees.start && loop.built.tees.end) return null;
      return {
        severity: 'check',
        where: loop.name ?? 'Walk',
        what:
          loop.built?.tees.start || loop.built?.tees.end
            ? 'One end of this wall is free. Close it with a bulkhead, brace it, and strap both faces.'
            : 'This walk is open, with two free ends. Close both with bulkheads, brace them, and strap both faces.',
        why: 'At a free end only the bulkhead holds the two panels together.',
      };
    },
    turns: (problem) => {
      const turned = toDegrees(problem.turned);
      return {
        severity: 'stop',
        where: 'Walk',
        what: `The walk is not closed: its turns add up to ${String(Math.abs(turned))}° ${turned < 0 ? 'left' : 'right'}, and a closed walk turns 360°.${
          problem.gap.size > 0 ? ` ${first} is ${wayHome(problem.gap, units)}.` : ''
        }`,
        fixes: problem.closings.map(fix),
      };
    },
    gap: (problem) => ({
      severity: 'stop',
      where: 'Walk',
      rule: 'outline.gap.closed',
      what: `The walk misses ${first} by ${showLength(problem.gap.size, units)}: ${wayHome(problem.gap, units)}.`,
      fixes: problem.closings.map(fix),
    }),
    anticlockwise: () => ({
      severity: 'tip',
      where: 'Walk',
      what: 'You walked counterclockwise. Corners are lettered clockwise, so the rows run backward.',
      fixes: [{ label: 'Reverse the rows', edit: { kind: 'turn-walk-round', loop: loop.id } }],
    }),
    crossing: (problem) => ({
      severity: 'stop',
      where: `${nameOf(problem.walls[0])} and ${nameOf(problem.walls[1])}`,
      place: { wall: problem.walls[0] },
      what: 'These walls cross or touch. Check their lengths and the turns between.',
    }),
    'core-change': ({ wall, before, corner, cores, open }) => ({
      severity: 'check',
      where: `Corner ${corner}`,
      place: { wall },
      what: `At ${corner} the core goes from ${showLength(cores[0], units)} to ${showLength(cores[1], units)} in one line. The joint runs up on one line in every course: strap each course on both faces.${open
        .map(
          ({ wall: own, width, side }) =>
            ` Close ${showLength(width, units)} of core on the ${side} of ${nameOf(own)} with a board, over the whole height.`,
        )
        .join('')}`,
      why: `Blocks of two cores do not interlock. ${open.length > 0 ? 'The thinner form does not cover the whole of the thicker core.' : `The end of ${nameOf(cores[0] > cores[1] ? wall : before)}’s panel closes what the thicker core has more.`}`,
    }),
    'loops-cross': () => ({
      severity: 'stop',
      where: loop.name ?? `Outline from ${first}`,
      what: 'Walls of this outline cross or touch another outline. Move its first corner, or join the two in one walk.',
    }),
    'place-unreadable': (problem) => ({
      severity: 'stop',
      where: loop.name ?? `Outline from ${first}`,
      what: `“${problem.text}” cannot be read as the position of the first corner. Write how far right and how far down the plan it is.`,
    }),
    'tee-nowhere': (problem) => ({
      severity: 'stop',
      where: loop.name ?? `Outline from ${first}`,
      what: `The ${problem.end} of this wall should meet a wall that is gone or too short. It is treated as free. Choose the wall again.`,
    }),
    'tee-off': ({ wall, met, short, fits }) => ({
      severity: 'check',
      where: nameOf(wall),
      place: { wall },
      rule: 'outline.tee.gap',
      what:
        short === null
          ? `This wall never meets ${nameOf(met)}. Check its turns and where it starts, or choose another wall for its end.`
          : short > 0
            ? `This wall stops ${showLength(short, units)} short of ${nameOf(met)}.${fits === null ? '' : ` It fits at ${showLength(fits, units)}.`}`
            : `This wall runs ${showLength(abs(short), units)} past the face of ${nameOf(met)}.${fits === null ? ' Check where it starts.' : ` It fits at ${showLength(fits, units)}.`}`,
      fixes:
        fits === null
          ? []
          : [
              {
                label: `Make it ${showLength(fits, units)}`,
                edit: { kind: 'set-row-length', row: wall, length: storeLength(fits, units) },
              },
            ],
    }),
    'curve-too-tight': (problem) => ({
      severity: 'stop',
      where: nameOf(problem.wall),
      place: { wall: problem.wall },
      rule: 'outline.curve.tightest',
      what: `The shorter face has a radius of ${showLength(problem.radius, units)}; these forms bend no tighter than ${showLength(problem.least, units)}. Use a larger radius.`,
    }),
    'no-room': (problem) => ({
      severity: 'stop',
      where: nameOf(problem.wall),
      place: { wall: problem.wall },
      what: 'This wall is too short for the thickness of the walls beside it: no inside face is left. Make it longer.',
    }),
    ...rowWording(units),
  };
}

function setupWording(units: UnitSystem, nameOf: Namer): NoticeTable<SetupProblem> {
  const at = (row: string | undefined): Pick<Told, At> =>
    row === undefined
      ? { where: 'Core', place: { setting: 'core' } }
      : { where: nameOf(row), place: { wall: row } };
  return {
    'family-unknown': (problem) => ({
      severity: 'stop',
      where: 'Forms',
      place: { setting: 'family' },
      what: `There is no form family “${problem.family}”. Choose one from the list.`,
      fixes: problem.known.map((family) => ({
        label: family.name,
        edit: { kind: 'set-family', family: family.id },
      })),
    }),
    'family-broken': (problem) => ({
      severity: 'stop',
      where: 'Forms',
      place: { setting: 'family' },
      what: `The form family “${problem.name}” of this job cannot be used. ${problem.problems
        .slice(0, 3)
        .map((each) => `${each.where}: ${each.what}`)
        .join(' ')}`,
    }),
    'core-unreadable': (problem) => ({
      severity: 'stop',
      ...at(problem.row),
      what: `“${problem.text}” cannot be read as a core thickness. Choose one from the list.`,
    }),
    'core-not-offered': (problem) => ({
      severity: 'stop',
      ...at(problem.row),
      what: `${problem.family.name} has no ${showLength(problem.core, units, { style: 'inches' })} core. It comes in ${problem.family.cores
        .map((core) => showLength(core, units, { style: 'inches' }))
        .join(', ')}.`,
      fixes:
        problem.row === undefined
          ? problem.family.cores.map((core) => ({
              label: showLength(core, units, { style: 'inches' }),
              edit: { kind: 'set-core', core: storeLength(core, units) },
            }))
          : [],
    }),
  };
}

/** What the outline and its forms have to say, in the words and units of the job. */
export function outlineNotices(shell: Shell, units: UnitSystem, nameOf: Namer): readonly Notice[] {
  return [
    ...noticesOf(shell.setupProblems, {
      before: '',
      stage: 'outline',
      about: SETUP_ABOUT,
      table: setupWording(units, nameOf),
    }),
    ...shell.loops.flatMap((loop) =>
      noticesOf<LoopProblem, At>(loop.problems, {
        before: '',
        stage: 'outline',
        about: ABOUT,
        table: loopWording(loop, units, nameOf),
        given: (problem) => ({
          where: 'row' in problem ? nameOf(problem.row) : '',
          place: { loop: loop.id, ...('row' in problem ? { wall: problem.row } : {}) },
        }),
      }),
    ),
  ];
}
