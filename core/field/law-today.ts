import { codeReview } from '../codes/code-review';
import { addDays, type IsoDay } from '../days/day';
import { appliedOn } from '../log/applied';
import { slowShare } from '../nitrogen/forms';
import type { Case, LocalCode } from '../records/case';
import type { Operator } from '../records/operator-schema';
import { closedTo, codeSlowPercentOn, setbackFt } from '../season/rules/local-codes';
import { sayDate, sayDay } from '../words/days';
import { two, trimmed } from '../words/numbers';
import type { Job } from './jobs';

/** What the local codes ask of one job today, each with its figure of today: a cap beside what was given, the next closed day. */

export interface LawLine {
  title: string;
  /** In US units; rates per 1000 ft2. */
  found: string;
  standing: 'pass' | 'warn' | 'fail';
}

const EPS = 1e-9;
const DAYS_AHEAD = 366;

/** What of a nutrient went down on the job's zone since New Year, lb/1000 ft2. */
function givenThisYear({ zone }: Job, file: Case, nutrient: 'N' | 'P2O5', today: IsoDay): number {
  const percent = new Map((file.products ?? []).map((each) => [each.id, each.guaranteed[nutrient] ?? 0]));
  return (
    appliedOn(zone)
      .filter(({ date }) => date <= today && date.slice(0, 4) === today.slice(0, 4))
      .reduce((sum, { productId, zoneLb }) => sum + (zoneLb * (percent.get(productId) ?? 0)) / 100, 0) /
    (zone.areaSqFt / 1000)
  );
}

/** The first day after today that is closed to the job, or open to it; undefined where none is within a year. */
function nextDay(codes: readonly LocalCode[], { dose }: Job, today: IsoDay, isClosed: boolean): IsoDay | undefined {
  const days = Array.from({ length: DAYS_AHEAD }, (_, i) => addDays(today, i + 1));
  return days.find((day) => (closedTo(codes, dose.delivers, day) !== undefined) === isClosed);
}

const least = (
  codes: readonly LocalCode[],
  key: 'maxTotalNPerDose' | 'maxSolubleNPerDose' | 'maxNPerYear' | 'maxP2O5PerDose' | 'maxP2O5PerYear',
): number | undefined => {
  const all = codes.flatMap((code) => code[key] ?? []);
  return all.length === 0 ? undefined : Math.min(...all);
};

/**
 * The law of a job today; none where no code holds on the property. The strictest of several codes counts.
 *
 * @example lawToday(job, file, '2027-09-06', undefined)[1] // { title: 'N a dose', found: '0.75 lb N of at most 0.9 lb N', standing: 'pass' }
 */
export function lawToday(job: Job, file: Case, today: IsoDay, operator: Operator | undefined): LawLine[] {
  const codes = file.codes ?? [];
  if (codes.length === 0) return [];
  const { product, dose } = job;
  const lines: LawLine[] = [];
  const closed = closedTo(codes, dose.delivers, today);
  if (codes.some((code) => code.closed?.length)) {
    const next = nextDay(codes, job, today, !closed);
    lines.push({
      title: 'Closed dates',
      found: closed
        ? `closed to ${closed.nutrient} today${next ? `, open again from ${sayDay(next)}` : ''}`
        : next
          ? `open; closed from ${sayDay(next)}`
          : 'none close to this product',
      standing: closed ? 'fail' : 'pass',
    });
  }
  const cap = (title: string, value: number, most: number | undefined, of: string, before?: number) => {
    if (most === undefined || (value <= EPS && !before)) return;
    const sum = value + (before ?? 0);
    lines.push({
      title,
      found:
        before === undefined
          ? `${two(value)} lb ${of} of at most ${two(most)} lb ${of}`
          : `${two(before)} lb ${of} given, ${two(sum)} lb ${of} with this dose, of at most ${two(most)} lb ${of}`,
      standing: sum > most + EPS ? 'fail' : 'pass',
    });
  };
  const { N = 0, 'N-soluble': soluble = 0, P2O5 = 0 } = dose.delivers;
  cap('N a dose', N, least(codes, 'maxTotalNPerDose'), 'N');
  cap('Soluble N a dose', soluble, least(codes, 'maxSolubleNPerDose'), 'soluble N');
  cap('N a year', N, least(codes, 'maxNPerYear'), 'N', givenThisYear(job, file, 'N', today));
  cap('P2O5 a dose', P2O5, least(codes, 'maxP2O5PerDose'), 'P2O5');
  cap('P2O5 a year', P2O5, least(codes, 'maxP2O5PerYear'), 'P2O5', givenThisYear(job, file, 'P2O5', today));
  if (P2O5 > EPS && codes.some((code) => code.phosphorusNeedsTest)) {
    const tests = (file.soilTests ?? [])
      .filter((test) => test.zoneId === job.zone.id)
      .map(({ sampledOn }) => sampledOn);
    const newest = tests
      .filter((on) => on !== undefined)
      .sort()
      .at(-1);
    lines.push({
      title: 'Phosphorus',
      found: newest
        ? `only by a soil test: the newest is of ${sayDate(newest)}`
        : 'only by a soil test: this zone has none',
      standing: newest ? 'pass' : 'fail',
    });
  }
  const slow = codeSlowPercentOn(codes, today);
  if (N > EPS && slow > 0) {
    const share = slowShare(product) * 100;
    lines.push({
      title: 'Slow share of N',
      found: `${trimmed(share, 0)} % of at least ${trimmed(slow, 0)} %`,
      standing: share < slow - EPS ? 'fail' : 'pass',
    });
  }
  if (codes.some((code) => code.setbackFt !== undefined))
    lines.push({
      title: 'Beside water',
      found: `nothing within ${trimmed(setbackFt(codes), 1)} ft of it`,
      standing: 'pass',
    });
  if (codes.some((code) => code.licenseNeeded)) {
    const runOut = operator?.expiresOn !== undefined && operator.expiresOn < today;
    lines.push({
      title: 'License',
      found:
        operator?.licenseNumber === undefined
          ? `needed; ${operator ? `${operator.name} has none` : 'no operator is chosen'}`
          : `${operator.licenseNumber}, ${operator.name}${operator.expiresOn ? `, ${runOut ? 'ran out' : 'until'} ${sayDate(operator.expiresOn)}` : ''}`,
      standing: operator?.licenseNumber === undefined || runOut ? 'fail' : 'pass',
    });
  }
  for (const code of codes) {
    const review = codeReview(code, today);
    lines.push({
      title: code.name ?? code.id,
      found: review.says,
      standing: review.state === 'fresh' ? 'pass' : 'warn',
    });
  }
  return lines;
}
