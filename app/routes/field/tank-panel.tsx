import { FOLIAR_WATER_GAL } from '@core/foliar/foliar-feeds';
import type { Job } from '@core/field/jobs';
import { sprayTank } from '@core/field/tank';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { FL_OZ_PER_GAL } from '@core/units/conversions';
import { Fault, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { densityOf } from '@core/products/as-weighed';
import { amountOut } from '../../work/amount-out';

/** What is asked of a tank: finished spray on the ground, and how much one tank holds. */
export interface TypedTank {
  carrier: string;
  tank: string;
}

/** How the tank is filled, in the order that mixes. Common practice; a label comes first. */
const FILLING = [
  'Half the water, and the agitator on.',
  'The product, slowly; a dry one dissolved in a bucket first.',
  'Water to the line. What does not fit goes into the next tank, never a bit over.',
  'A new mix goes through the jar test first: a quart jar, 15 to 30 minutes, no flakes, no layers, no heat.',
  'What is left is sprayed out thinner over the same ground; rinse three times, onto the ground, never into a drain.',
] as const;

/** A tank drawn to its scale: water below, the product's share above it, the line it is filled to. */
function TankDrawing({ share, fill, name }: { share: number; fill: number; name: string }) {
  const [top, height] = [8, 104];
  const level = top + height * (1 - fill);
  const product = Math.max(2, height * fill * share);
  return (
    <svg width="86" height="124" viewBox="0 0 86 124" role="img" aria-label={`${name}, filled to its line`}>
      <rect x="8" y={level + product} width="70" height={top + height - level - product} fill="var(--slate-wash)" />
      <rect x="8" y={level} width="70" height={product} fill="var(--growth)" />
      <rect x="8" y={top} width="70" height={height} fill="none" stroke="var(--loam)" strokeWidth="1.6" />
      <path d={`M2 ${level}H84`} stroke="var(--moss)" strokeWidth="2" />
    </svg>
  );
}

/** A job that is sprayed: finished spray, tanks, what goes into each, how it is filled. */
export function TankPanel({
  job,
  typed,
  refused,
  onType,
}: {
  job: Job;
  typed: TypedTank;
  /** Why it does not start (`sprayRefused`). */
  refused: string | undefined;
  onType: (next: TypedTank) => void;
}) {
  const units = useUnits();
  const density = densityOf(job.product);
  const out = amountOut(units, density);
  const carrier = units.value('carrier', typed.carrier, 'Finished spray', 'carrier');
  const tank = units.value('volume', typed.tank, 'Tank', 'tank');
  const rate = job.dose.rateLb;
  const answer =
    refused === undefined && typeof carrier === 'number' && typeof tank === 'number'
      ? evaluate(sprayTank, {
          areaSqFt: job.zone.areaSqFt,
          carrierGalPer1000: carrier,
          tankGal: tank,
          liquidsOzPer1000: density === undefined ? {} : { product: (rate / density) * FL_OZ_PER_GAL },
          drysLbPer1000: density === undefined ? { product: rate } : {},
        })
      : undefined;
  const inTank = (key: 'all' | 'perFullTank' | 'lastTank'): string => {
    const amount = (answer as Record<string, number>)[`product.${key}`] ?? 0;
    return out.say(density === undefined ? amount : (amount / FL_OZ_PER_GAL) * density);
  };
  return (
    <section className="tank" aria-labelledby="tank">
      <h2 id="tank">The tank</h2>
      <div className="gearfields">
        <TextField
          label="Finished spray"
          unit={units.unit('carrier')}
          inputMode="decimal"
          value={typed.carrier}
          fault={isRefusal(carrier) ? carrier.refused : undefined}
          onChange={(text) => onType({ ...typed, carrier: text })}
        />
        <TextField
          label="One tank holds"
          unit={units.unit('volume')}
          inputMode="decimal"
          value={typed.tank}
          fault={isRefusal(tank) ? tank.refused : undefined}
          onChange={(text) => onType({ ...typed, tank: text })}
        />
      </div>
      <Fault>{refused && units.said(refused)}</Fault>
      {refused === undefined && typeof carrier === 'number' && carrier < FOLIAR_WATER_GAL && (
        <p className="caution small">
          Under {units.say('carrier', FOLIAR_WATER_GAL)} it burns and streaks: more water, unless the label says
          otherwise.
        </p>
      )}
      {answer && isRefusal(answer) && <Fault>{units.said(answer.refused)}</Fault>}
      {answer && !isRefusal(answer) && typeof tank === 'number' && (
        <div className="tankwork">
          <TankDrawing
            share={1 - (answer.waterGal ?? 0) / (answer.sprayGal ?? 1)}
            fill={Math.min(
              1,
              ((answer.fullTanks ?? 0) > 0 ? (answer.fullTankGal ?? 0) : (answer.lastTankGal ?? 0)) / tank,
            )}
            name={(answer.fullTanks ?? 0) > 0 ? 'A full tank' : 'The tank'}
          />
          <table className="walktable">
            <caption className="vh">What goes into each tank</caption>
            <thead>
              <tr>
                <td />
                <th scope="col">Spray</th>
                <th scope="col">Water</th>
                <th scope="col">{job.product.name}</th>
              </tr>
            </thead>
            <tbody>
              {(answer.fullTanks ?? 0) > 0 && (
                <tr>
                  <th scope="row">
                    {units.plain(answer.fullTanks ?? 0, 0)} full {answer.fullTanks === 1 ? 'tank' : 'tanks'}, each
                  </th>
                  <td>{units.say('volume', answer.fullTankGal ?? 0)}</td>
                  <td>{units.say('volume', answer.waterPerFullTankGal ?? 0)}</td>
                  <td>{inTank('perFullTank')}</td>
                </tr>
              )}
              {(answer.lastTankGal ?? 0) > 0 && (
                <tr>
                  <th scope="row">{(answer.fullTanks ?? 0) > 0 ? 'The last one' : 'The tank'}</th>
                  <td>{units.say('volume', answer.lastTankGal ?? 0)}</td>
                  <td>{units.say('volume', answer.waterLastTankGal ?? 0)}</td>
                  <td>{inTank('lastTank')}</td>
                </tr>
              )}
              <tr>
                <th scope="row">In all</th>
                <td>{units.say('volume', answer.sprayGal ?? 0)}</td>
                <td>{units.say('volume', answer.waterGal ?? 0)}</td>
                <td>{inTank('all')}</td>
              </tr>
            </tbody>
          </table>
        </div>
      )}
      <ol className="filling small">
        {FILLING.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ol>
    </section>
  );
}
