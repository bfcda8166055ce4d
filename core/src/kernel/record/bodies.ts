import { z } from 'zod';

/** Letters of a line, and of a longer text. */
const line = z.string().max(200);
const text = z.string().max(4000);
const name = z.string().min(1).max(80);
/** Minutes of several people together: a hundred people for a day at most. */
const manMinutes = z
  .number()
  .min(0)
  .max(100 * 24 * 60);
const day = z.iso.date();
/** A whole number of nanometres, as lengths are within Ombra; as long as any wall that is planned. */
const nanometres = z.number().int().min(-1e13).max(1e13);
const height = nanometres;
const count = z.number().int().min(0).max(100_000);

const heights = { bottom: height, top: height };
const ends = z.strictObject({ start: z.boolean(), end: z.boolean() });
const notches = z
  .array(
    z.strictObject({
      wall: line,
      opening: line,
      from: nanometres,
      to: nanometres,
      ...heights,
      arched: z.boolean(),
    }),
  )
  .max(40)
  .optional();
const webs = z.array(nanometres).max(2000);

/** A block as it was laid, its place counted from the wall’s first corner. */
const laidBlock = z.strictObject({
  kind: z.enum(['straight', 'cut']),
  start: nanometres,
  length: nanometres,
  ...heights,
  webs,
  cutEnds: ends,
  mitred: ends.optional(),
  ripped: line.optional(),
  notches,
});

/** A corner as it was laid. */
const laidCorner = z.strictObject({
  make: z.enum(['moulded', 'lapped']),
  hand: z.enum(['LH', 'RH']),
  wallBefore: line,
  legBefore: nanometres,
  websBefore: webs,
  wallAfter: line,
  legAfter: nanometres,
  websAfter: webs,
  ...heights,
  notches,
});

/** A wall in one course as it stands. Lengths are whole nanometres. */
const laidRow = z.strictObject({
  course: z.number().int().min(1).max(200),
  wall: line,
  /** Length of the wall on its outside face, thickness and core: of another wall, these blocks say nothing. */
  length: nanometres,
  thickness: nanometres,
  /** Where the wall stood in the course, whatever openings take of it. */
  stands: z.array(z.strictObject({ from: nanometres, to: nanometres, ...heights })).max(200),
  blocks: z.array(laidBlock).max(4000),
  /** The corners at its two ends, where they stand in the course. */
  corners: z.array(laidCorner).max(2),
});

/** The moment that an entry of the pour tells of, where it was written later too: by the clock at the site, with its offset. */
const time = z.iso.datetime({ offset: true });
/** Cubic metres of a load. */
const loadM3 = z.number().min(0).max(30);

/** What happens to a load of concrete, in its order; `back` is what is sent back instead of being emptied. */
export const LOAD_STEPS = ['ordered', 'arrived', 'tested', 'placing', 'empty', 'back'] as const;
export type LoadStep = (typeof LOAD_STEPS)[number];

/** What may go wrong on the day of a pour. */
export const TROUBLES = ['bulge', 'blowout', 'lightning', 'pump', 'late', 'load', 'hurt'] as const;
export type Trouble = (typeof TROUBLES)[number];

/** Nanometres, square metres or pieces. */
const quantity = z.strictObject({ unit: z.enum(['nm', 'm2', 'count']), value: z.number().min(0) });

/**
 * What an entry of the log says, by its kind.
 *
 * Plain on purpose: a JSON Schema can be made of it.
 */
export const ENTRY_BODIES = {
  /** Who was there on a day, and for how long. */
  people: z.strictObject({
    day,
    people: z
      .array(
        z.strictObject({
          name,
          hours: z.number().min(0).max(24),
          /** New to this work. */
          first: z.boolean().optional(),
        }),
      )
      .max(60),
  }),
  /** Work on an item of the days: all of it, or a share; with what was laid. */
  work: z.strictObject({
    day,
    /** `course:3`, `braces:pour-1`: an item of the days. */
    item: line,
    kind: line,
    name: line,
    /** How much of the item this was; 1 for all of it. */
    share: z.number().min(0).max(1),
    /** How much of it, as it was tallied when this was written. */
    quantity,
    /** What it took; null where nobody counted. */
    manMinutes: manMinutes.nullable(),
    /** What the rates of the day expected of it. */
    planned: manMinutes,
    /** Those rates, by their rule, each in its own unit. */
    rates: z.record(line, z.number().min(0)),
    /** Someone new to the work was among those who did it. */
    first: z.boolean().optional(),
    /** Which crew, where there are several. */
    crew: name.optional(),
    rows: z.array(laidRow).max(2000).optional(),
    /** Hold points that were not signed when the work went on. */
    anyway: z.array(line).max(60).optional(),
  }),
  /** Walls of a course taken down again, or to be laid anew by the plan. */
  relaid: z.strictObject({
    rows: z
      .array(z.strictObject({ course: z.number().int().min(1).max(200), wall: line }))
      .min(1)
      .max(2000),
    why: line,
  }),
  /** What came, against what was ordered. */
  delivery: z.strictObject({
    day,
    ticket: line,
    late: z.boolean().optional(),
    lines: z.array(z.strictObject({ article: line, counted: count, broken: count, short: count })).max(400),
  }),
  /** The length of a wall in a course, by the tape. */
  pulled: z.strictObject({ wall: line, course: z.number().int().min(1).max(200), length: line }),
  /** How far a wall is out of its string or of plumb; outward positive. */
  reading: z.strictObject({
    of: z.enum(['string', 'plumb']),
    when: z.enum(['before', 'after']),
    wall: line,
    at: line,
    out: line,
  }),
  incident: z.strictObject({ what: text, cause: text, cure: text }),
  weather: z.strictObject({
    day,
    what: line,
    lowF: z.number().min(-60).max(140).nullable(),
    highF: z.number().min(-60).max(140).nullable(),
    gustMph: z.number().min(0).max(200).nullable(),
  }),
  /** A decision, or a second thought. */
  thought: z.strictObject({ what: text }),
  gear: z.strictObject({ day, what: line, count, way: z.enum(['in', 'out']) }),
  /** A hold point that was signed. The lines are what was looked at, as they read then. */
  hold: z.strictObject({
    point: line,
    name: line,
    lines: z.array(text).max(200),
    by: name,
    word: text,
  }),
  /** One line of a hold point, seen or not. It holds as long as the line reads the same. */
  tick: z.strictObject({ point: line, line: line, what: text, done: z.boolean() }),
  /** Concrete of a pour, as it went. */
  pour: z.strictObject({
    day,
    pour: line,
    placedM3: z.number().min(0).max(5000),
    /** The rule of the pace that it was planned with: `pour.rate.pump`. */
    rule: line,
    minutes: z
      .number()
      .min(1)
      .max(24 * 60),
    trucks: z.number().int().min(0).max(200),
    word: text,
    /** What the pour said of other rules of its clock, each in its own unit, with the minutes behind it. */
    seen: z.record(line, z.strictObject({ value: z.number().min(0), weight: z.number().min(0) })).optional(),
  }),
  /** One step of a load of concrete. Loads of the plan keep their numbers; what is called for on the day is numbered after them. */
  load: z.strictObject({
    pour: line,
    load: z.number().int().min(1).max(400),
    step: z.enum(LOAD_STEPS),
    time,
    /** What it brings, where it is ordered or arrives; what goes back with it, where it is sent back. */
    volumeM3: loadM3.optional(),
    ticket: line.optional(),
    /** When it was batched, by its ticket. */
    batched: time.optional(),
    slumpIn: z.number().min(0).max(12).optional(),
    temperatureF: z.number().min(0).max(140).optional(),
  }),
  /** Concrete stands at a height over a stretch of a wall: `top` above the lowest footing, the stretch along the wall’s outside face. */
  rise: z.strictObject({ pour: line, wall: line, from: nanometres, to: nanometres, top: height, time }),
  /** How much of what is poured beside the walls is filled. */
  side: z.strictObject({ pour: line, side: line, share: z.number().min(0).max(1), time }),
  /** The hose is moved: to a place along a wall, or to what is poured beside the walls. */
  hose: z.strictObject({
    pour: line,
    to: z.union([z.strictObject({ wall: line, along: nanometres }), z.strictObject({ side: line })]),
    time,
  }),
  /** Nobody places concrete, from here on; or it goes on; or the pour is done. */
  halt: z.strictObject({ pour: line, way: z.enum(['stop', 'go', 'done']), time }),
  trouble: z.strictObject({ pour: line, trouble: z.enum(TROUBLES), time, what: text }),
  /** A picture, by the hash of what it holds. */
  picture: z.strictObject({ file: z.string().regex(/^[0-9a-f]{64}$/), what: text }),
  note: z.strictObject({ what: text }),
  /** Takes back the entry that it corrects. */
  withdrawn: z.strictObject({ why: line }),
} as const;

export type EntryKind = keyof typeof ENTRY_BODIES;

/** What an entry of a kind says. */
export type EntryBody<Kind extends EntryKind> = z.infer<(typeof ENTRY_BODIES)[Kind]>;

export type LaidRowRecord = z.infer<typeof laidRow>;
