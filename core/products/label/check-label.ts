import { PURE_CCE } from '../../lime/ecce';
import type { Product } from '../../records/case';
import { NITROGEN_FORMS } from '../../records/vocabularies';
import {
  K2O as K2O_DOSE,
  phosphateDoseCeiling,
  SLOW_ENOUGH,
  SOLUBLE_N,
  TOTAL_N,
} from '../../season/rules/dose-ceilings';
import { SULFUR_LIMITS } from '../../sulfur/doses';
import { slowShare } from '../../nitrogen/forms';
import { packageLb } from '../package-lb';
import { trimmed } from '../../words/numbers';

/** Something about a label that stops it, or that a person should look at again. */
export interface LabelRemark {
  id: string;
  /** `stop`: cannot be used like this. `ask`: may be true, is usually a slip. */
  standing: 'stop' | 'ask';
  says: string;
}

/** Forms agree with the grade within this, percent: labels print one decimal or two. */
const FORMS_AGREE_WITHIN = 0.05;
/** Urea holds 46.6 % N and no dry bag holds more. Stoichiometry, IUPAC masses. */
const MOST_N_DRY = 46.7;
/** Labels round and laboratories differ by about this, percent CCE. Decision. */
const CCE_SLACK = 1.5;
/** Chloride beside the potash of pure potassium chloride, Cl per K2O: 47.55 over 63.18. Stoichiometry. */
const CL_PER_K2O = 0.7526;
/** Most in one dose on established turf, lb/1000 ft2: a label is judged before anybody knows the lawn. */
const DOSE = {
  solubleN: SOLUBLE_N.usual,
  N: TOTAL_N.usual,
  slowN: TOTAL_N.mostlySlow,
  P2O5: phosphateDoseCeiling([]),
  K2O: K2O_DOSE.usual,
  freeS: SULFUR_LIMITS.established.doseLb,
} as const;

/** What the forms leave of the grade's nitrogen, percent: above 0 they are short, below 0 they are over. 32 with 14 and 16: 2. */
export function formsShortBy(product: Product): number {
  if (!product.nitrogen) return 0;
  const sum = NITROGEN_FORMS.reduce((total, form) => total + (product.nitrogen?.[form] ?? 0), 0);
  const short = (product.guaranteed.N ?? 0) - sum;
  return Math.abs(short) <= FORMS_AGREE_WITHIN ? 0 : short;
}

/** lb product/1000 ft2 that the stated coverage implies; undefined where the bag states none. 50 lb over 12,500 ft2 is 4. */
export function labelRateLb(product: Product): number | undefined {
  const lb = packageLb(product);
  return product.coverageSqFt && lb !== undefined ? (lb / product.coverageSqFt) * 1000 : undefined;
}

function coverageRemarks(product: Product): LabelRemark[] {
  const rate = labelRateLb(product);
  if (rate === undefined) return [];
  const { N = 0, P2O5 = 0, K2O = 0, 'S-free': freeS = 0 } = product.guaranteed;
  const slow = slowShare(product);
  const brings = (percent: number) => (rate * percent) / 100;
  const remarks: LabelRemark[] = [];
  const over = (id: string, says: string) => remarks.push({ id, standing: 'ask', says });
  const soluble = brings(N) * (1 - slow);
  const at = `The stated coverage is ${trimmed(rate, 2)} lb product per 1000 sq ft and brings`;
  if (soluble > DOSE.solubleN + 1e-9)
    over(
      'coverage-soluble-n',
      `${at} ${trimmed(soluble, 2)} lb soluble N, over the ${DOSE.solubleN} lb N of one dose: spread less, or split it.`,
    );
  else if (brings(N) > (slow >= SLOW_ENOUGH ? DOSE.slowN : DOSE.N) + 1e-9)
    over(
      'coverage-n',
      `${at} ${trimmed(brings(N), 2)} lb N. Over ${DOSE.N} lb N only where half of it is slow; here ${Math.round(slow * 100)} % is.`,
    );
  if (brings(P2O5) > DOSE.P2O5 + 1e-9)
    over('coverage-p', `${at} ${trimmed(brings(P2O5), 2)} lb P2O5, over the ${DOSE.P2O5} lb P2O5 of one dose.`);
  if (brings(K2O) > DOSE.K2O + 1e-9)
    over('coverage-k', `${at} ${trimmed(brings(K2O), 2)} lb K2O, over the ${DOSE.K2O} lb K2O of one dose.`);
  if (brings(freeS) > DOSE.freeS + 1e-9)
    over('coverage-s', `${at} ${trimmed(brings(freeS), 2)} lb free S, over the ${DOSE.freeS} lb S of one dose.`);
  return remarks;
}

function potashRemarks({ name, guaranteed }: Product): LabelRemark[] {
  const { K2O = 0, Mg = 0, Cl = 0, N = 0 } = guaranteed;
  const remarks: LabelRemark[] = [];
  const called = name.toLowerCase();
  const sulfate = /sul(f|ph)ate of potash|potassium sul(f|ph)ate|\bsop\b/.test(called);
  const muriate = /muriate|potassium chloride|\bmop\b/.test(called);
  if (sulfate && !/magnes/.test(called) && (Mg >= 5 || (K2O > 0 && K2O <= 30 && N === 0)))
    remarks.push({
      id: 'potash-magnesia',
      standing: 'ask',
      says: `${trimmed(K2O, 2)} % K2O${Mg > 0 ? ` with ${trimmed(Mg, 2)} % Mg` : ''} is potash-magnesia, not sulfate of potash (50 % K2O, no Mg). Name it so, or the rate will be more than doubled by mistake.`,
    });
  if (sulfate && Cl > 5)
    remarks.push({
      id: 'chloride-in-sulfate',
      standing: 'ask',
      says: `${trimmed(Cl, 2)} % chloride is too much for a sulfate of potash (about 2 %): is part of it muriate?`,
    });
  if (muriate && K2O > 0 && Cl < 0.5 * CL_PER_K2O * K2O)
    remarks.push({
      id: 'muriate-without-chloride',
      standing: 'ask',
      says: `Muriate of ${trimmed(K2O, 2)} % K2O holds about ${Math.round(CL_PER_K2O * K2O)} % chloride; the label here says ${trimmed(Cl, 2)} %.`,
    });
  if (Cl > CL_PER_K2O * K2O + 2 && K2O > 0)
    remarks.push({
      id: 'chloride-high',
      standing: 'ask',
      says: `${trimmed(Cl, 2)} % chloride is more than all the potash as muriate could bring (${Math.round(CL_PER_K2O * K2O)} %). “At most” on the label is a limit, not a content.`,
    });
  return remarks;
}

function limeRemarks(product: Product): LabelRemark[] {
  const {
    limeKind,
    ccePercent,
    eccePercent,
    over8MeshPercent,
    mesh8to20Percent,
    mesh20to60Percent,
    under60MeshPercent,
  } = product;
  if (!limeKind) return [];
  const remarks: LabelRemark[] = [];
  if (ccePercent !== undefined && ccePercent > PURE_CCE[limeKind] + CCE_SLACK)
    remarks.push({
      id: 'cce-above-pure',
      standing: 'stop',
      says: `CCE ${trimmed(ccePercent, 2)} is more than pure ${limeKind} lime has (${trimmed(PURE_CCE[limeKind], 2)}). Check the kind and the number.`,
    });
  if (ccePercent !== undefined && eccePercent !== undefined && eccePercent > ccePercent + 0.05)
    remarks.push({
      id: 'ecce-above-cce',
      standing: 'stop',
      says: `ECCE ${trimmed(eccePercent, 2)} cannot be more than CCE ${trimmed(ccePercent, 2)}: fineness only takes away.`,
    });
  const sieves = [over8MeshPercent, mesh8to20Percent, mesh20to60Percent, under60MeshPercent].filter(
    (v) => v !== undefined,
  );
  const sum = sieves.reduce((a, b) => a + b, 0);
  if (sieves.length > 0 && Math.abs(sum - 100) > 0.5)
    remarks.push({
      id: 'sieves',
      standing: 'stop',
      says: `The sieve fractions add up to ${trimmed(sum, 2)} %, not 100 %. Labels often print what passes a sieve: take the differences.`,
    });
  if (ccePercent === undefined && eccePercent === undefined)
    remarks.push({
      id: 'no-cce',
      standing: 'ask',
      says: 'No CCE and no ECCE: it will be reckoned as a lime of ECCE 90.',
    });
  return remarks;
}

/**
 * Looks a label over for the usual slips. Stops: forms that do not add up, a grade over 100, lime that cannot be, a
 * liquid without density. Asks: potash-magnesia called sulfate of potash, coverage over a dose, chloride that does not fit.
 */
export function checkLabel(product: Product): LabelRemark[] {
  const { guaranteed } = product;
  const { N = 0, P2O5 = 0, K2O = 0 } = guaranteed;
  const remarks: LabelRemark[] = [];
  const add = (id: string, standing: LabelRemark['standing'], says: string) => remarks.push({ id, standing, says });
  if (N + P2O5 + K2O > 100)
    add('grade', 'stop', `N, P2O5 and K2O add up to ${trimmed(N + P2O5 + K2O, 2)} %, which no bag can hold.`);
  const short = formsShortBy(product);
  if (short > 0)
    add('forms', 'stop', `The nitrogen forms are short by ${trimmed(short, 2)} % N of ${trimmed(N, 2)} %.`);
  if (short < 0)
    add('forms', 'stop', `The nitrogen forms are ${trimmed(-short, 2)} % N over the ${trimmed(N, 2)} % of the grade.`);
  if (N > 0 && !product.nitrogen)
    add('no-forms', 'ask', 'The nitrogen forms are not given: all of it counts as soluble, the careful reading.');
  if (N > MOST_N_DRY && product.form !== 'liquid')
    add('n-high', 'stop', `${trimmed(N, 2)} % N is more than urea holds (46.6 %): no dry bag does.`);
  const sum =
    N +
    P2O5 +
    K2O +
    ['Ca', 'Mg', 'S-free', 'S-combined', 'Fe', 'Mn', 'Zn', 'Cu', 'B', 'Cl'].reduce(
      (total, key) => total + (guaranteed[key as keyof typeof guaranteed] ?? 0),
      0,
    );
  if (N + P2O5 + K2O <= 100 && sum > 130)
    add('sum', 'ask', `Everything guaranteed adds up to ${trimmed(sum, 2)} %: check each line.`);
  if (product.form === 'liquid' && product.lbPerGal === undefined)
    add('density', 'stop', 'A liquid needs its density, lb/gal: percent is by weight, and it is poured by volume.');
  if (
    product.releaseDays !== undefined &&
    product.releaseDays > 0 &&
    N > 0 &&
    product.nitrogen &&
    slowShare(product) === 0 &&
    product.releaseDays > 45
  )
    add(
      'release',
      'ask',
      `${trimmed(product.releaseDays, 2)} days of feeding without any slow nitrogen is more than soluble N gives (about 28).`,
    );
  remarks.push(...potashRemarks(product), ...limeRemarks(product), ...coverageRemarks(product));
  if (product.pesticide)
    add(
      'pesticide',
      'ask',
      'Holds a pesticide: its own label rate and license decide. It never enters a feeding plan, and its coverage is not ours to change.',
    );
  return remarks.sort((a, b) => Number(a.standing === 'ask') - Number(b.standing === 'ask'));
}
