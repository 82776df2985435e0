import type { Zone } from '../records/case';
import type { Grass } from '../packs/grasses';
import { addDays, type IsoDay } from '../days/day';
import type { SeasonPlan, ZoneSeason } from '../season/plan/season-plan';
import { GROWTH_DAYS_A_MOWING } from '../climate/climate-year';
import { fixed } from '../words/numbers';

/** How much care a lawn gets: each depth holds the ones before it. */
export const EFFORTS = ['essential', 'better', 'best'] as const;
export type Effort = (typeof EFFORTS)[number];

/** A task of care that shares the calendar with feeding. */
export interface CareTask {
  id: string;
  zoneId: string;
  zone: string;
  title: string;
  effort: Effort;
  from: IsoDay;
  to: IsoDay;
  says: string;
  /** What must hold on the day, because dates alone do not know. */
  condition: string;
}

interface Season {
  zone: Zone;
  grass: Grass;
  greenUp: number;
  lastMowing: number;
  /** Best growth of spring or summer, and of fall for cool-season grass. */
  peak: number;
  fallPeak: number;
}

interface Rule {
  id: string;
  effort: Effort;
  title: (season: Season) => string;
  fits: (season: Season) => boolean;
  when: (season: Season) => [from: number, to: number];
  says: (season: Season) => string;
  condition: string;
}

const cool = ({ grass }: Season): boolean => grass.season === 'cool';
const warm = ({ grass }: Season): boolean => grass.season === 'warm';
const heights = ({ grass }: Season): string => `${grass.mowIn[0]} to ${grass.mowIn[1]} in`;
/** Grasses that spread by runners fast enough to bear scalping. Common practice: bermudagrass only. */
const scalps = ({ zone }: Season): boolean => zone.grass === 'bermudagrass';
const thatchy = ({ zone }: Season): boolean =>
  ['kentucky-bluegrass', 'bermudagrass', 'zoysiagrass', 'fine-fescue', 'creeping-bentgrass'].includes(zone.grass);

/** Care around feeding. Common practice; conditions on the day decide, not the date. */
const RULES: readonly Rule[] = [
  {
    id: 'first-mowing',
    effort: 'essential',
    title: () => 'First mowing, blade sharpened',
    fits: () => true,
    when: (s) => [s.greenUp, s.greenUp + 13],
    says: (s) => `First cut low in the range of ${heights(s)}, then up; never more than a third at once.`,
    condition: 'the ground bears a mower and the grass stands',
  },
  {
    id: 'mowing-height',
    effort: 'essential',
    title: (s) => `Mow at ${heights(s)}`,
    fits: () => true,
    when: (s) => [s.peak - 14, s.peak + 14],
    says: (s) =>
      `Mow when it stands half again as high as it is cut: ${fixed(s.grass.mowIn[1] * 1.5, 2)} in for ${s.grass.mowIn[1]} in. Clippings stay, unless they clump or weeds seed.`,
    condition: 'the leaves are dry',
  },
  {
    id: 'last-mowing',
    effort: 'essential',
    title: () => 'Last mowing',
    fits: () => true,
    when: (s) => [s.lastMowing - 10, s.lastMowing],
    says: () =>
      'A little lower means less snow mold, keeping the height means a greener winter: a choice. Leaves off the turf.',
    condition: 'growth has stopped',
  },
  {
    id: 'scout-grubs',
    effort: 'essential',
    title: () => 'Scout: roots, grubs, disease',
    fits: () => true,
    when: () => [212, 240],
    says: () =>
      'Cut a square foot of turf where the patch meets living grass, fold it back and count. Some six grubs there are worth a decision, fewer are not. Treating is label and license.',
    condition: 'nothing has been sprayed yet',
  },
  {
    id: 'water-deep',
    effort: 'better',
    title: () => 'Set watering: about 1 in a week, deep and seldom',
    fits: ({ zone }) => zone.irrigated !== false,
    when: (s) => [s.greenUp + 28, s.greenUp + 41],
    says: () => 'Measure with catch cups; early morning only; half the depth each time on sand, less in shade.',
    condition: 'no rain has done it',
  },
  {
    id: 'aerate',
    effort: 'better',
    title: () => 'Aerate',
    fits: () => true,
    when: (s) => (cool(s) ? [s.fallPeak - 14, s.fallPeak + 6] : [s.peak - 30, s.peak]),
    says: () => 'Hollow tines, two passes, plugs left to crumble; worth it where a screwdriver will not go in.',
    condition: 'the soil is moist and the grass in full growth',
  },
  {
    id: 'overseed',
    effort: 'better',
    title: () => 'Overseed thin places',
    fits: cool,
    when: (s) => [s.fallPeak - 21, s.fallPeak],
    says: () =>
      'After aerating or scratching; starter phosphorus only where the test or the code allows it; keep it moist.',
    condition: 'six weeks of growth are to come',
  },
  {
    id: 'scalp',
    effort: 'better',
    title: () => 'Scalp and rake off',
    fits: scalps,
    when: (s) => [Math.max(0, s.greenUp - 28), s.greenUp - 7],
    says: () => 'Bermudagrass only: one low cut as it wakes, debris removed, then feed after full green.',
    condition: 'no hard freeze is to come',
  },
  {
    id: 'dethatch',
    effort: 'best',
    title: () => 'Dethatch',
    fits: thatchy,
    when: (s) => (cool(s) ? [s.fallPeak - 28, s.fallPeak - 14] : [s.peak - 40, s.peak - 20]),
    says: () =>
      'Only where the spongy layer is over half an inch; it comes of too much nitrogen and water, not of clippings.',
    condition: 'thatch measures over 0.5 in',
  },
  {
    id: 'topdress',
    effort: 'best',
    title: () => 'Topdress with sand or compost',
    fits: () => true,
    when: (s) => (cool(s) ? [s.fallPeak - 7, s.fallPeak + 14] : [s.peak - 14, s.peak + 14]),
    says: () => 'Never more than a quarter inch: 0.77 cubic yard per 1000 sq ft; brush it in so that leaves show.',
    condition: 'the grass grows and the sand is dry',
  },
  {
    id: 'growth-regulator',
    effort: 'best',
    title: () => 'Growth regulator, if mowing outruns you',
    fits: () => true,
    when: (s) => [s.peak - 20, s.peak - 7],
    says: () => 'By its label and, where required, a licensed applicator: no rate is given here.',
    condition: 'it wants two mowings a week or more',
  },
  {
    id: 'iron-colour',
    effort: 'best',
    title: () => 'Iron for summer color',
    fits: cool,
    when: (s) => [s.peak + 30, s.peak + 51],
    says: () => 'Color without growth while nitrogen rests. Keep it off paving: it stains.',
    condition: 'it is hot and no nitrogen is due',
  },
  {
    id: 'winter-water',
    effort: 'better',
    title: () => 'Do not let it dry out in winter',
    fits: warm,
    when: (s) => [Math.min(350, s.lastMowing + 14), Math.min(363, s.lastMowing + 28)],
    says: () => 'Dormant warm-season grass still wants water in a dry winter.',
    condition: 'it has not rained for weeks and the ground is open',
  },
];

const bestDay = (growth: readonly number[], from: number, to: number): number =>
  growth.slice(from, to).reduce((best, share, i) => (share > (growth[best] ?? 0) ? from + i : best), from);

function seasonOf({ zone, grass, season }: ZoneSeason): Season | undefined {
  if (!season) return undefined;
  const greenUp =
    season.twoMowings === undefined
      ? (season.fullGreen ?? 60)
      : Math.max(0, season.twoMowings - 2 * GROWTH_DAYS_A_MOWING);
  return {
    zone,
    grass,
    greenUp,
    lastMowing: season.lastMowing ?? 330,
    peak: bestDay(season.growth, 60, grass.season === 'cool' ? 180 : 270),
    fallPeak: bestDay(season.growth, 225, 320),
  };
}

/** Care tasks of a property's year at a depth of effort, by date. */
export function careTasks(plan: SeasonPlan, effort: Effort): CareTask[] {
  const deep = EFFORTS.indexOf(effort);
  const last = (plan.weather?.meanF.length ?? 365) - 1;
  const dateOf = (day: number) => addDays(`${plan.year}-01-01`, Math.min(last, Math.max(0, Math.round(day))));
  return plan.zones
    .flatMap((zoneSeason) => {
      const season = seasonOf(zoneSeason);
      if (!season) return [];
      return RULES.filter((rule) => EFFORTS.indexOf(rule.effort) <= deep && rule.fits(season)).map((rule): CareTask => {
        const [from, to] = rule.when(season);
        return {
          id: rule.id,
          zoneId: season.zone.id,
          zone: season.zone.name,
          title: rule.title(season),
          effort: rule.effort,
          from: dateOf(from),
          to: dateOf(Math.max(from, to)),
          says: rule.says(season),
          condition: rule.condition,
        };
      });
    })
    .sort((a, b) => a.from.localeCompare(b.from) || a.zone.localeCompare(b.zone));
}
