import type { OwnFigure, OwnLine } from '@core/records/case';
import type { QuantityId, Units } from '../ui/format';

/** What the figure of an override is; pH and counts of sprays are no quantity. */
const QUANTITY_OF: Record<OwnLine, QuantityId | undefined> = {
  lime: 'material-rate',
  'free-sulfur': 'material-rate',
  gypsum: 'material-rate',
  nitrogen: 'nutrient-rate',
  'nitrogen-dose': 'nutrient-rate',
  phosphorus: 'nutrient-rate',
  potassium: 'nutrient-rate',
  magnesium: 'nutrient-rate',
  sulfur: 'nutrient-rate',
  'treated-depth': 'depth',
  'root-zone': 'depth',
  'aim-ph': undefined,
  'iron-sprays': undefined,
  'manganese-sprays': undefined,
};

/** What the figure of an override measures. */
export const quantityOfOwn = (line: OwnLine): QuantityId | undefined => QUANTITY_OF[line];

/** The figure of an override in the units that are shown. */
export const ownWords = ({ line, value }: Pick<OwnFigure, 'line' | 'value'>, units: Units): string => {
  const quantity = QUANTITY_OF[line];
  return quantity === undefined ? units.plain(value) : units.show(quantity, value);
};
