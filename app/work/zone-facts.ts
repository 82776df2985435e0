import type { Zone } from '@core/records/case';
import type { ZoneFacts } from '@core/prescription/zone-facts';
import { choiceKey } from '@core/season/plan/season-plan';
import { latestTest } from '@core/soil/report';
import type { PropertyWork } from './property-work';

/** What a zone's prescription follows from, as the property's work has it. */
export const zoneFacts = ({ file, plan, today }: PropertyWork, zone: Zone): ZoneFacts => ({
  zone,
  test: latestTest(file.soilTests ?? [], zone.id),
  products: file.products ?? [],
  codes: file.codes ?? [],
  choices: file.choices,
  asOf: today,
  limeProductId: plan?.products?.[choiceKey(zone.id, 'lime')],
});
