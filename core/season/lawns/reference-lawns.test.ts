import { describe, expect, it } from 'vitest';
import { lawnPage } from './lawn-page';
import { lawnCase, lawnFiles } from './lawns.fixture';
import { REFERENCE_LAWNS } from './reference-lawns';

/** Lawns whose answer an agronomist knows beforehand; what each must lead to is common practice. */
describe('reference lawns', () => {
  it('each file has its line and each line its file', () => {
    expect(REFERENCE_LAWNS.map((lawn) => lawn.case).sort()).toEqual(lawnFiles().sort());
  });
  it.each(REFERENCE_LAWNS.map((lawn) => [lawn.case, lawn] as const))('%s', (_name, lawn) => {
    const page = lawnPage(lawnCase(lawn.case), lawn.on);
    expect(lawn.musts.filter((each) => !each.holds(page)).map((each) => each.says)).toEqual([]);
  });
});
