import type { Product } from '@core/records/case';
import { faceOf } from '@core/products/label/face';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { useUnits } from '../../../ui/format';
import { Fig } from '../../../ui/fig';

import { sayWeekday } from '@core/words/days';
import { Said, Substances } from '../../../ui/substance';
import { amountOf } from '../../../work/amount-out';
import { bringsInWords } from '../../../work/dose-words';

/** The board's twin as a table: every dose of a zone with its rate, weigh-out and reason. */
export function DoseTable({ zoneSeason, products }: { zoneSeason: ZoneSeason; products: readonly Product[] }) {
  const units = useUnits();
  const { doses, zone } = zoneSeason;
  if (doses.length === 0) return null;
  return (
    <div
      className="pan"
      tabIndex={0}
      role="group"
      aria-label={`Doses of ${zone.name}, pans sideways where it is narrow`}
    >
      <table className="dosetable">
        <caption>What goes down on {zone.name}</caption>
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Product</th>
            <th scope="col" className="num">
              {units.heading('product-rate', 'product')}
            </th>
            <th scope="col" className="num">
              {units.unit('weight', 'product')}, zone
            </th>
            <th scope="col">Brings{units.setting.system === 'us' && ', per 1000'}</th>
            <th scope="col">Why then</th>
          </tr>
        </thead>
        <tbody>
          {doses.map((dose) => {
            const product = products.find((p) => p.id === dose.productId);
            const out = amountOf(units, product);
            return (
              <tr key={dose.date + dose.productId}>
                <td className="nowrap">{sayWeekday(dose.date)}</td>
                <td>
                  {product?.name} <span className="small nowrap">{product && faceOf(product)}</span>
                </td>
                <td className="num">
                  <Fig figure={dose.rate} show={out.showRate} /> {out.isLiquid && out.rateShort}
                </td>
                <td className="num">
                  <Fig figure={dose.weighOut} show={out.show} /> {out.isLiquid && out.unit}
                </td>
                <td>
                  <Substances text={bringsInWords(dose.delivers, units)} />
                </td>
                <td className="small">
                  <Said text={dose.why} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
