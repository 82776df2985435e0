import { FOLIAR_FEEDS, isFoliarPurpose } from '@core/foliar/foliar-feeds';
import type { Dose } from '@core/season/plan/dose';
import { OZ_PER_LB } from '@core/units/conversions';
import { showRate, showWeight } from '@core/words/numbers';

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
