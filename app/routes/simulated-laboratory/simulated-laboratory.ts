import type { Case } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { demoSoils } from '../../../standins/laboratory/demo-soils';
import { collect, handIn } from '../../../standins/laboratory/laboratory';
import { jsonOf } from '../../work/json-of';
import type { Route } from './+types/simulated-laboratory';

const cases = import.meta.glob('../../../demo/*.json', { eager: true, import: 'default' });
const soils = demoSoils(Object.values(cases) as Case[]);

/** Hands in a labelled bag: a receipt and the day the report may be fetched, or why it is not taken. */
export async function action({ request }: Route.ActionArgs) {
  return Response.json(handIn(await jsonOf(request)));
}

/** Fetches a report by its receipt; `today` is the day of whoever asks, so that a simulated week can pass. */
export async function loader({ request }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url);
  const answer = await collect(searchParams.get('receipt') ?? '', searchParams.get('today') ?? '', soils);
  if (isRefusal(answer) || 'notBefore' in answer) return Response.json(answer);
  return Response.json({ fileName: answer.fileName, base64: Buffer.from(answer.bytes).toString('base64') });
}
