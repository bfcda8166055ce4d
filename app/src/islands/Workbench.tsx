import { wallsOf } from '@ombra/core/shell/buildShell';
import { useCallback, useEffect, useRef, useState } from 'react';
import { CoursesStage } from './courses/CoursesStage';
import { useCourseKeys } from './courses/useCourseKeys';
import {
  BracingLater,
  FootingLater,
  FormsLater,
  OpeningsLater,
  PourLater,
  SteelLater,
  fetchStages,
} from './later';
import { Header } from './Header';
import {
  type Card,
  FOOTING_PANELS,
  OPENINGS_PANELS,
  BRACING_PANELS,
  POUR_PANELS,
  STEEL_PANELS,
  type Place,
  keepPlace,
  keptPlace,
} from './job/place';
import { JobAlerts } from './job/JobAlerts';
import { useLeave } from './job/LeaveDialog';
import { StaleDialog } from './job/StaleDialog';
import { type Job, type OpenJob, useJob } from './job/useJob';
import { isTyping } from './keys';
import { KeysDialog } from './KeysDialog';
import { goToNewOpening } from './openings/newOpening';
import { OutlineStage } from './outline/OutlineStage';
import { RulesDialog } from './rules/RulesDialog';
import { STAGES, type StageId, isStage } from './stage';
import { StageBoundary } from './StageBoundary';

/** The one before or after in a list that goes round. */
const stepIn = <Item,>(list: readonly [Item, ...Item[]], item: Item, by: number): Item =>
  list[(list.indexOf(item) + by + list.length) % list.length] ?? list[0];

/** Milliseconds after the first view. */
const FETCH_LATER = 200;

interface WorkbenchProps {
  readonly job: OpenJob;
  readonly stage: StageId;
}

/** The stage in the address, so that a reload, the back key and a bookmark come back to it. */
function useStage(jobId: string, initial: StageId) {
  const [stage, setStage] = useState(initial);
  useEffect(() => {
    const onBack = (): void => {
      const shown = location.pathname.split('/').at(-1);
      if (isStage(shown)) setStage(shown);
    };
    window.addEventListener('popstate', onBack);
    return () => {
      window.removeEventListener('popstate', onBack);
    };
  }, []);
  const goTo = useCallback(
    (next: StageId) => {
      const path = `/jobs/${jobId}/${next}`;
      if (location.pathname !== path) history.pushState(null, '', path);
      setStage(next);
    },
    [jobId],
  );
  return { stage, goTo };
}

function usePlace(jobId: string) {
  const [place, setPlace] = useState<Place>(() => keptPlace(jobId));
  const change = useCallback((part: Partial<Place>) => {
    setPlace((before) => ({ ...before, ...part }));
  }, []);
  useEffect(() => {
    keepPlace(jobId, place);
  }, [jobId, place]);
  return { place, change };
}

interface Shortcuts {
  readonly job: Job;
  readonly jobId: string;
  readonly stage: StageId;
  readonly place: Place;
  readonly onPlace: (change: Partial<Place>) => void;
  readonly goTo: (stage: StageId) => void;
  /** Goes to a sheet, once everything is saved. */
  readonly leave: (to: string) => void;
  readonly showKeys: () => void;
  readonly showRules: () => void;
}

/** Single keys work everywhere but in fields; undo and redo work there too. */
function useShortcuts(shortcuts: Shortcuts): void {
  const latest = useRef(shortcuts);
  useEffect(() => {
    latest.current = shortcuts;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const { job, jobId, stage: shown, place, onPlace, goTo, leave, showKeys, showRules } = latest.current;
      const key = event.key.toLowerCase();
      if ((event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y')) {
        event.preventDefault();
        // The field lets go first, so that it shows what undo brings back.
        if (document.activeElement instanceof HTMLInputElement) document.activeElement.blur();
        if (event.shiftKey || key === 'y') job.redo();
        else job.undo();
        return;
      }
      if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
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
        if (shown === 'footing') onPlace({ panel: stepIn(FOOTING_PANELS, place.panel, by) });
        if (shown === 'steel') onPlace({ steelPanel: stepIn(STEEL_PANELS, place.steelPanel, by) });
        if (shown === 'bracing') onPlace({ bracingPanel: stepIn(BRACING_PANELS, place.bracingPanel, by) });
        if (shown === 'pour') onPlace({ pourPanel: stepIn(POUR_PANELS, place.pourPanel, by) });
        if (shown === 'openings') {
          onPlace({ openingsPanel: stepIn(OPENINGS_PANELS, place.openingsPanel, by) });
        }
      };
      const stage = STAGES[Number(event.key) - 1];
      const does: Readonly<Record<string, () => void>> = {
        '?': showKeys,
        r: showRules,
        f: () => {
          onPlace({ face: place.face === 'inside' ? 'outside' : 'inside' });
        },
        p: () => {
          const own = ['footing', 'openings', 'steel', 'bracing', 'pour'].includes(shown);
          const sheet = own ? shown : 'courses';
          leave(`/jobs/${jobId}/sheets/${sheet}`);
        },
        ',': () => {
          panelBy(-1);
        },
        '.': () => {
          panelBy(1);
        },
        n: () => {
          goTo('openings');
          onPlace({ openingsPanel: 'openings' });
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
export function Workbench({ job: open, stage: initial }: WorkbenchProps) {
  const job = useJob(open);
  const { stage, goTo } = useStage(open.id, initial);
  const { place, change } = usePlace(open.id);
  const [keysShown, setKeysShown] = useState(false);
  const [rulesShown, setRulesShown] = useState(false);
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
      setRulesShown(true);
    },
  });
  useEffect(() => {
    const timer = setTimeout(() => void fetchStages(), FETCH_LATER);
    return () => {
      clearTimeout(timer);
    };
  }, []);
  useCourseKeys(job.worked, place, change, stage === 'courses');
  useEffect(() => {
    document.title = `${job.plan.name} · ${STAGES.find((each) => each.id === stage)?.name ?? ''} · Ombra`;
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
          setRulesShown(true);
        }}
      />
      <main className="flex grow flex-col">
        <JobAlerts open={open} job={job} />
        <StageBoundary job={job} stage={stage}>
          {stage === 'outline' && (
            <OutlineStage
              job={job}
              place={place}
              onPlace={change}
              onForms={() => {
                goTo('forms');
              }}
            />
          )}
          {stage === 'courses' && <CoursesStage job={job} place={place} onPlace={change} />}
          {stage === 'footing' && <FootingLater job={job} place={place} onPlace={change} />}
          {stage === 'steel' && <SteelLater job={job} place={place} onPlace={change} />}
          {stage === 'bracing' && <BracingLater job={job} place={place} onPlace={change} />}
          {stage === 'pour' && <PourLater job={job} place={place} onPlace={change} />}
          {stage === 'openings' && <OpeningsLater job={job} place={place} onPlace={change} />}
          {stage === 'forms' && <FormsLater job={job} place={place} onPlace={change} />}
        </StageBoundary>
      </main>
      {leave.dialog}
      <StaleDialog jobId={open.id} job={job} />
      <RulesDialog
        plan={job.plan}
        open={rulesShown}
        onEdit={job.edit}
        onClose={() => {
          setRulesShown(false);
        }}
      />
      <KeysDialog
        open={keysShown}
        onClose={() => {
          setKeysShown(false);
        }}
      />
    </div>
  );
}
