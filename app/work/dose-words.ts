import type { Dose } from '@core/season/plan/dose';

/** lb per 1000 of what a dose is for: lb N, lb P2O5, lb K2O, lb lime or lb free S. */
export const amountFor = (dose: Dose): number =>
  dose.for === 'lime'
    ? dose.rateLb
    : dose.for === 'sulfur'
      ? (dose.delivers['S-free'] ?? 0)
      : (dose.delivers[dose.for] ?? 0);
