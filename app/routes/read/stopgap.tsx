import { Link, useLocation } from 'react-router';
import { coreCount } from '@core/sampling/cores';
import { LABORATORY_DAYS } from '@core/sampling/chain';
import type { Zone } from '@core/records/case';
import { evaluate } from '@core/reckoning/define';
import type { ZonePrescription } from '@core/prescription/prescription';
import { Fig } from '../../ui/fig';
import { useUnits } from '../../ui/format';

/** A zone with no report: what can be said without one, marked as a stopgap, and what it would take to know better. */
export function Stopgap({ zone, prescription }: { zone: Zone; prescription: ZonePrescription }) {
  const units = useUnits();
  const { hash } = useLocation();
  const cores = evaluate(coreCount, { areaSqFt: zone.areaSqFt });
  return (
    <section className="stopgap" aria-labelledby="stopgap">
      <h2 id="stopgap">Stopgap, until a report is read</h2>
      <ul>
        <li>
          Nitrogen by the grass: <Fig figure={prescription.nitrogen.year} show={units.rate} />{' '}
          {units.heading('nutrient-rate', 'N')} this year.
        </li>
        <li>
          No P<sub>2</sub>O<sub>5</sub>, no K<sub>2</sub>O: nobody knows what the soil holds.
        </li>
        <li>No lime and no sulfur: without a pH either can do harm for years.</li>
      </ul>
      <p>
        To know better: {typeof cores === 'number' ? cores : 10} cores,{' '}
        {units.setting.system === 'us' ? 'a pint' : 'half a liter'} of soil, about {LABORATORY_DAYS} days at a
        laboratory.{' '}
        <Link className="link" to={{ pathname: '../sample', hash }} relative="path">
          Plan the sample
        </Link>
      </p>
    </section>
  );
}
