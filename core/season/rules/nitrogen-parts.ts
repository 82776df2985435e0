import { type ClimateYear, type GrowthSeason, HEAT_ABOVE_HIGH_F } from '../../climate/climate-year';
import type { Grass } from '../../packs/grasses';
import type { Choices, Zone } from '../../records/case';

/**
 * How the nitrogen of a year is shared out between its parts (C1, C2). Every number is a choice of practice with its reason; growth
 * shares out inside a part only.
 */

export type CoolSeasonChoice = NonNullable<Choices['coolSeason']>;

/** A part of the year and what of the year's nitrogen belongs to it. Days count from 0 for 1 January, both ends inside. */
export interface NitrogenPart {
  id: 'spring' | 'summer' | 'fall' | 'growing';
  title: string;
  from: number;
  to: number;
  /** Share of the year's nitrogen that is aimed at. */
  share: number;
  /** Bounds that are wanted, as shares of the year's nitrogen. */
  leastShare?: number;
  mostShare?: number;
  /** Most soluble nitrogen of the part in all, lb N/1000 ft2. */
  mostSolubleLb?: number;
  /** Most soluble nitrogen of one dose, and of the part in all: a bound that is never broken, lb N/1000 ft2. */
  mostSolubleDoseLb?: number;
  mostLb?: number;
}

export interface NitrogenParts {
  choice?: CoolSeasonChoice;
  because: string;
  parts: NitrogenPart[];
}

/** The mean air temperature at which spring growth of cool-season grass turns, deg F (C1). Common practice. */
const SPRING_ENDS_AT_MEAN_F = 65;
/** Spring ends so long before midsummer at the latest, days (C1). */
const SPRING_ENDS_BEFORE_MIDSUMMER_DAYS = 30;
/** Fall begins so far below the peak of the year, deg F (C1). */
const FALL_BELOW_PEAK_F = 3;
/** Where summers are so mild, or the year so even, there is no summer to rest in, deg F (C1). */
const EVEN = { peakUnderF: 66, swingUnderF: 20 } as const;
/** Soluble nitrogen of one summer dose, slow nitrogen of a summer in all, lb N/1000 ft2 (C1). */
const SUMMER = { solubleDoseLb: 0.25, slowLb: 0.5 } as const;
/** Soluble nitrogen before spring ends, and from which year's nitrogen on a little more, lb N/1000 ft2 (C1). */
const SPRING_SOLUBLE = { usual: 0.5, rich: 0.75, richFromLb: 4 } as const;
/** Fine fescue has all but so much in fall, lb N/1000 ft2 (C1). */
const FINE_FESCUE_SPRING_LB = 0.5;
/** Shares by choice: least in fall, most before spring ends, and what is aimed at. Common practice of the extension services; from memory. */
const SHARES: Record<CoolSeasonChoice, { fallLeast: number; springMost: number; fall: number; spring: number }> = {
  'fall-led': { fallLeast: 0.6, springMost: 0.3, fall: 0.7, spring: 0.25 },
  even: { fallLeast: 0.4, springMost: 0.45, fall: 0.45, spring: 0.35 },
  'spring-help': { fallLeast: 0.45, springMost: 0.45, fall: 0.52, spring: 0.43 },
};

export const COOL_SEASON_CHOICES: Readonly<
  Record<CoolSeasonChoice, { title: string; because: string; against: string }>
> = {
  'fall-led': {
    title: 'Fall-led',
    because: 'Cool-season grass makes roots, shoots and reserves after summer; spring nitrogen makes leaf to mow.',
    against: 'A thin stand fills slowly in spring.',
  },
  even: {
    title: 'Even',
    because: 'Where summers are mild, grass grows and feeds all season long.',
    against: 'Where summers are hot it feeds disease and roots suffer.',
  },
  'spring-help': {
    title: 'Spring help',
    because: 'A young or thin stand is helped to close before weeds do.',
    against: 'More mowing, and less left for fall.',
  },
};

/** Warmest and coldest normal day, and where the year turns. */
function anchorsOf({ meanF, highF }: Pick<ClimateYear, 'meanF' | 'highF'>) {
  const peak = Math.max(...meanF);
  const midsummer = meanF.indexOf(peak);
  const fall = meanF.findIndex(
    (mean, day) => day > midsummer && mean <= peak - FALL_BELOW_PEAK_F && (highF[day] as number) <= HEAT_ABOVE_HIGH_F,
  );
  const warm = meanF.findIndex((mean) => mean > SPRING_ENDS_AT_MEAN_F);
  const latest = Math.max(0, midsummer - SPRING_ENDS_BEFORE_MIDSUMMER_DAYS);
  return {
    peak,
    swing: peak - Math.min(...meanF),
    midsummer,
    fallStart: fall === -1 ? meanF.length : fall,
    springEnd: warm === -1 ? latest : Math.min(warm, latest),
  };
}

/** The day fall begins for cool-season grass: where seedings count from too. */
export const fallStartOf = (weather: Pick<ClimateYear, 'meanF' | 'highF'>): number => anchorsOf(weather).fallStart;

function coolParts(
  zone: Zone,
  grass: Grass,
  weather: ClimateYear,
  chosen: CoolSeasonChoice | undefined,
  yearLb: number,
): NitrogenParts {
  const { peak, swing, fallStart, springEnd } = anchorsOf(weather);
  const mild = peak < EVEN.peakUnderF || swing < EVEN.swingUnderF;
  const choice = chosen ?? (mild ? 'even' : 'fall-led');
  const shares = SHARES[choice];
  const cared = zone.irrigated !== false && (zone.care ?? 'standard') !== 'low';
  const fescue = grass.id === 'fine-fescue';
  // greens are spoon-fed through summer, as far as it bears feeding at all (C10)
  const spoons = zone.turf === 'close-cut' && cared && choice === 'fall-led';
  const springShare = fescue ? (yearLb > FINE_FESCUE_SPRING_LB ? FINE_FESCUE_SPRING_LB / yearLb : 0) : shares.spring;
  const fallShare = fescue
    ? 1 - springShare
    : spoons
      ? Math.max(shares.fallLeast, 1 - springShare - SUMMER.slowLb / yearLb)
      : shares.fall;
  const summerShare = Math.max(0, 1 - springShare - fallShare);
  const last = weather.meanF.length - 1;
  const rich = yearLb >= SPRING_SOLUBLE.richFromLb || choice !== 'fall-led';
  const all: NitrogenPart[] = [
    {
      id: 'spring',
      title: 'Before spring ends',
      from: 0,
      to: springEnd - 1,
      share: cared ? springShare : springShare + summerShare,
      mostShare: fescue ? springShare : shares.springMost,
      mostSolubleLb: rich ? SPRING_SOLUBLE.rich : SPRING_SOLUBLE.usual,
    },
    {
      id: 'summer',
      title: 'Summer',
      from: springEnd,
      to: fallStart - 1,
      share: cared && !fescue ? summerShare : 0,
      // an even year is mild: its summer is a season to feed in
      mostSolubleDoseLb: choice === 'even' ? undefined : SUMMER.solubleDoseLb,
      mostLb: choice === 'even' ? undefined : cared ? SUMMER.slowLb : 0,
    },
    {
      id: 'fall',
      title: 'From fall on',
      from: fallStart,
      to: last,
      share: fallShare,
      leastShare: fescue ? fallShare : shares.fallLeast,
    },
  ];
  const parts = all.filter((part) => part.to >= part.from);
  const sum = parts.reduce((total, part) => total + part.share, 0) || 1;
  const because =
    chosen === undefined && mild
      ? 'The year is mild and even here: no summer to rest in.'
      : `${COOL_SEASON_CHOICES[choice].because}${fescue ? ' Fine fescue has all but half a pound in fall.' : ''}`;
  return { choice, because, parts: parts.map((part) => ({ ...part, share: part.share / sum })) };
}

/**
 * The parts of a zone's year and the share of its nitrogen that each is given (C1, C2). Cool-season grass: before spring ends,
 * summer, and from fall on; warm-season grass: one part from full green to the last day that feeds before frost.
 *
 * @param yearLb the year's nitrogen, lb N/1000 ft2
 */
export function nitrogenParts(
  zone: Zone,
  grass: Grass,
  season: GrowthSeason,
  weather: ClimateYear,
  choices: Pick<Choices, 'coolSeason'> | undefined,
  yearLb: number,
): NitrogenParts {
  if (grass.season === 'cool') return coolParts(zone, grass, weather, choices?.coolSeason, yearLb);
  const [from, to] = [season.feeding.indexOf(true), season.feeding.lastIndexOf(true)];
  return {
    because: 'Warm-season grass is fed while it grows, and goes to rest unfed.',
    parts: from === -1 ? [] : [{ id: 'growing', title: 'Full green to the last feeding', from, to, share: 1 }],
  };
}

/** Growth of the days on which nitrogen may feed: what shares out a part inside itself. */
const fedGrowth = (season: GrowthSeason, from: number, to: number): number => {
  let sum = 0;
  for (let day = Math.max(0, from); day <= to; day++) if (season.feeding[day]) sum += season.growth[day] as number;
  return sum;
};

/**
 * Share of the year's nitrogen that is still ahead on a day (C3): whole parts to come, and of the part begun what growth leaves.
 * Bermuda on 25 July in a warm southeast: about 0.46.
 */
export function shareAhead({ parts }: NitrogenParts, season: GrowthSeason, day: number): number {
  return parts.reduce((sum, part) => {
    const whole = fedGrowth(season, part.from, part.to);
    if (day > part.to || whole === 0) return sum;
    return sum + part.share * (fedGrowth(season, Math.max(part.from, day), part.to) / whole);
  }, 0);
}

/** Nitrogen asked for day by day, as shares of the year: each part's by growth inside it. */
export function demandByDay({ parts }: NitrogenParts, season: GrowthSeason): number[] {
  const days = season.growth.map(() => 0);
  for (const part of parts) {
    const whole = fedGrowth(season, part.from, part.to);
    if (whole === 0) continue;
    for (let day = part.from; day <= part.to; day++)
      if (season.feeding[day]) days[day] = (part.share * (season.growth[day] as number)) / whole;
  }
  return days;
}
