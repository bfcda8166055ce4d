import type { DayEventKind } from '@ombra/core/stages/pour/rehearsal';
import { Pause, Play, RotateCcw } from 'lucide-react';
import { EVENT_WORDS } from '../pourWords';
import { useSay } from './say';
import { PRACTICE_SPEEDS, type Practice } from './usePractice';

const KINDS = Object.keys(EVENT_WORDS) as readonly DayEventKind[];

/** Runs a practised day: how fast, and what goes wrong. */
export function PracticeBar({ practice }: { readonly practice: Practice }) {
  const say = useSay();
  return (
    <section
      aria-label={say('Practice')}
      className="flex flex-col gap-2 border-4 border-chalk bg-chalk-wash p-3"
    >
      <p>
        {say.rich(
          '<b>Practice.</b> Trucks and crew are played; nothing is recorded. Tap along, or throw trouble in.',
        )}
      </p>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="button strong"
          onClick={() => {
            practice.play(!practice.playing);
          }}
        >
          {practice.playing ? <Pause aria-hidden="true" /> : <Play aria-hidden="true" />}
          {practice.playing ? say('Pause') : say('Play')}
        </button>
        {PRACTICE_SPEEDS.map((speed) => (
          <button
            key={speed}
            type="button"
            className={`button ${speed === practice.speed ? 'border-chalk! text-chalk' : ''}`}
            aria-pressed={speed === practice.speed}
            onClick={() => {
              practice.setSpeed(speed);
            }}
          >
            {speed * 60}×
          </button>
        ))}
        <button type="button" className="button" onClick={practice.again}>
          <RotateCcw aria-hidden="true" /> {say('Another day')}
        </button>
      </div>
      <div role="group" aria-label={say('Trouble to throw in')} className="flex flex-wrap gap-2">
        {KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            className="button"
            onClick={() => {
              practice.throwIn(kind);
            }}
          >
            {say(EVENT_WORDS[kind])}
          </button>
        ))}
      </div>
    </section>
  );
}
