import { OctagonX } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Logo } from '../ui/Logo';
import { OthersHere } from '../live/OthersHere';
import { type ToolsProps, Tools } from './Tools';
import type { SaveState } from '../job/sync';
import { WORK } from '../stages';
import { jobLine } from './words';

const SAVE_WORDS: Readonly<Record<SaveState['kind'], string>> = {
  saved: 'Saved',
  unsent: 'Saving soon',
  saving: 'Saving',
  unreachable: 'Kept here, server offline',
  missing: 'Job removed elsewhere',
  refused: 'Not saved',
  stale: 'Changed elsewhere',
};

/** Where the stages are a line of their own that scrolls. */
const NARROW = '(max-width: 767px)';

/** Job, stages, and the state of saving. */
export function Header(given: ToolsProps) {
  const { job, stage, onStage } = given;
  const { plan, notices, saveState } = job;
  const waiting = job.log.waiting.size;
  const stopping = notices.filter((notice) => notice.severity === 'stop');
  const stopsOf = (id: string): number => stopping.filter((notice) => notice.place.stage === id).length;
  const nav = useRef<HTMLElement>(null);
  // Where the stages are wider than the screen, the one that is shown is among those that are seen.
  useEffect(() => {
    // Asking where things stand has the whole page laid out once more.
    if (!matchMedia(NARROW).matches) return;
    const list = nav.current;
    const shown = list?.querySelector<HTMLElement>('[aria-current]');
    if (list && shown)
      list.scrollLeft = shown.offsetLeft - list.offsetLeft - (list.clientWidth - shown.offsetWidth) / 2;
  }, [stage]);
  return (
    <header className="flex min-h-14 flex-wrap items-stretch gap-x-4 border-b border-line px-5 xl:flex-nowrap">
      <div className="flex items-center">
        <Logo />
      </div>
      <div className="flex max-w-60 min-w-0 flex-col justify-center xl:flex-1 2xl:max-w-none">
        <h1 className="truncate leading-tight font-semibold">{plan.name || 'Job without a name'}</h1>
        <p className="figures truncate text-[15px] leading-tight text-quiet">{jobLine(plan)}</p>
      </div>
      <nav
        ref={nav}
        aria-label="Stages"
        className="no-print ml-auto flex max-md:ml-0 max-md:w-full max-md:overflow-x-auto"
      >
        {WORK.map(({ id, name }, index) => (
          <button
            key={id}
            type="button"
            aria-current={id === stage ? 'step' : undefined}
            aria-keyshortcuts={String(index + 1)}
            className={`relative px-1.5 font-medium max-md:shrink-0 2xl:px-4 ${id === stage ? 'border-b-4 border-chalk bg-sheet' : 'border-b-4 border-transparent'}`}
            onClick={() => {
              onStage(id);
            }}
          >
            <span aria-hidden="true" className="mr-1 text-xs text-quiet">
              {index + 1}
            </span>
            {name}
            {stopsOf(id) > 0 && (
              // Over the name, not beside it: stops come and go while somebody is about to press the next stage.
              <span className="absolute top-1 right-0.5 text-xs leading-none font-semibold text-stop">
                <OctagonX aria-hidden="true" size={13} className="mr-0.5 inline align-[-2px]" />
                {stopsOf(id)}
                <span className="sr-only">{stopsOf(id) === 1 ? ' stop' : ' stops'}</span>
              </span>
            )}
          </button>
        ))}
      </nav>
      <OthersHere names={job.others} />
      <div className="no-print flex items-center gap-1 max-md:flex-wrap max-md:gap-0 xl:gap-0 2xl:gap-1">
        <Tools {...given} />
        <p
          role="status"
          className="figures ml-1 w-20 text-right text-[15px] leading-tight text-quiet max-md:w-auto"
          title={saveState.kind === 'refused' ? saveState.what : undefined}
        >
          {saveState.kind === 'saved' && waiting > 0
            ? `${String(waiting)} ${waiting === 1 ? 'entry' : 'entries'} waiting`
            : SAVE_WORDS[saveState.kind]}
          {saveState.kind === 'refused' && <span className="block text-stop">{saveState.what}</span>}
        </p>
      </div>
    </header>
  );
}
