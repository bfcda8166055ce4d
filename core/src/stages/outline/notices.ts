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
import type { Notice, NoticeFix, NoticePlace } from '../../kernel/notices/notice';

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

interface Wording {
  readonly severity: Notice['severity'];
  readonly where: string;
  readonly what: string;
  readonly why?: string;
  readonly fixes?: readonly NoticeFix[];
  readonly place?: NoticePlace;
  readonly rule?: Notice['rule'];
}

function rowWording(
  problem: Extract<LoopProblem, { row: string }>,
  units: UnitSystem,
  nameOf: Namer,
): Wording | null {
  const where = nameOf(problem.row);
  const place = { wall: problem.row };
  switch (problem.kind) {
    case 'length-empty':
      return { severity: 'stop', where, place, what: 'This wall has no length; type it, or remove the row.' };
    case 'length-waiting':
      return null;
    case 'length-unreadable':
      return {
        severity: 'stop',
        where,
        place,
        what: `“${problem.text}” cannot be read as a length. ${problem.message}`,
      };
    case 'length-ambiguous':
      return {
        severity: 'stop',
        where,
        place,
        what: `“${problem.text}” can be read in two ways; choose the one you mean.`,
        fixes: problem.readings.map((reading) => ({
          label: showLength(reading, units),
          edit: { kind: 'set-row-length', row: problem.row, length: storeLength(reading, units) },
        })),
      };
    case 'length-not-positive':
      return { severity: 'stop', where, place, what: 'A wall must be longer than nothing; type its length.' };
    case 'length-too-long':
      return {
        severity: 'stop',
        where,
        place,
        rule: 'outline.wall.longest',
        what: `${showLength(problem.length, units)} is longer than a wall can be (${showLength(problem.longest, units)}); check the unit.`,
      };
    case 'turn-unreadable':
      return {
        severity: 'stop',
        where,
        place,
        what: `“${problem.text}” cannot be read as a turn. ${problem.message}`,
      };
    case 'curve-unreadable':
      return {
        severity: 'stop',
        where,
        place,
        what: `“${problem.text}” cannot be read as a curve; write its radius as a length, and how far it turns as “right 90”.`,
      };
    case 'curve-not-tangent':
      return {
        severity: 'stop',
        where,
        place,
        what: 'A curve runs straight on into its neighbours: write “straight on” as the turn here. Where a corner is meant, put a short straight wall between.',
        fixes: [
          {
            label: 'Straight on',
            edit: { kind: 'set-row-turn', row: problem.row, turn: 'straight on' },
          },
        ],
      };
    case 'no-turn':
      return {
        severity: 'stop',
        where,
        place,
        what: 'Two straight walls that run straight on are one wall: join them, or write the turn between.',
      };
    case 'gap-closed':
      return {
        severity: 'tip',
        where,
        place,
        rule: 'outline.gap.closed',
        what: `The walk missed home by under ${units === 'imperial' ? '1/32″' : '1 mm'}; this last wall takes it up.`,
      };
  }
}

function loopWording(
  problem: LoopProblem,
  loop: ShellLoop,
  units: UnitSystem,
  nameOf: Namer,
): Wording | null {
  const [first = 'A'] = loop.letters;
  const fix = (closing: Closing): NoticeFix => closingFix(closing, loop, units, nameOf);
  switch (problem.kind) {
    case 'nothing-walked':
      return {
        severity: 'tip',
        where: 'Walk',
        what: 'Type the first wall’s length, then the turn at its far end.',
      };
    case 'open':
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
    case 'turns': {
      const turned = toDegrees(problem.turned);
      return {
        severity: 'stop',
        where: 'Walk',
        what: `The walk is not home yet: its turns add up to ${String(Math.abs(turned))}° ${turned < 0 ? 'left' : 'right'}, a closed walk makes 360°.${
          problem.gap.size > 0 ? ` ${first} lies ${wayHome(problem.gap, units)}.` : ''
        }`,
        fixes: problem.closings.map(fix),
      };
    }
    case 'gap':
      return {
        severity: 'stop',
        where: 'Walk',
        rule: 'outline.gap.closed',
        what: `The walk misses ${first} by ${showLength(problem.gap.size, units)}: go ${wayHome(problem.gap, units)}.`,
        fixes: problem.closings.map(fix),
      };
    case 'anticlockwise':
      return {
        severity: 'tip',
        where: 'Walk',
        what: 'You walked anticlockwise. Corners are lettered clockwise from A, so the rows run backwards.',
        fixes: [{ label: 'Turn the rows round', edit: { kind: 'turn-walk-round', loop: loop.id } }],
      };
    case 'crossing':
      return {
        severity: 'stop',
        where: `${nameOf(problem.walls[0])} and ${nameOf(problem.walls[1])}`,
        place: { wall: problem.walls[0] },
        what: 'These walls cross or touch; check their lengths and the turns between.',
      };
    case 'loops-cross':
      return {
        severity: 'stop',
        where: loop.name ?? `Outline from ${first}`,
        what: 'Its walls cross or touch those of another outline; move its first corner, or join them in one walk.',
      };
    case 'place-unreadable':
      return {
        severity: 'stop',
        where: loop.name ?? `Outline from ${first}`,
        what: `“${problem.text}” cannot be read as the place of its first corner; write how far it lies to the right, and down the plan.`,
      };
    case 'tee-nowhere':
      return {
        severity: 'stop',
        where: loop.name ?? `Outline from ${first}`,
        what: `The wall that its ${problem.end} should meet is not there, or not so long; it is taken as free. Choose the wall again.`,
      };
    case 'curve-too-tight':
      return {
        severity: 'stop',
        where: nameOf(problem.wall),
        place: { wall: problem.wall },
        rule: 'outline.curve.tightest',
        what: `Its shorter face would have a radius of ${showLength(problem.radius, units)}; these forms bend to ${showLength(problem.least, units)} at the tightest. Make the radius larger.`,
      };
    case 'no-room':
      return {
        severity: 'stop',
        where: nameOf(problem.wall),
        place: { wall: problem.wall },
        what: 'This wall is too short for the thickness of its neighbours; no inside face is left. Make it longer.',
      };
    default:
      return rowWording(problem, units, nameOf);
  }
}

function setupWording(problem: SetupProblem, units: UnitSystem, nameOf: Namer): Wording {
  const row = 'row' in problem ? problem.row : undefined;
  const place: NoticePlace = row === undefined ? { setting: 'core' } : { wall: row };
  const where = row === undefined ? 'Core' : nameOf(row);
  switch (problem.kind) {
    case 'family-unknown':
      return {
        severity: 'stop',
        where: 'Forms',
        place: { setting: 'family' },
        what: `No form family is called “${problem.family}”; choose one of those listed.`,
        fixes: problem.known.map((family) => ({
          label: family.name,
          edit: { kind: 'set-family', family: family.id },
        })),
      };
    case 'family-broken':
      return {
        severity: 'stop',
        where: 'Forms',
        place: { setting: 'family' },
        what: `The job’s own family “${problem.name}” cannot be used. ${problem.problems
          .slice(0, 3)
          .map((each) => `${each.where}: ${each.what}`)
          .join(' ')}`,
      };
    case 'core-unreadable':
      return {
        severity: 'stop',
        where,
        place,
        what: `“${problem.text}” cannot be read as a core thickness; choose one of those listed.`,
      };
    case 'core-not-offered':
      return {
        severity: 'stop',
        where,
        place,
        what: `${problem.family.name} has no ${showLength(problem.core, units, { style: 'inches' })} core; it comes with ${problem.family.cores
          .map((core) => showLength(core, units, { style: 'inches' }))
          .join(', ')}.`,
        fixes:
          row === undefined
            ? problem.family.cores.map((core) => ({
                label: showLength(core, units, { style: 'inches' }),
                edit: { kind: 'set-core', core: storeLength(core, units) },
              }))
            : [],
      };
  }
}

/** What the outline and its forms have to say, in the words and units of the job. */
export function outlineNotices(shell: Shell, units: UnitSystem, nameOf: Namer): readonly Notice[] {
  const notice = (id: string, wording: Wording, place: NoticePlace): Notice => ({
    id,
    severity: wording.severity,
    place: { ...place, ...wording.place },
    where: wording.where,
    what: wording.what,
    ...(wording.why === undefined ? {} : { why: wording.why }),
    ...(wording.rule === undefined ? {} : { rule: wording.rule }),
    fixes: wording.fixes ?? [],
  });
  return [
    ...shell.setupProblems.map((problem) =>
      notice(
        `${problem.kind}:${'row' in problem ? (problem.row ?? '') : ''}`,
        setupWording(problem, units, nameOf),
        {},
      ),
    ),
    ...shell.loops.flatMap((loop) =>
      loop.problems.flatMap((problem) => {
        const wording = loopWording(problem, loop, units, nameOf);
        const at = 'row' in problem ? problem.row : loop.id;
        return wording ? [notice(`${problem.kind}:${at}`, wording, { loop: loop.id })] : [];
      }),
    ),
  ];
}
