import {
  type Length,
  type UnitSystem,
  NANOMETRES_PER_INCH,
  showLength,
  storeLength,
  storeTurn,
  toDegrees,
} from '../../kernel/measure';
import type { PlanEdit } from '../../kernel/plan';
import type { Closing, Gap, LoopProblem, SetupProblem, Shell, ShellLoop } from '.';
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

/** Where a problem of a row is told. */
type At = 'where' | 'place';

/** Problems of the rows of a walk; their place is given. */
function rowWording(units: UnitSystem): NoticeTable<Extract<LoopProblem, { row: string }>, At> {
  return {
    'length-empty': () => ({
      severity: 'stop',
      what: 'This wall has no length; type it, or remove the row.',
    }),
    'length-waiting': () => null,
    'length-unreadable': (problem) => ({
      severity: 'stop',
      what: `“${problem.text}” cannot be read as a length. ${problem.message}`,
    }),
    'length-ambiguous': (problem) => ({
      severity: 'stop',
      what: `“${problem.text}” can be read in two ways; choose the one you mean.`,
      fixes: problem.readings.map((reading) => ({
        label: showLength(reading, units),
        edit: { kind: 'set-row-length', row: problem.row, length: storeLength(reading, units) },
      })),
    }),
    'length-not-positive': () => ({
      severity: 'stop',
      what: 'A wall must be longer than nothing; type its length.',
    }),
    'length-too-long': (problem) => ({
      severity: 'stop',
      rule: 'outline.wall.longest',
      what: `${showLength(problem.length, units)} is longer than a wall can be (${showLength(problem.longest, units)}); check the unit.`,
    }),
    'turn-unreadable': (problem) => ({
      severity: 'stop',
      what: `“${problem.text}” cannot be read as a turn. ${problem.message}`,
    }),
    'curve-unreadable': (problem) => ({
      severity: 'stop',
      what: `“${problem.text}” cannot be read as a curve; write its radius as a length, and how far it turns as “right 90”.`,
    }),
    'curve-not-tangent': (problem) => ({
      severity: 'stop',
      what: 'A curve runs straight on into its neighbours: write “straight on” as the turn here. Where a corner is meant, put a short straight wall between.',
      fixes: [
        {
          label: 'Straight on',
          edit: { kind: 'set-row-turn', row: problem.row, turn: 'straight on' },
        },
      ],
    }),
    'no-turn': () => ({
      severity: 'stop',
      what: 'Two straight walls that run straight on are one wall: join them, or write the turn between.',
    }),
    'gap-closed': () => ({
      severity: 'tip',
      rule: 'outline.gap.closed',
      what: `The walk missed home by under ${units === 'imperial' ? '1/32″' : '1 mm'}; this last wall takes it up.`,
    }),
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
      what: 'Type the first wall’s length, then the turn at its far end.',
    }),
    open: () => {
      if (loop.built?.tees.start && loop.built.tees.end) return null;
      return {
        severity: 'mind',
        where: loop.name ?? 'Walk',
        what:
          loop.built?.tees.start || loop.built?.tees.end
            ? 'One end of this wall stands free. Close it with a bulkhead, brace it, and strap it on both faces.'
            : 'This walk is open: its two ends stand free. Close both with bulkheads, brace them, and strap them on both faces.',
        why: 'Nothing holds the panels of a free end together but its bulkhead.',
      };
    },
    turns: (problem) => {
      const turned = toDegrees(problem.turned);
      return {
        severity: 'stop',
        where: 'Walk',
        what: `The walk is not home yet: its turns add up to ${String(Math.abs(turned))}° ${turned < 0 ? 'left' : 'right'}, a closed walk makes 360°.${
          problem.gap.size > 0 ? ` ${first} lies ${wayHome(problem.gap, units)}.` : ''
        }`,
        fixes: problem.closings.map(fix),
      };
    },
    gap: (problem) => ({
      severity: 'stop',
      where: 'Walk',
      rule: 'outline.gap.closed',
      what: `The walk misses ${first} by ${showLength(problem.gap.size, units)}: go ${wayHome(problem.gap, units)}.`,
      fixes: problem.closings.map(fix),
    }),
    anticlockwise: () => ({
      severity: 'tip',
      where: 'Walk',
      what: 'You walked anticlockwise. Corners are lettered clockwise from A, so the rows run backwards.',
      fixes: [{ label: 'Turn the rows round', edit: { kind: 'turn-walk-round', loop: loop.id } }],
    }),
    crossing: (problem) => ({
      severity: 'stop',
      where: `${nameOf(problem.walls[0])} and ${nameOf(problem.walls[1])}`,
      place: { wall: problem.walls[0] },
      what: 'These walls cross or touch; check their lengths and the turns between.',
    }),
    'loops-cross': () => ({
      severity: 'stop',
      where: loop.name ?? `Outline from ${first}`,
      what: 'Its walls cross or touch those of another outline; move its first corner, or join them in one walk.',
    }),
    'place-unreadable': (problem) => ({
      severity: 'stop',
      where: loop.name ?? `Outline from ${first}`,
      what: `“${problem.text}” cannot be read as the place of its first corner; write how far it lies to the right, and down the plan.`,
    }),
    'tee-nowhere': (problem) => ({
      severity: 'stop',
      where: loop.name ?? `Outline from ${first}`,
      what: `The wall that its ${problem.end} should meet is not there, or not so long; it is taken as free. Choose the wall again.`,
    }),
    'curve-too-tight': (problem) => ({
      severity: 'stop',
      where: nameOf(problem.wall),
      place: { wall: problem.wall },
      rule: 'outline.curve.tightest',
      what: `Its shorter face would have a radius of ${showLength(problem.radius, units)}; these forms bend to ${showLength(problem.least, units)} at the tightest. Make the radius larger.`,
    }),
    'no-room': (problem) => ({
      severity: 'stop',
      where: nameOf(problem.wall),
      place: { wall: problem.wall },
      what: 'This wall is too short for the thickness of its neighbours; no inside face is left. Make it longer.',
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
      what: `No form family is called “${problem.family}”; choose one of those listed.`,
      fixes: problem.known.map((family) => ({
        label: family.name,
        edit: { kind: 'set-family', family: family.id },
      })),
    }),
    'family-broken': (problem) => ({
      severity: 'stop',
      where: 'Forms',
      place: { setting: 'family' },
      what: `The job’s own family “${problem.name}” cannot be used. ${problem.problems
        .slice(0, 3)
        .map((each) => `${each.where}: ${each.what}`)
        .join(' ')}`,
    }),
    'core-unreadable': (problem) => ({
      severity: 'stop',
      ...at(problem.row),
      what: `“${problem.text}” cannot be read as a core thickness; choose one of those listed.`,
    }),
    'core-not-offered': (problem) => ({
      severity: 'stop',
      ...at(problem.row),
      what: `${problem.family.name} has no ${showLength(problem.core, units, { style: 'inches' })} core; it comes with ${problem.family.cores
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
    ...noticesOf('', shell.setupProblems, setupWording(units, nameOf)),
    ...shell.loops.flatMap((loop) =>
      noticesOf<LoopProblem, At>('', loop.problems, loopWording(loop, units, nameOf), (problem) => ({
        where: 'row' in problem ? nameOf(problem.row) : '',
        place: { loop: loop.id, ...('row' in problem ? { wall: problem.row } : {}) },
      })),
    ),
  ];
}
