import { describe, expect, it } from 'vitest';
import { fieldDay } from '@core/field/field-day';
import { isRefusal } from '@core/reckoning/refusal';
import type { Case } from '@core/records/case';
import { GOOD, okonedo } from '@core/season/front-lawn.fixture';
import { Units, US_UNITS, usUnits } from '../../ui/format';
import { textsOf } from '../../ui/pdf-texts.fixture';
import { fieldSheets } from './field-sheet';

const KEPT: Case = { ...okonedo, plans: [{ id: 'p', year: 2027, keptOn: '2027-03-01', doses: GOOD }] };
const sheet = (file: Case, units = usUnits, date = '2027-05-03') => {
  const day = fieldDay(file, { date });
  if (isRefusal(day)) throw new Error(day.refused);
  return fieldSheets(day, file.property.name, units);
};

describe('field sheets on paper', () => {
  it('list the day and give a job a page: what is taken, how it is walked, what to look at, lines to write on', () => {
    const texts = textsOf(sheet(KEPT).content);
    for (const heading of [
      'Loaded together',
      'How it is walked',
      'Look before the start',
      'Water in',
      'Cautions',
      'Afterwards',
    ])
      expect(texts).toContain(heading);
    // 1.6 lb per 1000 on 3.86 thousand: 6.2 lb coated urea
    expect(texts).toContain('6.2 lb product');
    expect(texts.join(' ')).toContain('catch first');
    expect(JSON.stringify(sheet(KEPT).content)).toContain('<svg');
  });
  it('say everything in SI where SI is read', () => {
    const texts = textsOf(sheet(KEPT, new Units({ ...US_UNITS, system: 'si' })).content).join(' ');
    expect(texts).toMatch(/2\.8\d? kg product/);
    expect(texts).not.toMatch(/\d lb |\d ft\b|\d gal/);
  });
  it('have one line where nothing is due', () => {
    expect(textsOf(sheet(KEPT, usUnits, '2027-01-04').content)).toContain('Nothing is due in these two weeks.');
    expect(textsOf(sheet(okonedo).content).join(' ')).toMatch(/was not saved/);
  });
});
