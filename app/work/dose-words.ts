import { FOLIAR_FEEDS, isFoliarPurpose } from '@core/foliar/foliar-feeds';
import type { Dose } from '@core/season/plan/dose';
import { OZ_PER_LB } from '@core/units/conversions';
import type { QuantityId, Units } from '../ui/format';

/** Iron that comes along in less than this is not worth a word, oz/1000 ft2. */
const LEAST_SHOWN_OZ = 0.1;
/** A nutrient under this shows as nothing, lb/1000 ft2. */
const LEAST_SHOWN_LB = 0.004;

/** What a dose is for, per 1000: lb N, lb P2O5, lb K2O, lb free S, lb of the lime or gypsum itself, oz of iron or manganese. */
export const amountFor = (dose: Dose): number =>
  dose.for === 'lime' || dose.for === 'gypsum'
    ? dose.rateLb
    : dose.for === 'sulfur'
      ? (dose.delivers['S-free'] ?? 0)
      : isFoliarPurpose(dose.for)
        ? (dose.delivers[FOLIAR_FEEDS[dose.for].element] ?? 0) * OZ_PER_LB
        : (dose.delivers[dose.for] ?? 0);

/** The quantity that `amountFor` is. */
const quantityOf = ({ for: purpose }: Pick<Dose, 'for'>): QuantityId =>
  isFoliarPurpose(purpose)
    ? 'trace-rate'
    : purpose === 'lime' || purpose === 'gypsum'
      ? 'material-rate'
      : 'nutrient-rate';

/** What `amountFor` counts, as it is named: N, lime, S, Fe. */
const substanceOf = ({ for: purpose }: Pick<Dose, 'for'>): string =>
  isFoliarPurpose(purpose) ? FOLIAR_FEEDS[purpose].element : purpose === 'sulfur' ? 'S' : purpose;

/** The amount as it is read: lime and gypsum as the scale shows them. '0.75', '25.0'. */
export const showAmount = (dose: Dose, units: Units): string => units.show(quantityOf(dose), amountFor(dose));

/** What it counts in, the area understood: 'lb N', 'lb lime', 'oz Fe'. */
export const unitFor = (dose: Pick<Dose, 'for'>, units: Units): string =>
  units.short(quantityOf(dose), substanceOf(dose));

/** The same with the area: 'lb N per 1000 sq ft'. */
export const fullUnitFor = (dose: Pick<Dose, 'for'>, units: Units): string =>
  units.unit(quantityOf(dose), substanceOf(dose));

/** What a rate brings beside each other, the area understood: '0.75 lb N, 0.10 lb K2O'; iron and manganese in ounces. */
export const bringsInWords = (delivers: Readonly<Record<string, number>>, units: Units): string =>
  [
    ...(['N', 'P2O5', 'K2O', 'S-free', 'Mg', 'Ca'] as const)
      .filter((nutrient) => (delivers[nutrient] ?? 0) > LEAST_SHOWN_LB)
      .map(
        (nutrient) =>
          `${units.rate(delivers[nutrient] ?? 0)} ${units.short('nutrient-rate', nutrient === 'S-free' ? 'free S' : nutrient)}`,
      ),
    ...(['Fe', 'Mn'] as const)
      .filter((element) => (delivers[element] ?? 0) * OZ_PER_LB > LEAST_SHOWN_OZ)
      .map(
        (element) =>
          `${units.show('trace-rate', (delivers[element] ?? 0) * OZ_PER_LB)} ${units.short('trace-rate', element)}`,
      ),
  ].join(', ');
