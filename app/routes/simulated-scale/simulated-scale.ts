import { readScale } from '../../../standins/kit/kit';
import { jsonOf } from '../../work/json-of';
import type { Route } from './+types/simulated-scale';

/** What the simulated scale shows of a weight. */
export async function action({ request }: Route.ActionArgs) {
  return Response.json(readScale(await jsonOf(request)));
}
