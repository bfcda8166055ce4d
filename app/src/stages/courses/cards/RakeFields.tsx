import { type Length, type UnitSystem, USUAL, storeLength } from '@ombra/core/kernel/measure';
import type { Rake, Wall } from '@ombra/core/stages/outline';
import { LengthField } from '../../../ui/LengthField';
import { StepList } from './StepList';

interface RakeFieldsProps {
  readonly rake: Rake | undefined;
  readonly wall: Pick<Wall, 'name' | 'from' | 'to' | 'measured'>;
  readonly units: UnitSystem;
  /** Height of the top of a course, by its number. */
  readonly topOf: (courses: number) => Length | null;
  /** Courses that the job has: a new rake falls from its top by a quarter. */
  readonly courses: number;
  readonly freshId: () => string;
  readonly onChange: (rake: Rake | null, merge?: string) => void;
  readonly onLeave: () => void;
}

/** A top that slopes: how its blocks meet the slope, and the points that it runs through. */
export function RakeFields(props: RakeFieldsProps) {
  const { rake, wall, units, topOf, courses, freshId, onChange, onLeave } = props;
  // Three quarters of the courses at the low end: a start to be typed over.
  const fresh = (how: Rake['how']): Rake => ({
    how,
    points: [
      {
        id: freshId(),
        at: storeLength(0 as Length, units),
        top: `${String(Math.max(1, Math.floor(courses * 0.75)))} courses`,
      },
      { id: freshId(), at: storeLength(wall.measured, units), top: `${String(courses)} courses` },
    ],
  });
  return (
    <div>
      <label className="block">
        <span className="heading mb-0.5 block">Sloping top</span>
        <select
          className="field"
          aria-label={`Slope along ${wall.name}`}
          value={rake?.how ?? ''}
          onChange={(event) => {
            const how = event.currentTarget.value;
            if (how === 'cut' || how === 'stepped') onChange(rake ? { ...rake, how } : fresh(how));
            else onChange(null);
          }}
        >
          <option value="">none</option>
          <option value="cut">blocks cut to the slope</option>
          <option value="stepped">stepped in whole courses under it</option>
        </select>
      </label>
      {rake && (
        <div className="mt-1">
          <StepList
            heading={`Points of the slope, from ${wall.from} to ${wall.to}`}
            boxes={['height there']}
            name="slope point"
            from={wall.from}
            units={units}
            steps={rake.points}
            make={() => ({ id: freshId(), at: '', top: '' })}
            onChange={(points, merge) => {
              onChange({ ...rake, points }, merge);
            }}
            onLeave={onLeave}
          >
            {(point, put, place) => (
              <div className="w-28">
                <LengthField
                  label={`${place}: height there`}
                  text={point.top}
                  units={units}
                  usual={USUAL.height}
                  ofCourses={topOf}
                  placeholder="16′ or 9 courses"
                  onType={(top) => {
                    put({ ...point, top });
                  }}
                  onLeave={onLeave}
                />
              </div>
            )}
          </StepList>
          <p className="text-sm text-quiet">Level before the first point and after the last.</p>
        </div>
      )}
    </div>
  );
}
