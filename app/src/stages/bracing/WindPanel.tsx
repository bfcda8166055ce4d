import { type WallBraces, type WindOnWall, windPressure } from '@ombra/core/stages/bracing';
import type { Wall } from '@ombra/core/stages/outline';
import { CloudSun } from 'lucide-react';
import { AskBox } from '../../ui/AskBox';
import { TableHead } from '../../ui/TableHead';
import type { Job } from '../../job/useJob';
import { forceText } from './bracingWords';

interface WindPanelProps {
  readonly job: Job;
  /** Of the shown pour. */
  readonly wind: readonly WindOnWall[];
  readonly braced: readonly WallBraces[];
  readonly walls: readonly Wall[];
}

interface Forecast {
  readonly nights: readonly { readonly date: string; readonly gust: number }[];
}

/** What the weather says of the next nights; null where that is not what came. */
function readForecast(said: unknown): Forecast | null {
  const { nights } = (said ?? {}) as { readonly nights?: unknown };
  const fits =
    Array.isArray(nights) &&
    nights.every((night: unknown) => {
      const { date, gust } = (night ?? {}) as { readonly date?: unknown; readonly gust?: unknown };
      return typeof date === 'string' && typeof gust === 'number';
    });
  return fits ? (said as Forecast) : null;
}

/** The next nights' gusts from the weather that ships with the application. */
const Nights = ({ onTake }: { readonly onTake: (gust: number) => void }) => (
  <AskBox label="Ask the weather" Icon={CloudSun} url="/api/weather" read={readForecast} who="The weather">
    {({ nights }) => (
      <>
        <ul className="figures flex flex-wrap gap-2">
          {nights.map(({ date, gust }) => (
            <li key={date}>
              <button
                type="button"
                className="button"
                onClick={() => {
                  onTake(gust);
                }}
              >
                {date}: gusts of {gust} mph
              </button>
            </li>
          ))}
        </ul>
        <p className="text-sm text-quiet">Simulated weather. Check a real forecast.</p>
      </>
    )}
  </AskBox>
);

/** Wind on the empty walls: the force in each wall's hardest pressed leg and on its screws, the freest wall first. */
export function WindPanel({ job, wind: pressed, braced, walls }: WindPanelProps) {
  const { plan, edit } = job;
  const wind = plan.bracing?.wind;
  const set = (mph: number | null): void => {
    edit({ kind: 'bracing', change: { of: 'wind', wind: mph } }, 'wind');
  };
  const nameOf = (id: string): string => walls.find((wall) => wall.id === id)?.name ?? id;
  const braceOf = (wall: string, id: string): string => {
    const index = braced.find((each) => each.wall === wall)?.braces.findIndex((each) => each.id === id);
    return index === undefined || index < 0 ? '' : String(index + 1);
  };
  return (
    <div className="flex max-w-3xl flex-col gap-3">
      <div className="flex flex-wrap items-end gap-4">
        <label className="block">
          <span className="heading mb-0.5 block">Wind the empty walls must take, mph</span>
          <input
            className="field figures w-28! text-lg"
            inputMode="decimal"
            maxLength={5}
            placeholder="gusts"
            value={wind ?? ''}
            onChange={(event) => {
              const text = event.currentTarget.value.trim();
              const mph = Number(text);
              if (text === '') set(null);
              else if (Number.isFinite(mph) && mph >= 0 && mph <= 300) set(mph);
            }}
            onBlur={job.endMerge}
          />
        </label>
        <Nights
          onTake={(gust) => {
            set(gust);
          }}
        />
      </div>
      {wind !== undefined && pressed.length > 0 && (
        <>
          <p>
            Velocity pressure <strong>{windPressure(wind).toFixed(2)} lb/ft²</strong>. Brace every wall here
            before tonight, most exposed first:
          </p>
          <table className="figures w-full border-collapse text-[17px]">
            <TableHead
              names={[
                'wall',
                'hardest brace',
                'on its share of wall',
                'along the leg',
                'up or down at its foot',
                'on each screw',
              ]}
              left={['hardest brace']}
            />
            <tbody>
              {pressed.map(({ wall, brace, worst }) => (
                <tr key={wall} className="border-b border-line">
                  <th scope="row" className="px-1 text-left">
                    {nameOf(wall)}
                  </th>
                  <td className="px-1">{braceOf(wall, brace)}</td>
                  {[worst.force, worst.leg, worst.uplift, worst.screw].map((force, index) => (
                    <td key={index} className="px-1 text-right">
                      {forceText(force, plan.units)}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <p className="max-w-[72ch] text-sm text-quiet">
        A rough figure, not a design: q = 0.00256 V² (ASCE 7, from memory) on a free-standing wall, moments
        about the foot of the upright. Gusts between buildings, wet ground under a stake and an open corner
        are worse. A breeze can topple an empty wall. Brace it before you leave it, and stay off the planks in
        high wind and lightning.
      </p>
    </div>
  );
}
