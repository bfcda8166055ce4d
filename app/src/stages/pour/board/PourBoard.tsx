import type { WorkedKey } from '@ombra/core/kernel/engine';
import type { Entry, EntryBody } from '@ombra/core/kernel/record';
import { rulesOf } from '@ombra/core/rules';
import { showVolume } from '@ombra/core/kernel/figures';
import { wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPour } from '@ombra/core/stages/pour';
import {
  type Board,
  aheadOf,
  balanceOf,
  boardOf,
  lastOrder,
  minutesFrom,
  waysFrom,
} from '@ombra/core/stages/pour/board';
import type { WorkedPlan } from '@ombra/core/worked';
import { ArrowLeft, GraduationCap } from 'lucide-react';
import { useCallback, useMemo, useState } from 'react';
import { newId } from '../../../ids';
import { JobAlerts } from '../../../job/JobAlerts';
import { StaleDialog } from '../../../job/StaleDialog';
import { type Job, type OpenJob, useJob } from '../../../job/useJob';
import { mayWriteHere } from '../../../job/role';
import { keepName, keptName } from '../../../job/signature';
import { type Language, LANGUAGE_NAMES, LANGUAGES } from '../../packet/choice';
import { Tabs } from '../../../ui/Tabs';
import { THEMES } from '../../../ui/theme';
import { entryText } from '../../days/log/entryWords';
import { AfterTab } from './AfterTab';
import { AheadCard } from './AheadCard';
import { BalanceCard } from './BalanceCard';
import type { BoardProps, WriteTap } from './boardProps';
import { boardTime, oddText } from './boardWords';
import { HeightCard } from './HeightCard';
import { LoadsCard } from './LoadsCard';
import { NextCard } from './NextCard';
import { PracticeBar } from './PracticeBar';
import { SayIn, useLanguage, useSay } from './say';
import { SoftTab } from './SoftTab';
import { TapFooter } from './TapFooter';
import { Taps } from './Taps';
import { TroubleTab } from './TroubleTab';
import { useAwake } from './useAwake';
import { useLookAhead } from './useLookAhead';
import { useNow, writeMoment } from './useNow';
import { usePractice } from './usePractice';
import { WallTiles } from './WallTiles';
import { siteNow } from '../../../job/clock';

const SHOWS: readonly WorkedKey[] = ['shell', 'levels', 'openings', 'courses', 'bracing', 'pour', 'topoff'];

/** Two people tap on two devices: what the other tapped is looked for so often, in milliseconds. */
const LOOK_EVERY = 4000;

/** A year, in seconds. */
const KEPT = 31_536_000;
/** Minutes after which what lies ahead is played anew though nothing was tapped. */
const ANEW = 2;

const TABS = [
  { id: 'pour', name: 'Pour' },
  { id: 'trouble', name: 'Trouble' },
  { id: 'soft', name: 'Soft' },
  { id: 'after', name: 'After' },
] as const;
type TabId = (typeof TABS)[number]['id'];

/** The next theme, kept for boards alone: the sun is where they are used. */
function nextTheme(): void {
  const page = document.documentElement;
  const at = THEMES.findIndex(({ id }) => id === page.dataset['theme']);
  const next = THEMES[(at + 1) % THEMES.length]?.id ?? 'sun';
  page.dataset['theme'] = next;
  document.cookie = `ombra-board-theme=${next}; path=/; max-age=${String(KEPT)}; samesite=strict`;
}

interface OnBoardProps {
  readonly open: OpenJob;
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly pour: WorkedPour;
  readonly number: number;
  readonly language: Language;
  readonly onLanguage: (language: Language) => void;
}

/** The newest tap of this page, or of the person who signs here, to be taken back. */
function lastTapOf(board: Board, mine: ReadonlySet<string>): Entry | null {
  const who = keptName();
  const own = board.taps
    .map(({ tap }) => tap)
    .filter((tap) => mine.has(tap.id) || (who !== '' && tap.who === who));
  return own.reduce<Entry | null>(
    (newest, tap) => (newest === null || Date.parse(tap.at) >= Date.parse(newest.at) ? tap : newest),
    null,
  );
}

/** The board of a pour: what is tapped on the day, and what follows from it. */
function OnBoard({ open, job, worked, pour, number, language, onLanguage }: OnBoardProps) {
  const say = useSay();
  const { plan, log } = job;
  const { units } = plan;
  const rules = useMemo(() => rulesOf(plan), [plan]);
  const [practising, setPractising] = useState(() => new URLSearchParams(location.search).has('practice'));
  const practice = usePractice(practising ? pour : undefined, plan.pour?.seed ?? 1);
  const [practised, setPractised] = useState<readonly Entry[]>([]);
  const [mine, setMine] = useState<ReadonlySet<string>>(new Set());
  const [real, tick] = useNow();
  const now = practising ? practice.now : real;
  const entries = useMemo(
    () => (practising ? [...practice.taps, ...practised] : log.entries),
    [practising, practice.taps, practised, log.entries],
  );
  const board = useMemo(() => boardOf(pour, entries, now, rules), [pour, entries, now, rules]);
  const minute = minutesFrom(board.origin, now);
  const { origin } = board;
  const time = useCallback((at: number): string => writeMoment(origin + at * 60_000), [origin]);
  const balance = balanceOf(pour, board, minute, rules);
  const ahead = aheadOf(pour, board, minute, rules);
  const last = lastOrder(balance, ahead, minute, rules);
  const tapped = board.taps.map(({ tap }) => tap.id).join(' ');
  const { found, state } = useLookAhead(
    () => (board.done === null ? waysFrom(pour, board, minute, rules) : []),
    `${tapped} ${String(Math.floor(minute / ANEW))}`,
    minute,
  );
  const names = useMemo(() => new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall])), [worked.shell]);
  const wallName = (id: string): string => names.get(id)?.name ?? say('a wall that is gone');
  const lengths = useMemo(
    () => new Map([...names].map(([id, wall]) => [id, wall.length as number])),
    [names],
  );
  const write = (entry: Entry): void => {
    setMine((before) => new Set(before).add(entry.id));
    if (practising) setPractised((before) => [...before, entry]);
    else log.add(entry);
    // What is tapped is on screen with the next frame, not with the next second.
    tick();
  };
  // Minutes by which the next tap comes late.
  const [late, setLate] = useState(0);
  const tap: WriteTap = (kind, { minute: at, ...body }, place) => {
    const told = at ?? (late > 0 ? minute - late : undefined);
    setLate(0);
    write({
      id: newId(),
      at: writeMoment(siteNow()),
      who: keptName(),
      kind,
      body: {
        pour: pour.span.pour,
        time: told === undefined ? (practising ? now : writeMoment(siteNow())) : time(told),
        ...body,
      },
      ...(place ? { place } : {}),
    } as unknown as Entry);
  };
  const back = lastTapOf(board, mine);
  const takeBack = (): void => {
    if (back === null) return;
    const entry = {
      id: newId(),
      at: writeMoment(siteNow()),
      who: keptName(),
      kind: 'withdrawn',
      body: { why: '' },
      corrects: back.id,
    } as Entry;
    if (practising) setPractised((before) => [...before, entry]);
    else log.add(entry);
  };
  const [wall, setWall] = useState<string | null>(null);
  const [tab, setTab] = useState<TabId>('pour');
  const [who, setWho] = useState(keptName);
  const awake = useAwake();
  const mayTap = practising || mayWriteHere();
  const props: BoardProps = {
    pour,
    number,
    board,
    now: minute,
    balance,
    last,
    next: ahead.day.stops.map(({ stop }) => stop).slice(0, 3),
    units,
    rules,
    wallName,
    mayTap,
    tap,
    time,
  };
  const watchers = plan.pour?.watchers ?? {};
  const tiles = (shown: Board, at: number, choosing: boolean) => (
    <WallTiles
      pour={pour}
      board={shown}
      now={at}
      wallName={wallName}
      levels={worked.levels}
      openings={worked.openings}
      lengths={lengths}
      watchers={watchers}
      chosen={wall}
      {...(choosing ? { onChoose: setWall } : {})}
    />
  );
  const volume = (m3: number): string => showVolume(m3, units, 1);
  return (
    <div className="board flex min-h-screen flex-col">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b-2 border-ink bg-sheet px-3 py-1">
        <a className="button" href={`/jobs/${job.id}/pour`} aria-label={say('Back to the plan of the pour')}>
          <ArrowLeft aria-hidden="true" />
        </a>
        <h1 className="min-w-0 grow text-xl leading-tight font-semibold break-words">
          {plan.name}: {pour.span.name}
        </h1>
        <p className="figures text-3xl font-semibold" role="timer" aria-label={say('Time')}>
          {boardTime(board, minute)}
        </p>
        <select
          aria-label={say('Language')}
          className="field h-14 w-auto!"
          value={language}
          onChange={(event) => {
            onLanguage(LANGUAGES.find((each) => each === event.currentTarget.value) ?? 'en');
          }}
        >
          {LANGUAGES.map((each) => (
            <option key={each} value={each}>
              {LANGUAGE_NAMES[each]}
            </option>
          ))}
        </select>
        <button type="button" className="button" onClick={nextTheme}>
          {say('Light')}
        </button>
        <button
          type="button"
          className={`button ${practising ? 'border-chalk! text-chalk' : ''}`}
          aria-pressed={practising}
          onClick={() => {
            setPractising(!practising);
            setPractised([]);
          }}
        >
          <GraduationCap aria-hidden="true" /> {say('Practise')}
        </button>
      </header>
      <main className="mx-auto flex w-full max-w-[1500px] grow flex-col gap-3 p-3 pb-24">
        <JobAlerts open={open} job={job} />
        {log.refused !== null && (
          <p role="alert" className="border-l-4 border-stop pl-3 font-semibold">
            The server did not take a tap: {log.refused} It stays in this browser.
          </p>
        )}
        {practising && <PracticeBar practice={practice} />}
        {!mayTap && (
          <p className="border-l-4 border-chalk pl-3 text-xl">
            {say(
              'You can watch this pour. To tap along, ask the office for a link of the crew; anybody can practise.',
            )}
          </p>
        )}
        {mayTap && board.taps.length === 0 && pour.date !== null && pour.date !== now.slice(0, 10) && (
          <p className="border-l-4 border-chalk pl-3 text-xl">
            {say('This pour is planned for {date}. A tap today begins it today.', { date: pour.date })}
          </p>
        )}
        <Tabs
          label={say('Parts of the board')}
          tabs={TABS.map(({ id, name }) => ({ id, name: say(name) }))}
          chosen={tab}
          onChoose={setTab}
        >
          {tab === 'pour' && (
            <div className="grid grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)] items-start gap-4 max-lg:grid-cols-1">
              <div className="flex flex-col gap-3">
                <Taps may={mayTap}>
                  <NextCard {...props} />
                </Taps>
                {tiles(board, minute, mayTap)}
                {mayTap && wall !== null && (
                  <HeightCard
                    key={wall}
                    {...props}
                    wall={wall}
                    length={lengths.get(wall) ?? 0}
                    onClose={() => {
                      setWall(null);
                    }}
                  />
                )}
                {board.odd.length > 0 && (
                  <ul aria-label={say('Taps that do not fit')} className="border-l-4 border-check pl-3">
                    {board.odd.slice(0, 4).map((odd, index) => (
                      <li key={index}>{oddText(say, odd, { wallName, volume })}</li>
                    ))}
                  </ul>
                )}
              </div>
              <div className="flex flex-col gap-4">
                <Taps may={mayTap}>
                  <LoadsCard {...props} />
                </Taps>
                <BalanceCard {...props} />
                <AheadCard {...props} found={found} state={state} />
              </div>
            </div>
          )}
          {tab === 'trouble' && (
            <Taps may={mayTap}>
              <TroubleTab {...props} />
            </Taps>
          )}
          {tab === 'soft' && (
            <Taps may={mayTap}>
              <SoftTab {...props} job={job} worked={worked} />
            </Taps>
          )}
          {tab === 'after' && (
            <AfterTab
              {...props}
              jobId={job.id}
              entries={entries}
              picture={(shown, at) => tiles(shown, at, false)}
              {...(practising
                ? {}
                : {
                    onRecord: (body: EntryBody<'pour'>) => {
                      log.write('pour', body);
                    },
                  })}
            />
          )}
        </Tabs>
        {mayTap && (
          <label className="flex max-w-md flex-col">
            {say('Signed as')}
            <input
              className="field text-xl"
              maxLength={80}
              placeholder={say('your name')}
              value={who}
              onChange={(event) => {
                setWho(event.currentTarget.value);
                keepName(event.currentTarget.value.trim());
              }}
            />
          </label>
        )}
        <p className="text-quiet">
          {awake
            ? say('The screen stays on.')
            : say('The screen may go dark: the browser does not let us keep it on.')}{' '}
          {say('We compute; you decide: the engineer, the form’s manual and the local rules come first.')}
        </p>
      </main>
      <StaleDialog jobId={job.id} job={job} />
      {mayTap && (
        <TapFooter
          waiting={practising ? 0 : log.waiting.size}
          last={
            back === null ? null : entryText(back, { units, wallName: (id) => names.get(id)?.name ?? null })
          }
          late={late}
          onLate={setLate}
          onTakeBack={takeBack}
        />
      )}
    </div>
  );
}

/** The page of a pour’s board. */
export function PourBoard({ job: open, number }: { readonly job: OpenJob; readonly number: number }) {
  const job = useJob(open, SHOWS, LOOK_EVERY);
  const { language, say, choose } = useLanguage();
  const pour = job.worked?.pour.pours[number - 1];
  if (!job.worked) return <p className="p-6 text-xl text-quiet">Working out the plan …</p>;
  if (!pour) {
    const count = job.worked.pour.pours.length;
    return (
      <main className="board flex flex-col items-start gap-3 p-6 text-xl">
        <h1 className="text-2xl font-semibold">No pour {number} here</h1>
        <p>
          {count === 0
            ? 'This job has nothing to pour yet: enter its outline first.'
            : `This job has ${String(count)} ${count === 1 ? 'pour' : 'pours'}.`}
        </p>
        <a className="button" href={`/jobs/${open.id}/pour`}>
          To the plan
        </a>
      </main>
    );
  }
  return (
    <SayIn value={say}>
      <OnBoard
        key={pour.span.pour}
        open={open}
        job={job}
        worked={job.worked}
        pour={pour}
        number={number}
        language={language}
        onLanguage={choose}
      />
    </SayIn>
  );
}
