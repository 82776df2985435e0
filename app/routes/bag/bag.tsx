import './bag.css';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { checkBag, GRADE_NUTRIENTS } from '@core/products/bag/bag-check';
import { asked } from '@core/products/match/need';
import { hasGrade, gradeOf } from '@core/products/label/face';
import { packageLb } from '@core/products/package-lb';
import { isRefusal } from '@core/reckoning/refusal';
import { TextField } from '../../ui/field';
import { amountOf } from '../../work/amount-out';
import { packageWords } from '../../work/package-words';
import { sayDay } from '@core/words/days';
import { StandingGlyph } from '../../ui/glyphs';
import { Said } from '../../ui/substance';
import { useMatchWork } from '../../work/match-work';
import { usePropertyWork } from '../../work/use-property-work';
import { AlsoBrings } from './also-brings';
import { BagTable } from './bag-table';
import { BagDrawing } from './bag-drawing';
import { NutrientRulers } from './nutrient-rulers';
import { Weighed } from './weighed';
import type { Route } from './+types/bag';
import { StageFault } from '../../work/stage-fault';
import { usePlace } from '../../ui/place';
import { useUnits } from '../../ui/format';

/** Any bag on this lawn: the verdict first, then what it rests on. */
export default function Bag() {
  const units = useUnits();
  const work = usePropertyWork();
  const [place, setPlace] = usePlace();
  const location = useLocation();
  const [typedRate, setTypedRate] = useState('');
  const products = work.file.products ?? [];
  const product =
    products.find((each) => each.id === place.get('product')) ??
    products.find((each) => (each.onHandLb ?? 0) > 0 && (each.guaranteed.N ?? 0) > 0) ??
    products[0];
  const match = useMatchWork(work, product);
  if (!match || !product)
    return (
      <div className="empty">
        <p>
          {match ? 'There is no bag on the shelf to check.' : 'Nothing to check yet: measure a zone in Ground first.'}
        </p>
      </div>
    );
  const { context, need, trip } = match;
  const { zone } = context;
  const out = amountOf(units, product);
  const rate = out.readRate(typedRate, 'The rate', 'rate');
  const rateFault = isRefusal(rate)
    ? rate.refused
    : rate !== undefined && (rate <= 0 || rate > 500)
      ? `The rate must be above 0 and at most ${out.rate(500)}.`
      : undefined;
  const check = checkBag(product, need, context, isRefusal(rate) || rateFault ? undefined : rate);
  const first = asked(need).find((each) => each === 'N' || each === 'K2O' || each === 'P2O5');
  const choose = (id: string) => {
    setTypedRate('');
    setPlace(
      (before) => {
        before.set('product', id);
        return before;
      },
      { replace: true },
    );
  };
  return (
    <div className="body bag">
      <div>
        <div className="pagehead">
          <h1>Bag check</h1>
          <span className="small">
            on {zone.name}, {units.say('area', zone.areaSqFt)}
            {trip.date && `, for ${sayDay(trip.date)}`}
          </span>
          <span className="sp" />
          <Select
            aria-label="Bag"
            value={product.id}
            onChange={choose}
            options={products
              .map((each) => ({ value: each.id, label: `${each.name}${hasGrade(each) ? ` ${gradeOf(each)}` : ''}` }))
              .sort((a, b) => a.label.localeCompare(b.label))}
            popupMatchSelectWidth={false}
            virtual={false}
            showSearch={{ optionFilterProp: 'label' }}
          />
          <Link to={{ pathname: '../prescribe/match', hash: location.hash }} relative="route">
            <Button tabIndex={-1}>Back to Match</Button>
          </Link>
        </div>
        <p className={`lead ${check.standing}`} role="status">
          <StandingGlyph standing={check.standing} />
          <span>
            <Said text={check.says} />
          </span>
        </p>
        <div className="bagwork">
          <BagDrawing product={product} check={check} packageLb={packageLb(product)} />
          <div>
            <p className="small rulerhead">
              <span>
                <b>upper</b> label
                {product.coverageSqFt !== undefined && packageLb(product) !== undefined && !typedRate
                  ? `: ${packageWords(product, units)} covers ${units.printed('area', product.coverageSqFt, product.typed?.coverageSqFt)}`
                  : typedRate
                    ? ': the rate as typed'
                    : ': it states no coverage'}
              </span>
              <span>
                <b className="ours">lower</b> prescribed
                {check.setBy && (
                  <>
                    , rate set by <Said text={check.setBy} />
                  </>
                )}
              </span>
            </p>
            <NutrientRulers lines={check.lines} />
          </div>
        </div>
        {(check.label || check.prescribed) && <BagTable check={check} product={product} />}
        {product.pesticide && (
          <p className="note also">
            Its label is the law, with its own rate and license; nothing here changes that rate.
          </p>
        )}
      </div>
      <aside className="margin">
        <Weighed
          key={product.id + zone.id}
          product={product}
          zone={zone}
          asks={first && GRADE_NUTRIENTS.includes(first) ? { nutrient: first, lb: need[first] ?? 0 } : undefined}
        />
        <h3>The label’s rate</h3>
        <TextField
          label={out.isLiquid ? 'From the label' : 'From the back of the bag'}
          unit={out.rateUnit}
          inputMode="decimal"
          value={typedRate}
          fault={rateFault}
          onChange={setTypedRate}
        />
        <AlsoBrings product={product} check={check} context={context} />
      </aside>
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Bag check" />;
}
