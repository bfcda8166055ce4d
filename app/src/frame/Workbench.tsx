import { wallsOf } from '@ombra/core/stages/outline';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useCourseKeys } from '../stages/courses/useCourseKeys';
import { fetchViews, LaterView } from './later';
import { Find, fetchFind } from './find/Find';
import { Header } from './Header';
import { type Card, type Place, type PlaceChange, askedPlace, keepPlace, keptPlace } from '../job/place';
import { JobAlerts } from '../job/JobAlerts';
import { useLeave } from '../job/LeaveDialog';
import { type Job, type OpenJob, useJob } from '../job/useJob';
import { isTyping } from './keys';
import { OpenRule } from './openRule';
import { goToNewOpening } from '../stages/openings/openingAsked';
import { viewOf, WORK } from '../stages';
import { useLater } from '../ui/useLater';
import { FRAME_SHOWS } from './stage';
import { StageBoundary } from './StageBoundary';

/** The one before or after in a list that goes round. */
const stepIn = (list: readonly string[], item: string, by: number): string =>
  list[(list.indexOf(item) + by + list.length) % list.length] ?? item;

/** Milliseconds after the first view. */
const FETCH_LATER = 200;

const fetchDialogs = () => import('./dialogs');

interface WorkbenchProps {
  readonly job: OpenJob;
  readonly stage: string;
  /** A part of the stage that the address names. */
  readonly panel?: string;
}

/** The stage in an address: `/jobs/ID/stage`, with a part of it behind. */
const stageIn = (path: string): string | undefined => path.split('/')[3];

/** The stage in the address, so that a reload, the back key and a bookmark come back to it. */
function useStage(jobId: string, initial: string) {
  const [stage, setStage] = useState(initial);
  useEffect(() => {
    const onBack = (): void => {
      const shown = stageIn(location.pathname);
      if (viewOf(shown) && shown !== undefined) setStage(shown);
    };
    window.addEventListener('popstate', onBack);
    return () => {
      window.removeEventListener('popstate', onBack);
    };
  }, []);
  const goTo = useCallback(
    (next: string) => {
      const path = `/jobs/${jobId}/${next}`;
      if (location.pathname !== path) history.pushState(null, '', path);
      setStage(next);
    },
    [jobId],
  );
  return { stage, goTo };
}

function usePlace(jobId: string, panels: Place['panels']) {
  const [place, setPlace] = useState<Place>(() => {
    const kept = keptPlace(jobId);
    return { ...kept, ...askedPlace(location.search), panels: { ...kept.panels, ...panels } };
  });
  useEffect(() => {
    // Once there, the address asks for it no more: a reload comes back to where one has gone since.
    if ('course' in askedPlace(location.search)) history.replaceState(null, '', location.pathname);
  }, []);
  const change = useCallback((part: PlaceChange) => {
    setPlace((before) => ({ ...before, ...part, panels: { ...before.panels, ...part.panels } }));
  }, []);
  useEffect(() => {
    keepPlace(jobId, place);
  }, [jobId, place]);
  return { place, change };
}

interface Shortcuts {
  readonly job: Job;
  readonly jobId: string;
  readonly stage: string;
  readonly place: Place;
  readonly onPlace: (change: PlaceChange) => void;
  readonly goTo: (stage: string) => void;
  /** Goes to a sheet, once everything is saved. */
  readonly leave: (to: string) => void;
  readonly showKeys: () => void;
  readonly showRules: () => void;
  readonly showFind: () => void;
}

/** Single keys work everywhere but in fields; undo and redo work there too. */
function useShortcuts(shortcuts: Shortcuts): void {
  const latest = useRef(shortcuts);
  useEffect(() => {
    latest.current = shortcuts;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const {
        job,
        jobId,
        stage: shown,
        place,
        onPlace,
        goTo,
        leave,
        showKeys,
        showRules,
        showFind,
      } = latest.current;
      const key = event.key.toLowerCase();
      if ((event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y')) {
        event.preventDefault();
        // The field lets go first, so that it shows what undo brings back.
        if (document.activeElement instanceof HTMLInputElement) document.activeElement.blur();
        if (event.shiftKey || key === 'y') job.redo();
        else job.undo();
        return;
      }
      if (isTyping(event) || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
      const goBy = (by: number): void => {
        const walls = job.worked ? wallsOf(job.worked.shell) : [];
        const at = walls.findIndex((wall) => wall.id === place.wall);
        const next = walls[(Math.max(at, 0) + by + walls.length) % walls.length];
        if (next) onPlace({ wall: next.id, piece: null });
      };
      const showCard = (card: Card): void => {
        goTo('courses');
        onPlace({ card: place.card === card ? null : card, figure: null });
      };
      const panelBy = (by: number): void => {
        const panels = (viewOf(shown)?.panels ?? []).map(({ id }) => id);
        const panel = panels.find((each) => each === place.panels[shown]) ?? panels[0];
        if (panel !== undefined) onPlace({ panels: { [shown]: stepIn(panels, panel, by) } });
      };
      const stage = WORK[Number(event.key) - 1];
      const does: Readonly<Record<string, () => void>> = {
        '?': showKeys,
        r: showRules,
        '/': showFind,
        f: () => {
          onPlace({ face: place.face === 'inside' ? 'outside' : 'inside' });
        },
        p: () => {
          leave(`/jobs/${jobId}/sheets/${viewOf(shown)?.prints ?? 'courses'}`);
        },
        ',': () => {
          panelBy(-1);
        },
        '.': () => {
          panelBy(1);
        },
        n: () => {
          goTo('openings');
          onPlace({ panels: { openings: 'openings' } });
          goToNewOpening();
        },
        w: () => {
          showCard('wall');
        },
        b: () => {
          showCard('plans');
        },
        s: () => {
          showCard('straps');
        },
        escape: () => {
          onPlace({ figure: null, card: null });
        },
        '[': () => {
          goBy(-1);
        },
        ']': () => {
          goBy(1);
        },
      };
      const action = stage
        ? () => {
            goTo(stage.id);
          }
        : does[key];
      if (!action) return;
      // The key is used up: it must not be typed into a field that the action brings into focus.
      event.preventDefault();
      action();
    };
    document.addEventListener('keydown', onKey);
    return () => {
      document.removeEventListener('keydown', onKey);
    };
  }, []);
}

/** One open job: its header, its stages, and what keeps it saved. */
export function Workbench({ job: open, stage: initial, panel }: WorkbenchProps) {
  const { stage, goTo } = useStage(open.id, initial);
  const job = useJob(open, viewOf(stage)?.shows ?? FRAME_SHOWS);
  const [asked] = useState(() => panel ?? new URLSearchParams(location.search).get('panel'));
  const { place, change } = usePlace(open.id, asked === null ? {} : { [initial]: asked });
  const [keysShown, setKeysShown] = useState(false);
  const [findShown, setFindShown] = useState(false);
  // The rule that the house rules are open at; empty for all, null where they are closed.
  const [rule, setRule] = useState<string | null>(null);
  const { kind: saving } = job.saveState;
  const dialogs = useLater(
    fetchDialogs,
    rule !== null || keysShown || saving === 'stale' || saving === 'missing',
  );
  const leave = useLeave(job);
  useShortcuts({
    job,
    jobId: open.id,
    stage,
    place,
    onPlace: change,
    goTo,
    leave: leave.go,
    showKeys: () => {
      setKeysShown(true);
    },
    showRules: () => {
      setRule('');
    },
    showFind: () => {
      setFindShown(true);
    },
  });
  // The shown view comes first: the others are fetched once it is worked.
  const shown = job.worked !== null;
  useEffect(() => {
    if (!shown) return;
    const timer = setTimeout(() => {
      void fetchViews();
      void fetchFind();
    }, FETCH_LATER);
    return () => {
      clearTimeout(timer);
    };
  }, [shown]);
  useCourseKeys(job.worked, place, change, stage === 'courses');
  useEffect(() => {
    document.title = `${job.plan.name} · ${viewOf(stage)?.name ?? ''} · Ombra`;
  }, [job.plan.name, stage]);
  return (
    // Catches presses of its links on their way: the links themselves are where the keyboard stops.
    <div className="flex min-h-screen flex-col" onClickCapture={leave.onClickCapture}>
      <Header
        jobId={open.id}
        job={job}
        stage={stage}
        onStage={goTo}
        onKeys={() => {
          setKeysShown(true);
        }}
        onRules={() => {
          setRule('');
        }}
        onFind={() => {
          setFindShown(true);
        }}
      />
      <main className="flex grow flex-col">
        <JobAlerts open={open} job={job} />
        <StageBoundary job={job} stage={stage}>
          <OpenRule value={setRule}>
            <LaterView id={stage} job={job} place={place} onPlace={change} onStage={goTo} />
          </OpenRule>
        </StageBoundary>
      </main>
      {leave.dialog}
      {dialogs && (
        <>
          <dialogs.StaleDialog jobId={open.id} job={job} />
          <dialogs.RulesDialog
            plan={job.plan}
            at={rule}
            onAt={setRule}
            onEdit={job.edit}
            onClose={() => {
              setRule(null);
            }}
          />
          <dialogs.KeysDialog
            open={keysShown}
            onClose={() => {
              setKeysShown(false);
            }}
          />
        </>
      )}
      {findShown && (
        <Find
          job={job}
          onStage={goTo}
          onPlace={change}
          onRule={setRule}
          onSheet={leave.go}
          onClose={() => {
            setFindShown(false);
          }}
        />
      )}
    </div>
  );
}
