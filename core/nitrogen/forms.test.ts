import { describe, expect, it } from 'vitest';
import type { Product } from '../records/case';
import { NITROGEN_FORMS, type NitrogenForm } from '../records/vocabularies';
import { FORMS_SLOW_FIRST, losesAmmonia, microbeDriven, NITROGEN_FORM_TABLE, slowShare } from './forms';
import { releaseByDay } from './release';

const all = (form: NitrogenForm): Product => ({
  id: form,
  name: form,
  guaranteed: { N: 20 },
  nitrogen: { [form]: 20 },
});
/** Soil of one temperature all year, deg F. */
const soil = (f: number) => new Array<number>(365).fill(f);

describe('the table of nitrogen forms', () => {
  it('has a row a form, and lists the slow ones first', () => {
    expect([...FORMS_SLOW_FIRST].sort()).toEqual([...NITROGEN_FORMS].sort());
    const slow = FORMS_SLOW_FIRST.map((form) => NITROGEN_FORM_TABLE[form].slow !== undefined);
    expect(slow.lastIndexOf(true)).toBeLessThan(slow.indexOf(false));
  });
  it.each(NITROGEN_FORMS)('%s is told alike by release, slow share and the microbes that work it', (form) => {
    const { slow } = NITROGEN_FORM_TABLE[form];
    const product = all(form);
    expect(slowShare(product)).toBe(slow ? 1 : 0);
    expect(microbeDriven(product)).toBe(slow?.driver === 'microbes');
    const freed = releaseByDay(product, soil(45), 0).reduce((a, b) => a + b, 0);
    // in soil of 45 deg F microbes stand still; nothing else does
    if (slow?.driver === 'microbes') expect(freed).toBe(0);
    else expect(freed).toBeGreaterThan(0.5);
  });
  it('lets IBDU go by water, in cold soil too, everywhere (common practice: it dissolves, no microbes needed)', () => {
    expect(NITROGEN_FORM_TABLE.ibdu.slow?.driver).toBe('water');
    expect(microbeDriven(all('ibdu'))).toBe(false);
  });
  it('loses ammonia from urea and ammonium, and from a label that does not say', () => {
    expect(NITROGEN_FORMS.filter((form) => losesAmmonia(all(form)))).toEqual(['ammoniacal', 'urea']);
    expect(losesAmmonia({ id: 'x', name: 'x', guaranteed: { N: 20 } })).toBe(true);
  });
});
