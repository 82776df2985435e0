import { describe, expect, it } from 'vitest';
import type { Case } from '@core/records/case';
import { dose, draft, GOOD, judged, okonedo } from '@core/season/front-lawn.fixture';
import { withDoses } from '@core/season/plan/with-doses';
import { planDocument } from './plan-pdf';
import { usUnits } from '../../../ui/format';
import { textsOf } from '../../../ui/pdf-texts.fixture';

const read = (doses = GOOD, given: Case = okonedo) =>
  textsOf(
    planDocument(given, withDoses(draft, given, doses), judged(doses, given), {
      today: '2026-11-30',
      provenance: 'drawn by hand',
      care: [],
      units: usUnits,
    }).content,
  );
/** What stands before the pounds, for whoever pays. */
const forClient = (texts: string[]) =>
  texts.slice(0, texts.includes('Days of spreading') ? texts.indexOf('Days of spreading') : undefined);

describe('the plan on paper', () => {
  it('tells a client first what was found, what goes down, what to do afterwards and what it costs', () => {
    const first = forClient(read());
    for (const heading of ['What was found', 'What goes down, and what for', 'Afterwards', 'What it costs'])
      expect(first).toContain(heading);
    expect(first.find((t) => t.startsWith('Front lawn: '))).toMatch(/no soil test yet.*The year asks 2\.25 lb N/);
    expect(first).toContain('Mon 3 May');
    expect(first.join(' ')).toMatch(/\$\d+\.\d\d of material: \d+ bags?, list below; 3 days of spreading/);
  });
  it('takes from stock what is in store, and names a bag that is bought', () => {
    const stocked = { ...okonedo, products: okonedo.products!.map((p) => ({ ...p, onHandLb: 500 })) };
    expect(read(GOOD, stocked)).toContain('from stock');
    expect(forClient(read(GOOD, stocked)).join(' ')).toContain('Nothing is bought: all comes from stock');
    const bare = { ...okonedo, products: okonedo.products!.map((p) => ({ ...p, onHandLb: 0 })) };
    expect(read(GOOD, bare)).not.toContain('from stock');
  });
  it('names what the plan leaves short, with what frees it', () => {
    const short = forClient(read([dose('2027-09-06', 'coated-urea-42', 1.6)]));
    expect(short).toContain('What the plan leaves short');
    expect(short.find((t) => t.includes('What frees it: '))).toMatch(/lb N per 1000\./);
  });
  it('says so where nothing goes down', () => {
    const texts = read([]);
    expect(forClient(texts)).toContain('Nothing this year.');
    expect(texts).toContain('Nothing goes down here this year.');
  });
});
