import { type UnitSystem, nanometres, showLength } from '@ombra/core/kernel/measure';
import { type WallCapacity, SOIL_FACTOR } from '@ombra/core/stages/steel';

interface CapacityCardProps {
  readonly capacity: WallCapacity | undefined;
  readonly units: UnitSystem;
}

const NEWTON_METRES_PER_POUND_FOOT = 1.355817948331;
const METRES_PER_FOOT = 0.3048;

/** A moment a running foot or metre of wall. */
const moment = (value: number, units: UnitSystem): string =>
  units === 'imperial'
    ? `${((value * METRES_PER_FOOT) / NEWTON_METRES_PER_POUND_FOOT).toFixed(0)} lb·ft a foot`
    : `${(value / 1000).toFixed(2)} kN·m a metre`;
const distance = (metres: number, units: UnitSystem): string =>
  units === 'imperial' ? `${(metres / METRES_PER_FOOT).toFixed(1)}′` : `${metres.toFixed(2)} m`;

/** The soil's bending of a wall beside what its verticals carry: a screening, with its caution. */
export function CapacityCard({ capacity, units }: CapacityCardProps) {
  return (
    <section aria-label="Bending by the soil">
      <h3 className="heading">Bending by the soil: a quick check, not a design</h3>
      {capacity ? (
        <>
          <dl className="figures grid max-w-96 grid-cols-[1fr_auto] gap-x-3 text-[17px]">
            <dt>
              Soil {distance(capacity.soil, units)} against {distance(capacity.height, units)}, held top and
              bottom, factored {SOIL_FACTOR.toFixed(1)}
            </dt>
            <dd className="text-right font-semibold">{moment(capacity.demand, units)}</dd>
            <dt>φMn of the verticals</dt>
            <dd className="text-right font-semibold">{moment(capacity.capacity, units)}</dd>
            <dt>Used</dt>
            <dd className={`text-right font-semibold ${capacity.share > 1 ? 'text-stop' : ''}`}>
              {Number.isFinite(capacity.share) ? `${(100 * capacity.share).toFixed(0)} %` : 'no steel'}
              {capacity.share > 1 ? ' — too little' : ''}
            </dd>
          </dl>
          <p className="text-sm text-quiet">
            Simple beam under a triangle of soil; φMn by ACI 318-19 §22.2 (from memory), one layer of steel{' '}
            {showLength(nanometres(capacity.depth * 1e9), units, { style: 'inches' })} from the compressed
            face. No axial load, shear, surcharge, water or deflection. The stamped drawings and the engineer
            decide.
          </p>
        </>
      ) : (
        <p className="text-sm text-quiet">
          Only walls with soil on them and their top held are checked. A wall that stands alone is for the
          engineer.
        </p>
      )}
    </section>
  );
}
