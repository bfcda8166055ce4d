import { type DayItem, type Days, DAY, dayOf } from '@ombra/core/stages/days';
import { scaleLinear } from 'd3-scale';
import { useWidth } from '../../ui/useWidth';
import { dayName, hoursName, timeName } from './dayWords';

const HEAD = 30;
/** Height of a row, and what its name takes of the width: beside the bar, or over it where the screen is narrow. */
const WIDE = { row: 22, names: 190 } as const;
const NARROW = { row: 38, names: 4 } as const;
const NARROW_UNDER = 560;
/** Height of a bar’s room in its row. */
const BAR = 22;
/** Fewest pixels that a day’s name takes. */
const NAME_WIDTH = 74;

interface TimelineProps {
  readonly days: Days;
  /** The moment up to which the strip is filled. */
  readonly clock: number;
  readonly open: string | null;
  readonly onOpen: (item: DayItem) => void;
}

/** Every item as a bar from its start to its end, over the days; a dotted line shows how far it may slide. What a bar says stands day by day as well, for the keyboard. */
export function Timeline({ days, clock, open, onOpen }: TimelineProps) {
  const { width: room, element } = useWidth();
  const width = Math.max(240, room);
  const { row, names } = width < NARROW_UNDER ? NARROW : WIDE;
  const { items, people, first } = days;
  const count = Math.max(1, people.length);
  const x = scaleLinear()
    .domain([0, count * DAY])
    .range([names, width - 8]);
  const each = (width - names - 8) / count;
  const step = Math.max(1, Math.ceil(NAME_WIDTH / each));
  const height = HEAD + items.length * row;
  return (
    <div ref={element} className="overflow-x-auto">
      <svg width={width} height={height} role="img" aria-label={`Time line of ${String(items.length)} items`}>
        {people.map((there, day) => (
          <g key={day}>
            {there === 0 && (
              <rect
                x={x(day * DAY)}
                y={HEAD}
                width={each}
                height={height - HEAD}
                className="fill-ink"
                fillOpacity={0.07}
              />
            )}
            {day % step === 0 && (
              <>
                <line x1={x(day * DAY)} x2={x(day * DAY)} y1={HEAD - 6} y2={height} className="stroke-line" />
                {x(day * DAY) + NAME_WIDTH <= width && (
                  <text x={x(day * DAY) + 3} y={16} className="figures fill-quiet text-[13px]">
                    {dayName(day, first)}
                  </text>
                )}
              </>
            )}
          </g>
        ))}
        {items.map((item, index) => {
          const y = HEAD + index * row;
          const bar = Math.max(3, x(item.end) - x(item.start));
          return (
            <g key={item.id}>
              <line x1={0} x2={width} y1={y + row} y2={y + row} className="stroke-line" strokeOpacity={0.5} />
              <text
                x={4}
                y={y + 15}
                className={`text-[14px] ${item.id === open ? 'fill-chalk font-semibold' : 'fill-ink'}`}
              >
                {item.name}
              </text>
              {item.lateEnd > item.end && (
                <line
                  x1={x(item.end)}
                  x2={x(item.lateEnd)}
                  y1={y + row - BAR / 2}
                  y2={y + row - BAR / 2}
                  strokeDasharray="2 3"
                  className="stroke-quiet"
                />
              )}
              <rect
                x={x(item.start)}
                y={y + row - BAR + 4}
                width={bar}
                height={BAR - 8}
                strokeDasharray={item.effort.kind === 'visit' ? '4 2' : undefined}
                className={`cursor-pointer ${item.kind === 'pour' ? 'fill-concrete stroke-ink' : item.effort.kind === 'visit' ? 'fill-none stroke-ink' : 'fill-chalk stroke-chalk'}`}
                onClick={() => {
                  onOpen(item);
                }}
              >
                <title>{`${item.name}: ${timeName(item.start, first)} to ${timeName(item.end, first)}`}</title>
              </rect>
              {item.done > 0 && (
                <rect
                  x={x(item.start)}
                  y={y + row - BAR + 9}
                  width={bar * item.done}
                  height={BAR - 18}
                  className="fill-record"
                  pointerEvents="none"
                >
                  <title>{`${item.name}: ${String(Math.round(item.done * 100))} % recorded as done`}</title>
                </rect>
              )}
              {item.free < 0 && (
                <text x={x(item.end) + 5} y={y + row - 7} className="fill-stop text-[13px] font-semibold">
                  {hoursName(-item.free)} short
                </text>
              )}
            </g>
          );
        })}
        <line
          x1={x(clock)}
          x2={x(clock)}
          y1={HEAD - 8}
          y2={height}
          strokeWidth={2}
          className="stroke-check"
        />
      </svg>
      <p className="sr-only">
        {items.map((item) => `${item.name}, ${dayName(dayOf(item.start), first)}`).join('; ')}
      </p>
    </div>
  );
}
