import {
  type AuthorityLedger,
  type Counted,
  COUNTED,
  type Counts,
  type LedgerLine,
  PRINTED,
} from '@core/ledger/authority';
import { sayDay } from '@core/words/days';
import type { Units } from '../../ui/format';

/** The cells of a ledger, for the page and the print alike: so that both say the same. */

export const NAMES: Record<Counted, string> = {
  product: 'product',
  N: 'N',
  'N-soluble': 'N, soluble',
  P2O5: 'P2O5',
  K2O: 'K2O',
};

/** What a print counts in, rounded as it prints. */
export const inShown = (units: Units) => ({
  weight: (lb: number) => units.inShown('weight', lb),
  rate: (lb: number) => units.inShown('nutrient-rate', lb),
});

export const countCells = (units: Units, counts: Counts, places: number): string[] =>
  COUNTED.map((each) => (counts[each] === 0 ? '–' : units.number(counts[each], places)));

const hour = (moment: string | undefined): string => moment?.slice(11, 16) ?? '';

/** When, where, what of a line; its counts in all and per 1000; how and by whom. */
export function lineCells(line: LedgerLine, units: Units) {
  const { date, start, end, zone, areaSqFt, product, face, registrationNumber, lot, body, phosphateTest, notes } = line;
  const { windMph, airF } = body?.weather ?? {};
  return {
    when: [sayDay(date), start ? `${hour(start)}${end ? ` to ${hour(end)}` : ''}` : ''].filter(Boolean).join(', '),
    where: `${zone.name}, ${units.say('area', areaSqFt)}`,
    what: [product, face, registrationNumber && `reg. no. ${registrationNumber}`, lot && `lot ${lot}`]
      .filter(Boolean)
      .join(', '),
    inAll: countCells(units, line.inAll, PRINTED.inAll),
    per1000: countCells(units, line.per1000, PRINTED.per1000),
    how: [
      body?.method,
      windMph !== undefined && `wind ${units.say('speed', windMph)}`,
      airF !== undefined && units.say('temperature', airF),
      phosphateTest !== undefined && (phosphateTest ? `soil test of ${sayDay(phosphateTest)}` : 'no soil test for P'),
    ]
      .filter(Boolean)
      .join(', '),
    who: [body?.operator, body?.licenseNumber].filter(Boolean).join(', '),
    notes: notes.map((no) => `(${no})`).join(' '),
  };
}

/** The sum of a year against what the codes allow, in a sentence each. */
export const capSays = ({ caps, zones, year }: AuthorityLedger, units: Units): string[] =>
  caps.map(({ code, maxNPerYear }) => {
    const cap = units.say('nutrient-rate', maxNPerYear, 'N');
    const most = units.inShown('nutrient-rate', maxNPerYear);
    const over = zones.filter(({ per1000 }) => per1000.N > most + 1e-9);
    return over.length === 0
      ? `${code} allows ${cap} a year: every zone is within it in ${year}.`
      : `${code} allows ${cap} a year: ${over.map(({ zone }) => zone.name).join(', ')} ${over.length === 1 ? 'is' : 'are'} over it in ${year}.`;
  });
