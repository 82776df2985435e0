import { useMemo } from 'react';
import type { Case, PlannedDose } from '@core/records/case';
import type { ReasonedLine } from '@core/replan/offers';
import { makeDose, type Dose } from '@core/season/plan/dose';
import { percentFor } from '@core/products/shelf';
import { sayDay } from '@core/words/days';
import { useUnits } from '../../ui/format';
import { Mark } from '../../ui/marks';
import { Said, Substances } from '../../ui/substance';
import { amountOf } from '../../work/amount-out';
import { showAmount, unitFor } from '../../work/dose-words';

/** A planned dose with its figures; undefined where its zone or product is gone. */
function figured(planned: PlannedDose, { zones, products = [] }: Case): Dose | undefined {
  const zone = zones.find(({ id }) => id === planned.zoneId);
  const product = products.find(({ id }) => id === planned.productId);
  const percent = product ? percentFor(product, planned.for) : 0;
  return zone && product && percent > 0
    ? makeDose(
        zone,
        planned.date,
        product,
        planned.for,
        { lb: (planned.rateLb * percent) / 100, says: 'this dose' },
        '',
      )
    : undefined;
}

function DoseBlock({ planned, file, changed }: { planned: PlannedDose; file: Case; changed: ReasonedLine['changed'] }) {
  const units = useUnits();
  const dose = useMemo(() => figured(planned, file), [planned, file]);
  const product = file.products?.find(({ id }) => id === planned.productId);
  const isChanged = (key: (typeof changed)[number]) => (changed.includes(key) ? 'ischanged' : undefined);
  return (
    <div className="doseblock">
      <svg width={26} height={26} viewBox="0 0 26 26" aria-hidden="true">
        <Mark purpose={planned.for} x={13} y={13} d={16} />
      </svg>
      <span>
        {dose && (
          <span className={isChanged('rateLb')}>
            <b>{showAmount(dose, units)}</b> <Substances text={unitFor(dose, units)} />
          </span>
        )}{' '}
        <span className={isChanged('productId')}>{product?.name ?? planned.productId}</span>
        <br />
        <span className={isChanged('date')}>{sayDay(planned.date)}</span>
        {dose && <span className={isChanged('rateLb')}>, {amountOf(units, product).say(dose.zoneLb)}</span>}
        {planned.locked && <span className="small"> locked</span>}
      </span>
    </div>
  );
}

/** A line of the rest: what it was, what became of it, and why. */
export function Pair({ line, file }: { line: ReasonedLine; file: Case }) {
  const { old, next, word, changed, because } = line;
  return (
    <li className={word === 'kept' ? 'pair' : 'pair changed'}>
      {old ? <DoseBlock planned={old} file={file} changed={[]} /> : <div className="doseblock isnone">no dose</div>}
      <span className={word === 'dropped' ? 'became isdropped' : 'became'}>{word}</span>
      {next ? (
        <DoseBlock planned={next} file={file} changed={changed} />
      ) : (
        <div className="doseblock isnone">no dose</div>
      )}
      {because && (
        <p className="because">
          <Said text={because} />
        </p>
      )}
    </li>
  );
}
