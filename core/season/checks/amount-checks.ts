import { TOO_SMALL_LB } from '../../prescription/prescribe-nutrient';
import { askedOfYear, potashOfSchool } from '../plan/asked-of-year';
import { two } from '../../words/numbers';
import { potashOverLb, yearToleranceLb } from '../rules/limits';
import { codeYearCap } from '../rules/local-codes';
import { check, EPS, type Facts, sum } from './check';

/** What the year brings against what is asked: nitrogen, phosphate, potash, magnesium, sulfur, and the code's cap. */

const unplaced = check({
  id: 'unplaced',
  kind: 'amount',
  title: (m) => `Not all ${m.of === 'sulfur' ? 'S' : m.of} placed`,
  rule: 'What is prescribed finds a day and a product.',
  measure: ({ zoneSeason }: Facts) =>
    zoneSeason.unplaced.map((missing) => ({ of: missing.for, found: '', words: missing.says })),
  standing: () => 'warn',
  says: (m) => m.words,
});

const nitrogenYear = check({
  id: 'nitrogen-year',
  kind: 'amount',
  title: 'Nitrogen, year',
  rule: 'The doses bring the nitrogen prescribed for the year, within the tolerance of a year.',
  yearOf: 'N',
  measure: ({ zoneSeason, doses }: Facts) => {
    const brought = sum(doses, 'N');
    const want = zoneSeason.prescription.nitrogen.year.value;
    return { found: `${two(brought)} of ${two(want)} lb N`, brought, want };
  },
  standing: ({ brought, want }) => (Math.abs(brought - want) <= yearToleranceLb(want) + EPS ? 'pass' : 'warn'),
  says: ({ brought, want }) =>
    `The doses bring ${two(brought)} lb N per 1000, the prescription asks for ${two(want)} lb N.`,
});

const codeYear = check({
  id: 'code-year',
  kind: 'amount',
  title: 'Code, N of the year',
  rule: 'The nitrogen of the year stays within what the local code allows.',
  measure: ({ doses, codes }: Facts) => {
    const cap = codeYearCap(codes);
    const brought = sum(doses, 'N');
    return cap === undefined ? undefined : { found: `${two(brought)} of ${two(cap)} lb N`, brought, cap };
  },
  standing: ({ brought, cap }) => (brought <= cap + EPS ? 'pass' : 'fail'),
  says: ({ brought, cap }) => `The year's ${two(brought)} lb N per 1000 pass the code's ${two(cap)} lb N.`,
});

const phosphorus = check({
  id: 'phosphorus',
  kind: 'amount',
  title: 'Phosphorus',
  rule: 'Phosphate comes where the test asks for it, as much as it asks, and nowhere else.',
  yearOf: 'P2O5',
  measure: ({ zoneSeason, doses }: Facts) => {
    const brought = sum(doses, 'P2O5');
    const want = zoneSeason.prescription.phosphorus.yearLb;
    return {
      found: brought > EPS || want > 0 ? `${two(brought)} of ${two(want)} lb P2O5` : 'none planned',
      brought,
      want,
      doses: want === 0 ? doses.filter((d) => (d.delivers.P2O5 ?? 0) > 0) : [],
    };
  },
  standing: ({ brought, want }) =>
    want === 0 && brought > EPS ? 'fail' : Math.abs(brought - want) > yearToleranceLb(want) + EPS ? 'warn' : 'pass',
  says: ({ brought, want }) =>
    want === 0
      ? 'The test asks for no P2O5, and a product brings some.'
      : brought > want
        ? `The doses bring ${two(brought)} lb P2O5 per 1000, the test asks for ${two(want)} lb P2O5.`
        : `The doses bring ${two(brought)} lb P2O5 per 1000 of the ${two(want)} lb P2O5 that the test asks for.`,
});

const potash = check({
  id: 'potassium-year',
  kind: 'amount',
  title: 'Potash, year',
  rule: 'The doses bring the potash that the test or the chosen school asks for; a little over does no harm, and a school on a high test is said (D2).',
  yearOf: 'K2O',
  measure: ({ zoneSeason, doses }: Facts) => {
    const brought = sum(doses, 'K2O');
    const bySchool = potashOfSchool(zoneSeason);
    const want = askedOfYear(zoneSeason).K2O;
    // a school may ask, and a high test is still said (D2)
    const high = zoneSeason.prescription.potassium.level === 'high' && bySchool > 0 && brought > TOO_SMALL_LB.K;
    return want > 0 || brought > EPS
      ? { found: `${two(brought)} of ${two(want)} lb K2O`, brought, want, high }
      : undefined;
  },
  standing: ({ brought, want, high }) =>
    high ||
    brought < want - yearToleranceLb(want) - EPS ||
    brought > want + potashOverLb(want) + yearToleranceLb(want) + EPS
      ? 'warn'
      : 'pass',
  says: ({ brought, want, high }) =>
    high
      ? `Potassium tests high, and the chosen school puts ${two(brought)} lb K2O per 1000 on it: nothing in the soil asks for it.`
      : `The doses bring ${two(brought)} lb K2O per 1000, ${two(want)} lb K2O are asked for.`,
});

/** Magnesium and combined sulfur: only too little is a fault. */
const broughtAlong = (nutrient: 'Mg' | 'S', carried: string, title: string, carriers: string) =>
  check({
    id: `${nutrient}-year`,
    kind: 'amount',
    title,
    rule: `${nutrient} that the test asks for comes along with other doses.`,
    measure: ({ zoneSeason, doses }: Facts) => {
      const want = askedOfYear(zoneSeason)[nutrient];
      const brought = sum(doses, carried);
      return want === 0 ? undefined : { found: `${two(brought)} of ${two(want)} lb ${nutrient}`, brought, want };
    },
    standing: ({ brought, want }) => (brought >= want - yearToleranceLb(want) - EPS ? 'pass' : 'warn'),
    says: ({ brought, want }) =>
      `The doses bring ${two(brought)} lb ${nutrient} per 1000 of ${two(want)} lb ${nutrient} asked for: choose a product that carries ${carriers}.`,
  });

export const AMOUNT_CHECKS = [
  unplaced,
  nitrogenYear,
  codeYear,
  phosphorus,
  potash,
  broughtAlong('Mg', 'Mg', 'Mg, year', 'magnesium, such as dolomitic lime where lime is due'),
  broughtAlong('S', 'S-combined', 'Combined S, year', 'combined sulfur, such as ammonium sulfate or sulfate of potash'),
];
