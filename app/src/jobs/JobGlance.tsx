import pLimit from 'p-limit';
import { useEffect, useRef, useState } from 'react';
import { SEVERITY_LOOKS, countOf } from '../frame/notices/severity';
import { type Glance, GLANCE_SIZE } from './glance';

/** Two at a time: a browser holds six connections open to a server, and what somebody presses must not wait behind these. [ours] */
const turn = pLimit(2);

/** Asks for a job's glance once it comes into view. */
function useGlance(job: string) {
  const place = useRef<HTMLSpanElement>(null);
  const [glance, setGlance] = useState<Glance | null>(null);
  useEffect(() => {
    const row = place.current;
    if (!row) return;
    const leaving = new AbortController();
    const watch = new IntersectionObserver((entries) => {
      if (!entries.some((entry) => entry.isIntersecting)) return;
      watch.disconnect();
      turn(async () => {
        if (leaving.signal.aborted) return;
        const answer = await fetch(`/api/jobs/${job}/glance`, { signal: leaving.signal });
        if (answer.ok) setGlance(((await answer.json()) as { readonly glance: Glance | null }).glance);
        // A job that cannot be worked has no glance; its name is enough to open it.
      }).catch(() => undefined);
    });
    watch.observe(row);
    return () => {
      watch.disconnect();
      leaving.abort();
    };
  }, [job]);
  return { place, glance };
}

/** A job's small plan, its yards and blocks, and how many notices are open. */
export function JobGlance({ job }: { readonly job: string }) {
  const { place, glance } = useGlance(job);
  const { width, height } = GLANCE_SIZE;
  return (
    <span ref={place} className="figures flex min-h-12 items-center gap-4 text-quiet">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${String(width)} ${String(height)}`}
        aria-hidden="true"
      >
        {glance && (
          <>
            <path
              d={glance.plan}
              className="fill-none stroke-shadow"
              strokeWidth={3}
              transform="translate(2 2)"
            />
            <path d={glance.plan} className="fill-none stroke-ink" strokeWidth={2} />
          </>
        )}
      </svg>
      <span className="w-44">
        {glance &&
          (glance.concrete === null
            ? 'No walls yet'
            : `${glance.concrete} · ${String(glance.blocks)} blocks to buy`)}
      </span>
      <span className="flex w-28 flex-wrap gap-x-3">
        {(['stop', 'check'] as const).map((severity) => {
          const { colour, Icon } = SEVERITY_LOOKS[severity];
          const count = glance?.[severity] ?? 0;
          return count === 0 ? null : (
            <span key={severity} className={colour}>
              <Icon aria-hidden="true" size={15} className="mr-1 inline align-[-2px]" />
              {countOf(count, severity)}
            </span>
          );
        })}
      </span>
    </span>
  );
}
