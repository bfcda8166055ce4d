import { showLength } from '../kernel/measure';
import { faceRing } from '../stages/outline';
import type { WorkedPlan } from '../worked';
import type { Drawing, Shape } from './drawing';
import { letterSpot, onPlan, placedWalls, stretchOnPlan } from './place';

/** How far outside the form's face a wall's length is written, and its letter stands, in nanometres. */
const ASIDE = 600e6;
const LETTER_ASIDE = 350e6;

/** The footprint: form and core faces, corner letters, openings, and the length of each wall along its outside face. */
export function planDrawing(worked: WorkedPlan): Drawing {
  const { shell, units, openings } = worked;
  const places = placedWalls(shell);
  const shapes: Shape[] = [];
  for (const { built } of shell.loops) {
    if (!built) continue;
    for (const face of ['formOutside', 'formInside', 'concreteOutside', 'concreteInside'] as const) {
      const layer = face.startsWith('form') ? 'form face' : 'core face';
      // An open walk’s ring runs out on the outside face and back on the inside one.
      if (built.open && face.endsWith('Inside')) continue;
      const curved = built.walls.some(({ curve }) => curve !== null);
      const points = built.open || curved ? built.outline[face] : faceRing(built, face);
      shapes.push({ kind: 'path', layer, points, closed: true });
    }
    for (const [index, wall] of built.walls.entries()) {
      const place = { wall, built, index };
      const [from, to] = [onPlan(place, 0, 0), onPlan(place, wall.length, 0)];
      shapes.push({
        kind: 'dimension',
        layer: 'dimension',
        from,
        to,
        aside: -ASIDE,
        text: showLength(wall.length, units),
      });
      const letter = letterSpot(place, LETTER_ASIDE);
      shapes.push({ kind: 'words', layer: 'text', at: letter, text: wall.from, size: 'label' });
      if (built.open && index === built.walls.length - 1) {
        const end = letterSpot(place, LETTER_ASIDE, true);
        shapes.push({ kind: 'words', layer: 'text', at: end, text: wall.to, size: 'label' });
      }
    }
  }
  for (const opening of openings.placed) {
    const place = places.get(opening.wall);
    if (!place) continue;
    const { from, to } = opening.hole;
    shapes.push({ kind: 'path', layer: 'opening', points: stretchOnPlan(place, from, to), closed: true });
    shapes.push({
      kind: 'words',
      layer: 'text',
      at: onPlan(place, (from + to) / 2, place.wall.thickness + LETTER_ASIDE),
      text: opening.name,
      size: 'note',
    });
  }
  return { id: 'plan', title: 'Plan', shapes };
}
