import { isRefusal } from '@core/reckoning/refusal';
import { hashOf } from '../../../standins/soil-key';

const UNREACHED =
  'The simulated spreader and scale do not answer: the server of Ubertas is not running, or there is no network. Type what your own scale shows.';

async function ask<Answer>(path: string, body: object): Promise<Answer | string> {
  try {
    const answer: unknown = await (
      await fetch(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
    ).json();
    return isRefusal(answer) ? answer.refused : (answer as Answer);
  } catch {
    return UNREACHED;
  }
}

/** How the simulated spreader is walked. */
export interface Walked {
  opening: number;
  sizeGuideNumber: number | undefined;
  swathFt: number;
  distanceFt: number;
  walk: number;
}
const USUAL_MPH = 3;
/** What is asked of the spreader: a number made of its id stands for it, so that no name goes out. */
const asked = (spreaderId: string, walked: object) => ({
  equipment: hashOf(spreaderId),
  speedMph: USUAL_MPH,
  ...walked,
});

/** A catch of the simulated spreader over the strip, as the simulated scale shows it, lb; a sentence where there is none. */
export async function caughtBySimulation(spreaderId: string, walked: Walked): Promise<number | string> {
  const thrown = await ask<{ caughtLb: number }>('/simulated-spreader', asked(spreaderId, walked));
  if (typeof thrown === 'string') return thrown;
  const shown = await ask<{ lb: number }>('/simulated-scale', { lb: thrown.caughtLb, reading: walked.walk });
  return typeof shown === 'string' ? shown : shown.lb;
}

/** What lies in a row of trays after the simulated spreader has passed, g product left to right. */
export async function traysBySimulation(
  spreaderId: string,
  walked: Walked & { trays: number; traySpacingFt: number; traySqFt: number },
): Promise<number[] | string> {
  const thrown = await ask<{ traysG: number[] }>('/simulated-spreader', asked(spreaderId, walked));
  return typeof thrown === 'string' ? thrown : thrown.traysG;
}
