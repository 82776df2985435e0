import type { Product, Zone } from '../../records/case';
import type { Figure } from '../../reckoning/figure';
import { slowShare } from '../../nitrogen/forms';
import { isSurfaceUrea } from '../../nitrogen/surface-urea';
import { isStrongAcidifier } from '../../products/strong-acidifier';
import type { Dose } from '../plan/dose';
import { daysBetweenFullN } from '../rules/dose-ceilings';
import type { NitrogenParts } from '../rules/nitrogen-parts';
import type { SeasonSchools } from '../rules/season-schools';
import type { Ground } from './draft-ground';
import { canTakeStep, daysOf, type LateSteps, planLateSteps } from './plan-late-steps';
import { planNitrogen } from './plan-nitrogen';

/** Soil that bears some sources ill. */
interface SoilOfSources {
  acidSoil: boolean;
  limySoil: boolean;
}

interface Ask extends SoilOfSources {
  ground: Ground;
  /** The zone's own feed, and whether a person picked it: then it is given no other. */
  product: Product;
  picked: boolean;
  options: readonly Product[];
  needLb: number;
  says: string;
  figure: Figure;
  parts: NitrogenParts;
  schools: SeasonSchools | undefined;
  /** The school of the late season was asked for by name. */
  named: boolean;
  /** Doses with nitrogen that stand already. */
  standing: readonly Dose[];
  clear: (product: Product, day: number) => boolean;
}

/** Nobody asked for the usual late-season school by name: where nothing on the shelf can serve it, it is left out and said. */
function setAsideUnserved(ground: Ground, schools: SeasonSchools, options: readonly Product[]): void {
  const { zone } = ground;
  const unserved = schools.steps.find((step) => !options.some((product) => canTakeStep(ground, step, product)));
  if (!unserved) return;
  schools.steps = [];
  schools.setAside.push(
    `${schools.late?.title} is set aside on ${zone.name}: nothing that may go there can bring ${unserved.says}.`,
  );
}

/** What a soluble step may be taken from beside the zone's own choice, quick first: nothing that the soil bears ill, and no potash along. */
const quickFeeds = (options: readonly Product[], zone: Zone, { acidSoil, limySoil }: SoilOfSources): Product[] =>
  options
    .filter(
      (p) =>
        (p.guaranteed.K2O ?? 0) === 0 &&
        !(acidSoil && isStrongAcidifier(p)) &&
        !(limySoil && zone.irrigated === false && isSurfaceUrea(p)),
    )
    .sort((a, b) => slowShare(a) - slowShare(b));

/**
 * The year's nitrogen of a zone: the steps of the late-season school from a quick product, the rest by the parts of the year from the
 * zone's own. Steps that leave the rest without room are not taken.
 *
 * @returns doses, and what found no room, lb N/1000 ft2
 */
export function planYearNitrogen(ask: Ask): { doses: Dose[]; missed: number } {
  const { ground, product, picked, options, needLb, says, figure, parts, schools, named, standing, clear } = ask;
  const feeds = [product, ...(picked ? [] : quickFeeds(options, ground.zone, ask))];
  if (schools && !named) setAsideUnserved(ground, schools, feeds);
  const rest = ({ doses, lb }: LateSteps) =>
    planNitrogen(
      ground,
      product,
      Math.max(0, needLb - lb),
      says,
      figure,
      parts,
      daysOf([...standing, ...doses]),
      (day) => clear(product, day),
      lb,
    );
  const late = (moreLb?: number): LateSteps =>
    planLateSteps({
      ground,
      schools,
      options: feeds,
      needLb,
      figure,
      clear,
      keepFrom: daysOf(standing),
      apartDays: daysBetweenFullN(ground.zone),
      parts,
      moreLb,
    });
  let steps = late();
  let beside = rest(steps);
  if (steps.doses.length === 0) return beside;
  if (beside.missed > 1e-6) {
    steps = late(beside.missed);
    beside = rest(steps);
  }
  const alone = rest({ doses: [], lb: 0 });
  return beside.missed <= alone.missed + 1e-6
    ? { doses: [...steps.doses, ...beside.doses], missed: beside.missed }
    : alone;
}
