/**
 * How many of each record may be kept: one table for every door, so that a property which can be stored can be restored. Far above any real use (a course of eighteen greens sampled monthly for fifty
 * years is 10,800 reports), and low enough that a hostile file ends somewhere. Decision.
 */
export const MOST = {
  zones: 5_000,
  soilTests: 100_000,
  samples: 100_000,
  products: 50_000,
  plans: 5_000,
  codes: 500,
  runs: 50_000,
  /** Versions of records. */
  records: 50_000,
  zonesOfARecord: 50,
  parents: 8,
  /** Records for which a plan was made anew. */
  because: 5_000,
  /** People, spreaders. */
  ofTheKit: 5_000,
  /** Steps of a run, and its stretches. */
  events: 5_000,
  runsOfARun: 5_000,
  photosOfARun: 6,
  /** Of a note. */
  letters: 2_000,
  /** Within one zone. */
  cutOuts: 2_000,
  readings: 50_000,
  applied: 50_000,
  /** Doses of a plan. */
  doses: 50_000,
  /** Of an outline, a ring. */
  corners: 20_000,
  /** On the sheet of a property. */
  waters: 500,
  buildings: 2_000,
} as const;

/** What is counted, in the words of a refusal. */
export const COUNTED = {
  zones: 'zones',
  soilTests: 'soil reports',
  samples: 'samples',
  plans: 'plans',
  runs: 'runs',
  records: 'versions of records',
  products: 'products',
} as const satisfies Partial<Record<keyof typeof MOST, string>>;
