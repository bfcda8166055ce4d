import { type Shot, readSurvey, standingPieces } from '@ombra/core/stages/footing';
import { applyEdit } from '@ombra/core/plan';
import { rulesOf } from '@ombra/core/rules';
import type { Plan } from '@ombra/core/kernel/plan';
import { wallsOf } from '@ombra/core/stages/outline';
import { makeWork } from '@ombra/core/work';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { FootingLayer } from '../app/src/stages/footing/FootingLayer';
import { stripFrame } from '../app/src/drawing/strip/stripGeometry';

type Measure = (step: (run: number) => void, runs?: number) => unknown;

const READINGS = 2000;

/** Readings spread evenly over the walls of a plan, a few millimetres up and down. */
function readings(plan: Plan): readonly Shot[] {
  const walls = wallsOf(makeWork()(plan).shell);
  const each = Math.ceil(READINGS / walls.length);
  return walls
    .flatMap((wall, place) =>
      Array.from({ length: each }, (_, index): Shot => {
        const at = Math.floor((wall.measured * index) / each / 1e6);
        const reading = 1280 + 3 * Math.sin(place + index / 40) + Math.sin(index * 7);
        return {
          id: `${wall.id}:${String(index)}`,
          wall: wall.id,
          at: `${String(at)}mm`,
          reading: `${reading.toFixed(1)}mm`,
        };
      }),
    )
    .slice(0, READINGS);
}

/** A level survey of two thousand readings: solved, drawn under the strip, and the whole plan worked again after one is edited. */
export function survey(plan: Plan, measure: Measure) {
  const shots = readings(plan);
  const edited = (reading: string): Plan =>
    applyEdit(plan, {
      kind: 'set-footing',
      change: { shots: shots.map((shot, index) => (index === 0 ? { ...shot, reading } : shot)) },
    });
  const plans = [edited('1280mm'), edited('1281mm')];
  const again = makeWork();
  const worked = again(plans[0] as Plan);
  const pieces = standingPieces(worked.courses, worked.levels);
  const rules = rulesOf(plan);
  const rows = new Set(wallsOf(worked.shell).map((wall) => wall.id));
  const solve = () =>
    readSurvey({
      shell: worked.shell,
      levels: worked.levels,
      pieces,
      shots,
      rows,
      units: plan.units,
      rules,
      pass: 'footing',
    });
  const frame = stripFrame(worked.shell, worked.courses, 30 / 1e9, 'inside');
  const draw = (found: ReturnType<typeof solve>) =>
    renderToStaticMarkup(
      createElement(FootingLayer, {
        frame,
        worked,
        footing: worked.footing,
        survey: found.survey,
        units: plan.units,
      }),
    );
  return {
    readings: shots.length,
    solvedAndDrawn: measure(() => draw(solve())),
    solved: measure(() => {
      solve();
    }),
    planWithOneEdited: measure((run) => again(plans[run % 2] as Plan)),
  };
}
