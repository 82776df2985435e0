import type { Choices } from '../../records/case';

/** A way of working that practitioners disagree on, with the reason each side gives. */
export interface PracticeSchool<Id extends string = string> {
  id: Id;
  title: string;
  does: string;
  because: string;
  against: string;
  isDefault?: boolean;
  /** Shown for comparison, never planned. */
  comparisonOnly?: boolean;
}

export type LateSchool = NonNullable<Choices['lateSeason']>;
export type PotashSchool = NonNullable<Choices['potassium']>;
type HighPh = NonNullable<Choices['highPh']>;

/** End of the year on cool-season grass. Common practice and turf trials; from memory. */
export const LATE_SEASON_SCHOOLS: readonly PracticeSchool<LateSchool>[] = [
  {
    id: 'two-steps',
    title: 'Two steps',
    does: '0.5 to 1 lb soluble N per 1000 ft2 in mid fall and again four to six weeks later, ending near 50 deg F mean air.',
    because: 'Recent trials find that large late doses are poorly taken up and leach more.',
    against: 'Two trips instead of one.',
    isDefault: true,
  },
  {
    id: 'late-soluble',
    title: 'Late soluble',
    does: 'About 1 lb fast N per 1000 ft2 at the last mowing, while turf is green and ground not frozen.',
    because: 'Early spring color without a flush of top growth.',
    against: 'Leaching: never on sand, slopes, near water, inside a closure, or on ground that freezes within 10 days.',
  },
  {
    id: 'slow-first-frost',
    title: 'Slow at first frost',
    does: 'A moderate, partly slow source around first frost, feeding about six weeks.',
    because: 'Needs no exact date.',
    against: 'Part of it is still on the ground when growth stops.',
  },
  {
    id: 'weekly-light',
    title: 'Weekly light soluble',
    does: '0.5 lb N per 1000 ft2 each week until growth slows.',
    because: 'Quick visible response.',
    against: 'More mowing, burn and leaching; in trials the spring was no greener for the second pound of N.',
    comparisonOnly: true,
  },
  {
    id: 'potassium-led',
    title: 'Potassium-led finish',
    does: 'Less N, more K2O (and P2O5 only on a test).',
    because: 'Thought to harden grass for winter.',
    against: 'Without a low test K changes little, and much K may favour snow mold.',
  },
];

/** Potassium at the end of the year. Common practice; from memory. */
export const POTASSIUM_SCHOOLS: readonly PracticeSchool<PotashSchool>[] = [
  {
    id: 'on-test',
    title: 'Only if the test asks',
    does: 'K2O by the soil test, with the nitrogen.',
    because: 'Nothing is spread that the soil already holds.',
    against: 'Gives up an insurance that part of the trade believes in.',
    isDefault: true,
  },
  {
    id: 'fall',
    title: 'Before first frost',
    does: '1 lb K2O per 1000 ft2 four to six weeks before first frost, six to eight on zoysiagrass, with no N.',
    because: 'Bulletins of the warm southeast advise it for winter hardiness.',
    against: 'Unneeded where the test is high.',
  },
  {
    id: 'winter',
    title: 'Through winter',
    does: 'K2O every 45 to 60 days where soil never freezes.',
    because: 'Sand loses potassium, and the grass never fully rests there.',
    against: 'Dormant turf takes up little.',
  },
  {
    id: 'spring-summer',
    title: 'Spring and summer only',
    does: 'K2O while warm-season grass grows, none in fall.',
    because: 'Potassium is taken up with growth.',
    against: 'Leaves nothing extra for winter on sand.',
  },
];

/** High pH. Common practice; from memory. */
export const HIGH_PH_SCHOOLS: readonly PracticeSchool<HighPh>[] = [
  {
    id: 'correct-slowly',
    title: 'Correct slowly',
    does: 'Elemental sulfur, at most 5 lb S per 1000 ft2 a dose and 10 lb S a year, after a fizz test.',
    because: 'Frees iron, manganese and phosphorus where there is no free lime.',
    against: 'Years of work; futile in limy soil.',
    isDefault: true,
  },
  {
    id: 'leave-and-manage',
    title: 'Leave and manage',
    does: 'Leave the pH, grow what suits it, feed iron and manganese for color.',
    because: 'Cheap, safe, and the only way in limy soil.',
    against: 'The cause stays.',
  },
  {
    id: 'acidifying-nitrogen',
    title: 'Acidifying nitrogen only',
    does: 'Ammonium sulfate as the nitrogen source.',
    because: 'It acts at once and costs nothing extra.',
    against: '0.4 lb ammonium N undoes 2 lb of lime: it holds a pH, it does not lower one.',
  },
];

/** What a case chose, or the default, of one set of schools. */
export const schoolOf = <Id extends string>(
  schools: readonly PracticeSchool<Id>[],
  chosen: Id | undefined,
): PracticeSchool<Id> =>
  (schools.find((s) => s.id === chosen) ?? schools.find((s) => s.isDefault)) as PracticeSchool<Id>;
