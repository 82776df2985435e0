import { throwSpreader } from '../../../standins/kit/kit';
import { jsonOf } from '../../work/json-of';
import type { Route } from './+types/simulated-spreader';

/** What the simulated spreader throws: over a strip, or into a row of trays. */
export async function action({ request }: Route.ActionArgs) {
  return Response.json(throwSpreader(await jsonOf(request)));
}
