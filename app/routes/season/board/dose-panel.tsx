import { Button, Checkbox, InputNumber, Select } from 'antd';
import { Fragment, useId, useRef, useState } from 'react';
import type { PlannedDose, Product, Zone } from '@core/records/case';
import { faceOf } from '@core/products/label/face';
import { percentFor } from '@core/products/shelf';
import type { Dose } from '@core/season/plan/dose';
import { isFoliarPurpose } from '@core/foliar/foliar-feeds';
import { densityOf } from '@core/products/as-weighed';
import { amountOf, type AmountOut } from '../../../work/amount-out';
import { showAmount, unitFor } from '../../../work/dose-words';
import { mondaysOf } from '@core/days/weeks';
import { useUnits } from '../../../ui/format';
import { Fig } from '../../../ui/fig';
import { roundedTo } from '@core/words/numbers';
import { sayDay } from '@core/words/days';
import type { ToldWhy } from './use-why-dose';
import { Said, Substances } from '../../../ui/substance';

export interface DosePanelProps {
  dose: Dose;
  planned: PlannedDose;
  zone: Zone;
  products: readonly Product[];
  year: number;
  given: boolean;
  /** Why it is as it is, as far as it has been tried out. */
  why: ToldWhy;
  onMoveTo: (date: string) => void;
  onRate: (lb: number) => void;
  onSwap: (product: Product) => void;
  onLock: () => void;
  onRemove: () => void;
  onClose: () => void;
}

const BRINGS = ['N', 'N-soluble', 'P2O5', 'K2O', 'Mg', 'S-combined', 'S-free'] as const;
const WHY = [
  ['week', 'Another week'],
  ['product', 'Another product'],
  ['rate', 'Another rate'],
] as const;
const NAME: Partial<Record<string, string>> = {
  'N-soluble': 'soluble N',
  'S-combined': 'combined S',
  'S-free': 'free S',
};

/**
 * The rate as it is typed. A number field brings what is typed to its own bounds when it is left, so a rate that was refused must not
 * be asked for again then: 1e9 would become 200.
 */
function RateField({
  id,
  rateLb,
  given,
  out,
  onRate,
}: {
  id: string;
  rateLb: number;
  given: boolean;
  out: AmountOut;
  onRate: (lb: number) => void;
}) {
  const units = useUnits();
  const perLb = out.ratePerLb;
  const shown = (lb: number) => roundedTo(lb * perLb, 2);
  const first = shown(rateLb);
  const numberIn = (text: string) => Number(text.replace(units.decimalSign, '.')) / perLb;
  const [left, setLeft] = useState(0);
  const asked = useRef(false);
  return (
    <InputNumber
      // what stands is shown again whenever it changes and whenever the field is left
      key={`${rateLb}/${left}`}
      id={id}
      size="small"
      disabled={given}
      min={shown(0.01)}
      max={shown(200)}
      step={out.rateStep}
      decimalSeparator={units.decimalSign}
      defaultValue={first}
      onInput={() => {
        asked.current = false;
      }}
      onStep={(value) => onRate(Number(value) / perLb)}
      onPressEnter={(event) => {
        asked.current = true;
        onRate(numberIn((event.target as HTMLInputElement).value));
      }}
      onBlur={(event) => {
        const typed = numberIn(event.target.value);
        const changed = !(Math.abs(typed * perLb - first) <= 0.005);
        if (changed && !asked.current && Number.isFinite(typed)) onRate(typed);
        if (changed || asked.current) setLeft((times) => times + 1);
        asked.current = false;
      }}
    />
  );
}

/** The dose that is picked on the board: everything about it, and everything that can be changed. */
export function DosePanel(props: DosePanelProps) {
  const units = useUnits();
  const { dose, planned, zone, products, year, given } = props;
  const id = useId();
  const product = products.find((p) => p.id === dose.productId);
  const out = amountOf(units, product, dose.for === 'lime' ? 'lime' : 'product');
  const serving = products.filter(
    (p) =>
      percentFor(p, dose.for) > 0 &&
      !p.pesticide &&
      !p.unfinished &&
      (p.form !== 'liquid' || densityOf(p) !== undefined),
  );
  return (
    <section className="dosepanel" aria-labelledby={`${id}-h`}>
      <div className="pagehead" style={{ padding: 0 }}>
        <h2 id={`${id}-h`}>
          {sayDay(dose.date)}, {zone.name}
        </h2>
        <span className="sp" />
        <Button size="small" onClick={props.onClose}>
          Close
        </Button>
      </div>
      <p className="note">
        <Said text={dose.why} />
      </p>
      <dl>
        <dt>
          <label htmlFor={`${id}-w`}>Week of</label>
        </dt>
        <dd>
          <Select
            id={`${id}-w`}
            size="small"
            aria-label="Week of the dose"
            disabled={given}
            value={dose.date}
            options={[
              ...(mondaysOf(year).some((w) => w.date === dose.date)
                ? []
                : [{ value: dose.date, label: sayDay(dose.date) }]),
              ...mondaysOf(year).map((w) => ({ value: w.date, label: sayDay(w.date) })),
            ]}
            onChange={props.onMoveTo}
          />
        </dd>
        <dt>
          <label htmlFor={`${id}-p`}>Product</label>
        </dt>
        <dd>
          <Select
            id={`${id}-p`}
            size="small"
            aria-label="Product of the dose"
            disabled={given}
            value={dose.productId}
            options={serving.map((p) => ({ value: p.id, label: `${p.name} ${faceOf(p)}` }))}
            onChange={(to) => {
              const swapped = products.find((p) => p.id === to);
              if (swapped) props.onSwap(swapped);
            }}
          />
        </dd>
        <dt>
          <label htmlFor={`${id}-r`}>
            {dose.for === 'lime' ? 'Lime' : 'Product'} per {units.areaOf('product-rate')}
          </label>
        </dt>
        <dd>
          <RateField id={`${id}-r`} rateLb={dose.rateLb} given={given} out={out} onRate={props.onRate} />{' '}
          {out.rateShort.replace(/\/.*/, '')}
        </dd>
        <dt>Rate</dt>
        <dd>
          <Fig figure={dose.rate} show={out.showRate} /> {out.rateUnit}
        </dd>
        <dt>{out.isLiquid ? 'Measure out' : 'Weigh out'}</dt>
        <dd>
          <Fig figure={dose.weighOut} show={out.show} /> {out.unit}
        </dd>
        <dt>Brings</dt>
        <dd>
          {BRINGS.filter((n) => (dose.delivers[n] ?? 0) > 0.004).map((n) => (
            <span key={n} className="bring">
              {units.rate(dose.delivers[n] ?? 0)} <Substances text={units.short('nutrient-rate', NAME[n] ?? n)} />
            </span>
          ))}
          {isFoliarPurpose(dose.for) && `${showAmount(dose, units)} ${unitFor(dose, units)}`}
          {product && dose.for === 'lime' && faceOf(product)}
        </dd>
      </dl>
      {/* what is pressed stands above what grows while it is tried out: nothing moves from under the hand */}
      {given ? (
        <p className="small">Given already: it stands in the record and cannot be moved here.</p>
      ) : (
        <div className="acts">
          <Checkbox checked={planned.locked === true} onChange={props.onLock}>
            Locked: stays when the rest is planned again
          </Checkbox>
          <Button size="small" danger onClick={props.onRemove}>
            Delete dose
          </Button>
        </div>
      )}
      {!given && (
        <section className="whydose" aria-labelledby={`${id}-why`} aria-live="polite">
          <h3 id={`${id}-why`}>Other choices, tried out</h3>
          <dl>
            {WHY.map(([about, title]) => (
              <Fragment key={about}>
                <dt>{title}</dt>
                <dd>{props.why[about] === undefined ? 'being tried out' : <Said text={props.why[about]} />}</dd>
              </Fragment>
            ))}
          </dl>
        </section>
      )}
    </section>
  );
}
