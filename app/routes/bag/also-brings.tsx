import type { Product } from '@core/records/case';
import type { BagCheck } from '@core/products/bag/bag-check';
import { deliversFigure } from '@core/products/match/match-figures';
import type { MatchContext } from '@core/products/match/need';
import { useUnits } from '../../ui/format';
import { Fig } from '../../ui/fig';
import { SulfurSign } from '../../ui/marks';

/** Sulfur and chloride that come along, and whether this lawn minds. */
export function AlsoBrings({ product, check, context }: { product: Product; check: BagCheck; context: MatchContext }) {
  const units = useUnits();
  const shown = check.prescribed ?? check.label;
  const sulfur = shown && deliversFigure(product, shown.rate, 'S-combined');
  const chloride = shown && deliversFigure(product, shown.rate, 'Cl');
  if (!shown) return null;
  return (
    <>
      <h3>It also brings, {check.prescribed ? 'as prescribed' : 'at the label rate'}</h3>
      <ul className="alsobrings">
        {sulfur && (
          <li>
            <SulfurSign kind="combined" />
            <span>
              <Fig figure={sulfur} show={units.rate} /> {units.short('nutrient-rate', 'S combined')}
            </span>
            <span className="small">asked {units.rate(context.prescription.sulfur.yearLb)} a year</span>
          </li>
        )}
        {chloride && (
          <li>
            <span />
            <span>
              <Fig figure={chloride} show={units.rate} /> {units.short('nutrient-rate', 'Cl')}
            </span>
            <span className="small">{context.grass.lowChloride ? 'this grass minds it' : 'this grass bears it'}</span>
          </li>
        )}
        {!sulfur && !chloride && <li className="small alone">Nothing else on the label.</li>}
      </ul>
    </>
  );
}
