import type { Zone } from '@core/records/case';
import type { ZoneFacts } from '@core/prescription/zone-facts';
import { choiceKey } from '@core/season/plan/season-plan';
import { zoneYear } from '@core/season/plan/zone-year';
import { testsNewestFirst } from '@core/soil/report';
import { ageDayOf } from '@core/season/rules/first-day';
import type { PropertyWork } from './property-work';

/** What a zone's prescription follows from, as the property's work has it. */
export const zoneFacts = ({ file, plan, today, year, packs }: PropertyWork, zone: Zone): ZoneFacts => ({
  zone,
  packs,
  tests: testsNewestFirst(file.soilTests ?? [], zone.id),
  products: file.products ?? [],
  codes: file.codes ?? [],
  choices: file.choices,
  asOf: ageDayOf(year, today),
  year,
  ...zoneYear(file, zone, year, packs, { asOf: today }).facts,
  limeProductId: plan?.products?.[choiceKey(zone.id, 'lime')],
});
