import { type UnitSystem, showLength } from '@ombra/core/kernel/measure';
import type { Wall } from '@ombra/core/stages/outline';
import { type WallSection, wayWidth } from '@ombra/core/stages/steel';

interface SlotSectionProps {
  readonly wall: Wall;
  readonly section: WallSection;
  /** Courses with their heights in pixels, the lowest first. */
  readonly courses: number;
  readonly units: UnitSystem;
}

const WIDTH = 210;
const COURSE = 22;

/** A wall cut across: the bar of every course in its slot, the tension side, and the clear way down for the verticals. */
export function SlotSection({ wall, section, courses, units }: SlotSectionProps) {
  const scale = 130 / wall.thickness;
  const left = (WIDTH - wall.thickness * scale) / 2;
  const height = courses * COURSE;
  // Outside left, as the walk has it: inside is where the crew stands.
  const x = (offset: number): number => left + (wall.thickness / 2 + offset) * scale;
  const y = (course: number): number => 18 + height - (course - 0.5) * COURSE;
  const skin = wall.skin * scale;
  const way = `${showLength(wayWidth(section.chase), units, { style: 'inches' })} clear for verticals`;
  const tension =
    section.tension === null ? null : `soil puts the ${section.tension} face in tension, drawn thick`;
  return (
    <svg
      width={WIDTH}
      height={height + (tension === null ? 40 : 56)}
      role="img"
      aria-label={`Section of wall ${wall.name}: ${String(section.used.length)} courses with bars, ${way}${tension === null ? '' : `; ${tension}`}`}
    >
      <text x={left - 4} y={12} textAnchor="end" className="figures fill-quiet text-[12px]">
        outside
      </text>
      <text x={WIDTH - left + 4} y={12} className="figures fill-quiet text-[12px]">
        inside
      </text>
      <rect x={left} y={18} width={skin} height={height} className="fill-foam stroke-ink" />
      <rect
        x={left + skin}
        y={18}
        width={wall.core * scale}
        height={height}
        className="fill-concrete stroke-ink"
      />
      <rect x={WIDTH - left - skin} y={18} width={skin} height={height} className="fill-foam stroke-ink" />
      <rect
        x={x(section.chase.from)}
        y={18}
        width={wayWidth(section.chase) * scale}
        height={height}
        className="fill-chalk/20 stroke-chalk"
        strokeDasharray="4 3"
      />
      {section.tension !== null && (
        <line
          x1={section.tension === 'inside' ? x(wall.core / 2) : x(-wall.core / 2)}
          x2={section.tension === 'inside' ? x(wall.core / 2) : x(-wall.core / 2)}
          y1={18}
          y2={18 + height}
          className="stroke-record"
          strokeWidth={3}
        />
      )}
      {section.used.map(({ course, slots }) => (
        <g key={course}>
          {slots.map((slot, index) => (
            <circle
              key={`${String(slot)}:${String(index)}`}
              cx={x(section.slots[slot - 1] ?? 0)}
              cy={y(course)}
              r={4}
              className="fill-steel"
            />
          ))}
          <text x={left - 6} y={y(course) + 4} textAnchor="end" className="figures fill-ink text-[12px]">
            {course}
          </text>
        </g>
      ))}
      <text x={WIDTH / 2} y={height + 34} textAnchor="middle" className="figures fill-chalk text-[13px]">
        {way}
      </text>
      {tension !== null && (
        <text x={WIDTH / 2} y={height + 50} textAnchor="middle" className="figures fill-ink text-[13px]">
          {tension}
        </text>
      )}
    </svg>
  );
}
