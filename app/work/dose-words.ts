import { FOLIAR_FEEDS, isFoliarPurpose } from '@core/foliar/foliar-feeds';
import type { Dose } from '@core/season/plan/dose';
import { OZ_PER_LB } from '@core/units/conversions';
import { showRate, showWeight } from '@core/words/numbers';

/** Iron that comes along in less than this is not worth a word, oz/1000 ft2. */
const LEAST_SHOWN_OZ = 0.1;

/** What a dose is for, per 1000: lb N, lb P2O5, lb K2O, lb free S, lb of the lime or gypsum itself, oz of iron or manganese. */
export const amountFor = (dose: Dose): number =>
  dose.for === 'lime' || dose.for === 'gypsum'
    ? dose.rateLb
    : dose.for === 'sulfur'
      ? (dose.delivers['S-free'] ?? 0)
      : isFoliarPurpose(dose.for)
        ? (dose.delivers[FOLIAR_FEEDS[dose.for].element] ?? 0) * OZ_PER_LB
        : (dose.delivers[dose.for] ?? 0);

/** What `amountFor` counts in: 'lb N', 'lb lime', 'oz Fe'. */
export const unitFor = ({ for: purpose }: Pick<Dose, 'for'>): string =>
  isFoliarPurpose(purpose) ? `oz ${FOLIAR_FEEDS[purpose].element}` : `lb ${purpose === 'sulfur' ? 'S' : purpose}`;

/** The amount as it is read: lime and gypsum as the scale shows them. '0.75', '25'. */
export const showAmount = (dose: Dose): string =>
  dose.for === 'lime' || dose.for === 'gypsum' ? showWeight(amountFor(dose)) : showRate(amountFor(dose));

/** What a rate brings beside each other, per 1000: '0.75 lb N, 0.10 lb K2O'; iron and manganese in ounces. */
export const bringsInWords = (delivers: Readonly<Record<string, number>>): string =>
  [
    ...(['N', 'P2O5', 'K2O', 'S-free', 'Mg', 'Ca'] as const)
      .filter((nutrient) => (delivers[nutrient] ?? 0) > 0.004)
      .map((nutrient) => `${showRate(delivers[nutrient] ?? 0)} lb ${nutrient === 'S-free' ? 'free S' : nutrient}`),
    ...(['Fe', 'Mn'] as const)
      .filter((element) => (delivers[element] ?? 0) * OZ_PER_LB > LEAST_SHOWN_OZ)
      .map((element) => `${showRate((delivers[element] ?? 0) * OZ_PER_LB)} oz ${element}`),
  ].join(', ');
