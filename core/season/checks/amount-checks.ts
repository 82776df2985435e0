import { codeYearCap } from '../rules/local-codes';
import { yearToleranceLb, potashOverLb } from '../rules/limits';
import { two } from '../../words/numbers';
import { type Check, EPS, type Facts, judge, sum } from './check';

/** Year's amounts: nitrogen, phosphate, potash, magnesium, sulfur, and the code's cap. */
export function amountChecks({ zoneSeason, doses, codes }: Facts): Check[] {
  const { prescription, unplaced } = zoneSeason;
  const checks: Check[] = unplaced.map((missing) => ({
    id: `unplaced-${missing.for}`,
    standing: 'warn',
    title: `Not all ${missing.for === 'sulfur' ? 'S' : missing.for} placed`,
    found: '',
    says: missing.says,
  }));
  const yearN = sum(doses, 'N');
  const wantN = prescription.nitrogen.year.value;
  checks.push(
    judge(
      'nitrogen-year',
      'Nitrogen, year',
      `${two(yearN)} of ${two(wantN)} lb N`,
      Math.abs(yearN - wantN) <= yearToleranceLb(wantN) + EPS
        ? undefined
        : {
            standing: 'warn',
            says: `The doses bring ${two(yearN)} lb N per 1000, the prescription asks for ${two(wantN)}.`,
          },
    ),
  );
  const cap = codeYearCap(codes);
  if (cap !== undefined)
    checks.push(
      judge(
        'code-year',
        'Code, N of the year',
        `${two(yearN)} of ${two(cap)} lb N`,
        yearN <= cap + EPS
          ? undefined
          : { standing: 'fail', says: `The year's ${two(yearN)} lb N per 1000 pass the code's ${two(cap)}.` },
      ),
    );

  const phosphate = sum(doses, 'P2O5');
  const wantP = prescription.phosphorus.yearLb;
  const off = yearToleranceLb(wantP) + EPS;
  checks.push(
    judge(
      'phosphorus',
      'Phosphorus',
      phosphate > EPS || wantP > 0 ? `${two(phosphate)} of ${two(wantP)} lb P2O5` : 'none planned',
      wantP === 0 && phosphate > EPS
        ? {
            standing: 'fail',
            says: 'The test asks for no P2O5, and a product brings some.',
            doses: doses.filter((d) => (d.delivers.P2O5 ?? 0) > 0),
          }
        : phosphate > wantP + off
          ? {
              standing: 'warn',
              says: `The doses bring ${two(phosphate)} lb P2O5 per 1000, the test asks for ${two(wantP)}.`,
            }
          : phosphate < wantP - off
            ? {
                standing: 'warn',
                says: `The doses bring ${two(phosphate)} lb P2O5 per 1000 of the ${two(wantP)} that the test asks for.`,
              }
            : undefined,
    ),
  );

  const potash = sum(doses, 'K2O');
  // a school may ask for potash that the test does not
  const bySchool = (zoneSeason.schools?.amounts ?? []).reduce(
    (all, a) => all + (a.nutrient === 'K2O' ? (a.leastLb ?? 0) : 0),
    0,
  );
  const wantK = Math.max(prescription.potassium.yearLb, bySchool);
  const short = potash < wantK - yearToleranceLb(wantK) - EPS;
  const over = potash > wantK + potashOverLb(wantK) + yearToleranceLb(wantK) + EPS;
  if (wantK > 0 || potash > EPS)
    checks.push(
      judge(
        'potassium-year',
        'Potash, year',
        `${two(potash)} of ${two(wantK)} lb K2O`,
        short || over
          ? {
              standing: 'warn',
              says: `The doses bring ${two(potash)} lb K2O per 1000, ${two(wantK)} are asked for.`,
            }
          : undefined,
      ),
    );

  for (const [nutrient, carried, need] of [
    ['Mg', 'Mg', prescription.magnesium.yearLb],
    ['S', 'S-combined', prescription.sulfur.yearLb],
  ] as const) {
    if (need === 0) continue;
    const brought = sum(doses, carried);
    const how =
      nutrient === 'S'
        ? 'combined sulfur, such as ammonium sulfate or sulfate of potash'
        : 'magnesium, such as dolomitic lime where lime is due';
    checks.push(
      judge(
        `${nutrient}-year`,
        nutrient === 'S' ? 'Combined S, year' : 'Mg, year',
        `${two(brought)} of ${two(need)} lb ${nutrient}`,
        brought >= need - yearToleranceLb(need) - EPS
          ? undefined
          : {
              standing: 'warn',
              says: `The doses bring ${two(brought)} lb ${nutrient} per 1000 of ${two(need)} asked for: choose a product that carries ${how}.`,
            },
      ),
    );
  }
  return checks;
}
