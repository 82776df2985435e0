import type { Case } from '@core/records/case';
import { demoSoils } from '../../../standins/laboratory/demo-soils';
import { readInstrument } from '../../../standins/instruments/instruments';
import { jsonOf } from '../../work/json-of';
import type { Route } from './+types/simulated-instruments';

const cases = import.meta.glob('../../../demo/*.json', { eager: true, import: 'default' });
const soils = demoSoils(Object.values(cases) as Case[]);

/** What a simulated hand instrument shows when it is put into the ground of a zone. */
export async function action({ request }: Route.ActionArgs) {
  return Response.json(readInstrument(await jsonOf(request), soils));
}
