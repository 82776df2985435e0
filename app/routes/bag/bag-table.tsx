import type { BagCheck, BagRate } from '@core/products/bag/bag-check';
import { showMoney } from '@core/words/numbers';
import { useUnits } from '../../ui/format';
import { Fig } from '../../ui/fig';
import type { Product } from '@core/records/case';
import { amountOf, type AmountOut } from '../../work/amount-out';
import { Substances } from '../../ui/substance';

const percent = (value: number | undefined): string => (value === undefined ? '–' : `${Math.round(value)}`);

function RateRow({
  name,
  bag,
  of,
  check,
  out,
  className,
}: {
  name: string;
  bag: BagRate | undefined;
  of?: BagRate;
  check: BagCheck;
  out: AmountOut;
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
        <Fig figure={bag.rate} show={out.showRate} />
      </td>
      <td>
        <Fig figure={bag.weighOut} show={out.show} />
      </td>
      <td>{percent(bag.ofBagPercent)}</td>
      <td>{bag.leftLb === undefined ? '–' : out.show(bag.leftLb)}</td>
      <td>{of ? percent((bag.rate.value / of.rate.value) * 100) : '–'}</td>
      <td>{percent(share('N'))}</td>
      <td>{percent(share('K2O'))}</td>
      <td>{bag.cost ? <Fig figure={bag.cost} show={showMoney} /> : '–'}</td>
    </tr>
  );
}

/** The bag at the label's rate and as prescribed: what each weighs, leaves, brings and is worth. */
export function BagTable({ check, product }: { check: BagCheck; product: Product }) {
  const units = useUnits();
  const out = amountOf(units, product);
  return (
    <div className="scrollable">
      <table className="bagtable">
        <thead>
          <tr>
            <td />
            <th scope="col">
              {units.areaOf('product-rate') === '1000' ? 'per 1000' : 'rate'}
              <span>{out.rateShort}</span>
            </th>
            <th scope="col">
              on this lawn
              <span>{out.unit}</span>
            </th>
            <th scope="col">
              of a {out.isLiquid ? 'bottle' : 'bag'}
              <span>%</span>
            </th>
            <th scope="col">
              left in it
              <span>{out.unit}</span>
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
          <RateRow name="Label rate" bag={check.label} of={check.label} check={check} out={out} />
          <RateRow name="Prescribed" bag={check.prescribed} of={check.label} check={check} out={out} className="ours" />
        </tbody>
      </table>
    </div>
  );
}
