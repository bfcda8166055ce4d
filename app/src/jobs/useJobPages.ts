import { useEffect, useRef, useState } from 'react';
import { type JobPage, type ListedJob, listJobs } from '../job/server';

/** Milliseconds after the last letter of a search before it is asked for. */
const QUIET = 200;

/** Pages as one list: a job that slid onto the next page while others were worked on is not listed twice. */
const pagesTogether = (before: readonly ListedJob[], next: readonly ListedJob[]): ListedJob[] => [
  ...new Map([...before, ...next].map((job) => [job.id, job])).values(),
];

/** Pages of the list of jobs, one after the other, for the search that was typed last. */
export function useJobPages(first: JobPage | null, removed: boolean) {
  const [search, setSearch] = useState('');
  const [page, setPage] = useState(first);
  const [failed, setFailed] = useState(false);
  const asked = useRef(0);
  const ask = async (text: string, from: number, before: readonly ListedJob[]): Promise<void> => {
    const turn = ++asked.current;
    const found = await listJobs({ search: text, from, removed });
    // An answer that was overtaken by a later question is not shown.
    if (turn !== asked.current) return;
    setFailed(found === null);
    if (found) setPage({ jobs: pagesTogether(before, found.jobs), total: found.total });
  };
  const latest = useRef(ask);
  useEffect(() => {
    latest.current = ask;
  });
  const untouched = useRef(first !== null);
  useEffect(() => {
    if (untouched.current) {
      untouched.current = false;
      return;
    }
    const timer = setTimeout(() => void latest.current(search, 0, []), QUIET);
    return () => {
      clearTimeout(timer);
    };
  }, [search]);
  return {
    jobs: page?.jobs ?? [],
    total: page?.total ?? 0,
    loading: page === null && !failed,
    failed,
    search,
    setSearch,
    more: () => void ask(search, page?.jobs.length ?? 0, page?.jobs ?? []),
    again: () => void ask(search, 0, []),
  };
}
