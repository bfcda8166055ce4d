import { type Length, type UnitSystem, nanometres, readLength, subtract } from '../../kernel/measure';
import type { BracingPlan } from './plan';
import type { HouseRules } from '../../kernel/rules';
import type { WallBraces } from './brace';

/** What a reading at a brace says: how far off its line the top of the wall is, and what to turn. */
export interface Alignment {
  /** Off the line at the top; toward the brace positive. */
  readonly off: Length;
  /** Turns of the turnbuckle, whole and parts; longer where positive, which pushes the wall away from the brace. */
  readonly turns: number;
  readonly straight: boolean;
}

/** What `alignmentOf` goes by. */
interface AlignmentOfInput {
  /** String to wall. */
  readonly reading: Length;
  /** What holds the string off the wall at both ends. */
  readonly block: Length;
  /** Of the wall. */
  readonly height: Length;
  /** Height at which the leg meets the upright. */
  readonly meets: Length;
  /** Distance of the leg's foot from the wall. */
  readonly out: Length;
  /** How far one turn moves the leg. */
  readonly thread: Length;
  readonly limit: Length;
}

/**
 * What to turn for a reading of string to wall, taken at the top on the face away from the brace. The block that holds the string off is
 * taken from it first. The leg moves the wall where it meets the upright, so the top moves further by the lever; and a leg that
 * slopes lengthens by less than it pushes. [similar triangles]
 */
export function alignmentOf({
  reading,
  block,
  height,
  meets,
  out,
  thread,
  limit,
}: AlignmentOfInput): Alignment {
  const off = nanometres(reading - block);
  const across = (off * meets) / height;
  const along = (across * out) / Math.hypot(meets, out);
  return { off, turns: along / thread, straight: Math.abs(off) <= limit };
}

/** A brace before the pour and after it, as far as it was read. */
export interface AlignedBrace {
  readonly before?: Alignment;
  readonly after?: Alignment;
}

/** Readings of the string at the braces, with what to turn; those of braces that no longer stand are passed over. */
export function alignments(
  walls: readonly WallBraces[],
  bracing: BracingPlan,
  units: UnitSystem,
  rules: HouseRules,
): Readonly<Record<string, AlignedBrace>> {
  const braces = new Map(walls.flatMap((wall) => wall.braces.map((brace) => [brace.id, brace] as const)));
  const told = (id: string, text: string | undefined): Alignment | null => {
    const brace = braces.get(id);
    const reading = text === undefined ? null : readLength(text, units);
    if (!brace || !reading?.ok) return null;
    const height = subtract(brace.top, brace.bottom);
    return alignmentOf({
      reading: reading.length,
      block: rules.length('bracing.string.block'),
      height,
      meets: nanometres((height * rules.count('bracing.leg.height')) / 100),
      out: rules.length('bracing.leg.out'),
      thread: rules.length('bracing.thread'),
      limit: rules.length('bracing.line.limit'),
    });
  };
  return Object.fromEntries(
    Object.entries(bracing.readings ?? {}).map(([id, reading]) => {
      const [before, after] = [told(id, reading.before), told(id, reading.after)];
      return [id, { ...(before ? { before } : {}), ...(after ? { after } : {}) }];
    }),
  );
}
