import './bag.css';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import { typedNumber } from '@core/typed/typed-number';
import { type BagCheck, type BagRate, checkBag, GRADE_NUTRIENTS } from '@core/products/bag/bag-check';
import { deliversFigure } from '@core/products/match/match-figures';
import { asked } from '@core/products/match/need';
import { hasGrade, gradeOf } from '@core/products/label/face';
import { packageLb } from '@core/products/package-lb';
import { isRefusal } from '@core/reckoning/refusal';
import { TextField } from '../../ui/field';
import { Fig } from '../../ui/fig';
import { showArea, showMoney, showProductRate, showRate, showWeight } from '@core/words/numbers';
import { sayDay } from '@core/words/days';
import { StandingGlyph } from '../../ui/glyphs';
import { SulfurSign } from '../../ui/marks';
import { Substances } from '../../ui/substance';
import { useMatchWork } from '../../work/match-work';
import { usePropertyWork } from '../../work/property-work';
import { BagDrawing } from './bag-drawing';
import { NutrientRulers } from './nutrient-rulers';
import { Weighed } from './weighed';
import type { Route } from './+types/bag';
import { StageFault } from '../../work/stage-fault';

const percent = (value: number | undefined): string => (value === undefined ? '–' : `${Math.round(value)}`);

function RateRow({
  name,
  bag,
  of,
  check,
  className,
}: {
  name: string;
  bag: BagRate | undefined;
  of?: BagRate;
  check: BagCheck;
  className?: string;
}) {
  if (!bag) return null;
  const share = (nutrient: 'N' | 'K2O') => {
    const line = check.lines.find((each) => each.nutrient === nutrient);
    const brought = bag === check.label ? line?.label?.value : line?.prescribed?.value;
    return line && line.askedLb > 0 ? ((brought ?? 0) / line.askedLb) * 100 : undefined;
  };
  return (
    <tr className={className}>
      <th scope="row">{name}</th>
      <td>
        <Fig figure={bag.rate} show={showProductRate} />
      </td>
      <td>
        <Fig figure={bag.weighOut} show={showWeight} />
      </td>
      <td>{percent(bag.ofBagPercent)}</td>
      <td>{bag.leftLb === undefined ? '–' : showWeight(bag.leftLb)}</td>
      <td>{of ? percent((bag.rate.value / of.rate.value) * 100) : '–'}</td>
      <td>{percent(share('N'))}</td>
      <td>{percent(share('K2O'))}</td>
      <td>{bag.cost ? <Fig figure={bag.cost} show={showMoney} /> : '–'}</td>
    </tr>
  );
}

/** Any bag on this lawn: the verdict first, then what it rests on. */
export default function Bag() {
  const work = usePropertyWork();
  const [search, setSearch] = useSearchParams();
  const location = useLocation();
  const [typedRate, setTypedRate] = useState('');
  const products = work.file.products ?? [];
  const product =
    products.find((each) => each.id === search.get('product')) ??
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
  const rate = typedNumber(typedRate, 'The rate', 'rate');
  const rateFault = isRefusal(rate)
    ? rate.refused
    : rate !== undefined && (rate <= 0 || rate > 500)
      ? 'The rate must be above 0 and at most 500 lb product per 1000 sq ft.'
      : undefined;
  const check = checkBag(product, need, context, isRefusal(rate) || rateFault ? undefined : rate);
  const first = asked(need).find((each) => each === 'N' || each === 'K2O' || each === 'P2O5');
  const shown = check.prescribed ?? check.label;
  const sulfur = shown && deliversFigure(product, shown.rate, 'S-combined');
  const chloride = shown && deliversFigure(product, shown.rate, 'Cl');
  const choose = (id: string) => {
    setTypedRate('');
    setSearch(
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
            on {zone.name}, {showArea(zone.areaSqFt)} sq ft{trip.date && `, for ${sayDay(trip.date)}`}
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
          <Link to={{ pathname: '../prescribe/match', search: location.search }} relative="route">
            <Button tabIndex={-1}>Back to Match</Button>
          </Link>
        </div>
        <p className={`lead ${check.standing}`} role="status">
          <StandingGlyph standing={check.standing} />
          <span>
            <Substances text={check.says} />
          </span>
        </p>
        <div className="bagwork">
          <BagDrawing product={product} check={check} packageLb={packageLb(product)} />
          <div>
            <p className="small rulerhead">
              <span>
                <b>upper</b> label
                {product.coverageSqFt !== undefined && packageLb(product) !== undefined && !typedRate
                  ? `: ${showWeight(packageLb(product) ?? 0)} lb product covers ${showArea(product.coverageSqFt)} sq ft`
                  : typedRate
                    ? ': the rate as typed'
                    : ': it states no coverage'}
              </span>
              <span>
                <b className="ours">lower</b> prescribed
                {check.setBy && (
                  <>
                    , rate set by <Substances text={check.setBy} />
                  </>
                )}
              </span>
            </p>
            <NutrientRulers lines={check.lines} />
          </div>
        </div>
        {(check.label || check.prescribed) && (
          <div className="scrollable">
            <table className="bagtable">
              <thead>
                <tr>
                  <td />
                  <th scope="col">
                    per 1000
                    <span>lb product</span>
                  </th>
                  <th scope="col">
                    on this lawn
                    <span>lb product</span>
                  </th>
                  <th scope="col">
                    of a bag
                    <span>%</span>
                  </th>
                  <th scope="col">
                    left in it
                    <span>lb product</span>
                  </th>
                  <th scope="col">
                    of the label rate
                    <span>%</span>
                  </th>
                  <th scope="col">
                    of the N asked
                    <span>%</span>
                  </th>
                  <th scope="col">
                    <Substances text="of the K2O asked" />
                    <span>%</span>
                  </th>
                  <th scope="col">
                    worth
                    <span>$</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                <RateRow name="Label rate" bag={check.label} of={check.label} check={check} />
                <RateRow name="Prescribed" bag={check.prescribed} of={check.label} check={check} className="ours" />
              </tbody>
            </table>
          </div>
        )}
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
          label="From the back of the bag"
          unit="lb product / 1000"
          inputMode="decimal"
          value={typedRate}
          fault={rateFault}
          onChange={setTypedRate}
        />
        {shown && (
          <>
            <h3>It also brings, {check.prescribed ? 'as prescribed' : 'at the label rate'}</h3>
            <ul className="alsobrings">
              {sulfur && (
                <li>
                  <SulfurSign kind="combined" />
                  <span>
                    <Fig figure={sulfur} show={showRate} /> lb S combined
                  </span>
                  <span className="small">asked {showRate(context.prescription.sulfur.yearLb)} a year</span>
                </li>
              )}
              {chloride && (
                <li>
                  <span />
                  <span>
                    <Fig figure={chloride} show={showRate} /> lb Cl
                  </span>
                  <span className="small">
                    {context.grass.lowChloride ? 'this grass minds it' : 'this grass bears it'}
                  </span>
                </li>
              )}
              {!sulfur && !chloride && <li className="small">Nothing else on the label.</li>}
            </ul>
          </>
        )}
      </aside>
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Bag check" />;
}
