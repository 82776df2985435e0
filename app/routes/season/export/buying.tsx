import type { Product } from '@core/records/case';
import type { Dose } from '@core/season/plan/dose';
import { purchases } from '@core/products/purchases';
import { amountOut } from '../../../work/amount-out';
import { boughtWords, bulkWords, packageSize, packageWord } from '../../../work/bought-words';
import { showMoney } from '@core/words/numbers';
import { useUnits } from '../../../ui/format';

/** What to buy for the whole property: whole bags, stock first, what is left. */
export function Buying({ doses, products }: { doses: readonly Dose[]; products: readonly Product[] }) {
  const units = useUnits();
  const list = purchases(doses, products);
  const cost = list.reduce((sum, p) => sum + (p.cost ?? 0), 0);
  const unpriced = list.some((p) => p.cost === undefined);
  return (
    <section className="buy" aria-labelledby="buy">
      <h2 id="buy">To buy, all zones</h2>
      {list.length === 0 && <p className="note">Nothing to buy.</p>}
      <ul>
        {list.map((p) => (
          <li key={p.productId}>
            <span>{p.name}</span>
            <b className="nowrap">{boughtWords(p, units)}</b>
            <span className="num">{p.lb === 0 ? '' : p.cost === undefined ? 'no price' : showMoney(p.cost)}</span>
            <span className="small">
              {amountOut(units, p.lbPerGal).store(p.neededLb)} needed
              {p.onHandLb > 0 && `, ${amountOut(units, p.lbPerGal).store(p.onHandLb)} on hand`}
              {p.packageLb !== undefined && `, ${packageWord(p)}s of ${packageSize(p, units)}`},{' '}
              {amountOut(units, p.lbPerGal).store(p.leftLb)} left over
              {bulkWords(p, units)}
            </span>
          </li>
        ))}
      </ul>
      {list.length > 0 && (
        <p className="sum ledger-total">
          <span>{unpriced ? 'Priced part' : 'In all'}</span>
          <span>{showMoney(cost)}</span>
        </p>
      )}
    </section>
  );
}
