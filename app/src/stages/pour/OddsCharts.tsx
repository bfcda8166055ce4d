import { showPressure } from '@ombra/core/kernel/figures';
import type { UnitSystem } from '@ombra/core/kernel/measure';
import type { WorkedPour } from '@ombra/core/stages/pour';
import type { Odds, Spread } from '@ombra/core/stages/pour/rehearsal';
import { Bar, BarChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { timeOf } from './pourWords';

interface ChartProps {
  readonly title: string;
  readonly spread: Spread;
  readonly tell: (value: number) => string;
  /** A limit to show, and what it is called. */
  readonly limit?: { readonly at: number; readonly name: string } | undefined;
}

/** One distribution: how many of the days came out where, with the limit that it must keep. */
function Distribution({ title, spread, tell, limit }: ChartProps) {
  const data = spread.bins.map((bin) => ({ at: (bin.from + bin.to) / 2, days: bin.days }));
  const least = spread.bins[0]?.from ?? 0;
  const last = spread.bins.at(-1)?.to ?? 1;
  // A limit that lies far off needs no place in the picture.
  const near = limit !== undefined && limit.at <= last + (last - least);
  const most = near ? Math.max(last, limit.at) : last;
  return (
    <figure className="min-w-0 border border-line bg-sheet p-2">
      <figcaption className="text-[15px]">
        <strong>{title}</strong>: mostly {tell(spread.middle)}, one day in ten over {tell(spread.ninetieth)}
      </figcaption>
      <div className="h-28">
        <ResponsiveContainer width="100%" height="100%">
          <BarChart data={data} margin={{ top: 6, right: 6, bottom: 0, left: 6 }} barCategoryGap={1}>
            <XAxis
              dataKey="at"
              type="number"
              domain={[least, most]}
              tickFormatter={tell}
              tickCount={4}
              tick={{ fontSize: 13, fill: 'var(--color-quiet)' }}
              stroke="var(--color-ink)"
            />
            <YAxis hide domain={[0, 'dataMax']} />
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(label) => tell(Number(label))}
              formatter={(days) => [`${String(days)} days`, '']}
              separator=""
              contentStyle={{ background: 'var(--color-sheet)', border: '1px solid var(--color-ink)' }}
            />
            <Bar dataKey="days" fill="var(--color-chalk)" isAnimationActive={false} barSize={9} />
            {near && (
              <ReferenceLine
                x={limit.at}
                stroke="var(--color-stop)"
                strokeWidth={2}
                label={{
                  value: limit.name,
                  position: 'insideTopRight',
                  fontSize: 13,
                  fill: 'var(--color-stop)',
                }}
              />
            )}
          </BarChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}

/** What ten thousand days came to, as distributions beside the limits that they must keep. */
export default function OddsCharts({
  odds,
  pour,
  units,
}: {
  readonly odds: Odds;
  readonly pour: WorkedPour;
  readonly units: UnitSystem;
}) {
  const minutes = (value: number): string => `${String(Math.round(value))} min`;
  const { day, pressing } = pour;
  return (
    <div className="grid grid-cols-2 gap-2 max-md:grid-cols-1">
      <Distribution
        title="Longest wait of a layer"
        spread={odds.gap}
        tell={minutes}
        limit={{ at: day.working, name: 'sets' }}
      />
      <Distribution
        title="Oldest load"
        spread={odds.age}
        tell={minutes}
        limit={{ at: day.discharge, name: 'limit' }}
      />
      <Distribution
        title="Done"
        spread={odds.finish}
        tell={(value) => timeOf(pour, value)}
        limit={day.dark === null ? undefined : { at: day.dark, name: 'dark' }}
      />
      <Distribution
        title="Waiting of trucks costs"
        spread={odds.waitCost}
        tell={(value) => value.toFixed(0)}
      />
      {odds.pressure && (
        <Distribution
          title="Pressure where it rises fastest"
          spread={odds.pressure}
          tell={(value) => showPressure(value, units)}
          limit={
            pressing?.capacity === null || pressing?.capacity === undefined
              ? undefined
              : { at: pressing.capacity, name: 'capacity' }
          }
        />
      )}
    </div>
  );
}
