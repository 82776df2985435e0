import { BUILT_IN_PACKS, grassIn } from '../packs/rule-packs';
import {
  FIRST_WINTER_FEEDING_DAYS,
  isOverseeded,
  UNFED_BEFORE_TRANSITION_DAYS,
  type WinterFeeding,
  winterAsked,
} from '../season/rules/overseeding';
import { two } from '../words/numbers';
import { sayMonthDay } from '../words/days';
import type { NitrogenPrescription, OverseedingPrescription } from './prescription';
import type { ZoneFacts } from './zone-facts';

/** Under this what a code or an override leaves of a feeding is none, lb N/1000 ft2. */
const LEAST_FEEDING_LB = 0.1;

/** The first feedings that a code or an override leaves room for. */
function within(feedings: readonly WinterFeeding[], mostLb: number): WinterFeeding[] {
  let left = mostLb;
  return feedings.flatMap(({ on, lb }) => {
    const some = Math.min(lb, left);
    left -= some;
    return some < LEAST_FEEDING_LB ? [] : [{ on, lb: some }];
  });
}

/** The programme of the winter grass within the year's nitrogen: a code, or an override, may leave it less (C9). */
export function prescribeOverseeding(
  { overseeding }: Pick<ZoneFacts, 'overseeding'>,
  nitrogen: NitrogenPrescription,
): OverseedingPrescription | undefined {
  if (!overseeding) return undefined;
  const { grass, from, to, givenLb } = overseeding;
  const most = nitrogen.own
    ? Math.min(winterAsked(overseeding), nitrogen.year.value)
    : (nitrogen.steps.find((step) => step.id === 'winter')?.lb ?? 0);
  const feedings = within(overseeding.feedings, Math.max(0, most - givenLb));
  const [first] = feedings;
  const fed = first
    ? `${feedings.length} light ${feedings.length === 1 ? 'feeding' : 'feedings'} of ${two(first.lb)} lb N`
    : 'No feeding left in this year';
  return {
    ...overseeding,
    feedings,
    yearLb: winterAsked({ feedings, givenLb }),
    says: `${grass.name} over it from ${sayMonthDay(from)} to ${sayMonthDay(to)}. ${fed}: the first ${FIRST_WINTER_FEEDING_DAYS.least / 7} to ${FIRST_WINTER_FEEDING_DAYS.most / 7} weeks after sowing, none in the ${UNFED_BEFORE_TRANSITION_DAYS / 7} weeks before transition.`,
  };
}

/** What has to be said of overseeding: its cost in spring, or why it is left out. */
export function overseedingCautions(
  { zone, packs = BUILT_IN_PACKS, establishment }: ZoneFacts,
  prescribed: OverseedingPrescription | undefined,
): string[] {
  if (!zone.overseed) return [];
  const [grass, over] = [grassIn(packs, zone.grass), grassIn(packs, zone.overseed.grass)];
  if (!isOverseeded(grass, over))
    return [
      `Overseeding for winter is a cool-season grass over warm-season turf: ${over.name} over ${grass.name} is left out.`,
    ];
  if (establishment) return ['The overseeding is left out in the year of a new stand.'];
  return prescribed
    ? [
        `Overseeding has its price in spring: ${grass.name} comes back later and thinner, by weeks. Lower the cut by thirds at transition and feed at full green.`,
      ]
    : [];
}
