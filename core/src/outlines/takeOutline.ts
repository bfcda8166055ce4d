import type { Plan, PlanEdit } from '../kernel/plan';
import type { MeasuredTo } from '../stages/outline';
import type { FoundOutline } from './found';

interface TakeOptions {
  readonly measuredTo: MeasuredTo;
  readonly freshId: () => string;
}

/**
 * The one edit that takes a found outline into a plan: into its first outline where that has no walls yet, beside the others
 * otherwise; with its openings.
 */
export function takeOutline(plan: Plan, found: FoundOutline, { measuredTo, freshId }: TakeOptions): PlanEdit {
  const empty = plan.loops.find(({ walk }) => walk.length === 0);
  const loop = empty?.id ?? freshId();
  const rows = found.rows.map((row) => ({ ...row, id: freshId() }));
  return {
    kind: 'all',
    edits: [
      ...(plan.loops.every(({ walk }) => walk.length === 0)
        ? [{ kind: 'set-measured-to' as const, measuredTo }]
        : []),
      ...(empty ? [] : [{ kind: 'add-loop' as const, loop, name: found.name.slice(0, 120) }]),
      { kind: 'set-loop' as const, loop, change: { closed: found.closed } },
      { kind: 'add-rows' as const, loop, rows },
      ...(found.openings.length === 0
        ? []
        : [
            {
              kind: 'add-openings' as const,
              openings: found.openings.map(({ name, side, at, width, height, sill }) => ({
                id: freshId(),
                name: name.slice(0, 120),
                kind: 'window' as const,
                wall: rows[side]?.id ?? '',
                from: 'start' as const,
                to: 'near' as const,
                at,
                width,
                height,
                ...(sill === null ? {} : { sill }),
              })),
            },
          ]),
    ],
  };
}
