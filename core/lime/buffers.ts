import { methodName } from '../records/methods';
import type { Method } from '../records/vocabularies';
import { type Refusal, refuse } from '../reckoning/refusal';
import { adamsEvansLime } from './adams-evans';
import { mehlichLime } from './mehlich';
import { MEHLICH_BUFFER_START_PH, MEHLICH_READINGS } from './mehlich-acidity';
import { smpLime } from './smp';

/**
 * The buffers laboratories use, a row each: what it is read as, where it starts, what can be a reading of it, and the lime
 * its equation speaks of. Whatever asks about a buffer asks here; a new one is a row (see CONTRIBUTING.md).
 */
export interface LimeBuffer {
  /** As a sentence names it: 'Sikora buffer, read as SMP'. */
  says: string;
  /** The reckoning that turns it into lime; all take soil pH, buffer pH, aim and depth. */
  reckoning: typeof mehlichLime;
  /** Public id of that reckoning's method. */
  method: 'lime.mehlich' | 'lime.smp' | 'lime.adams-evans';
  /** pH of the fresh buffer: a soil without acidity leaves it there. */
  startsAtPh: number;
  /** Readings that can be this buffer, both ends inside. */
  readings: { from: number; to: number };
  /** Acidity it finds, cmolc/kg: `perPh` for each pH below `fromPh` (A8). SMP and Sikora after Tri-State; from memory. */
  acidity: { perPh: number; fromPh: number };
  /** pH aims the equation reaches, both ends inside. */
  aims: { from: number; to: number };
  /** Effective neutralising value of the lime that the equation counts in, percent. */
  basisEccePercent: number;
  resultUnit: string;
}

/** Effective value of the agricultural lime that SMP and Mehlich tons mean: neutralising 90, fineness to about 65 (B3). Tri-State footnote, from memory; Mehlich taken alike, unsure. */
const FIELD_LIME_ECCE_PERCENT = 65;
const FIELD_LIME = 'lb lime per 1000 ft2';
const PURE_LIME = 'lb CaCO3 per 1000 ft2';

const mehlich: LimeBuffer = {
  says: 'Mehlich buffer',
  reckoning: mehlichLime,
  method: 'lime.mehlich',
  startsAtPh: MEHLICH_BUFFER_START_PH,
  readings: MEHLICH_READINGS,
  acidity: { perPh: 4, fromPh: MEHLICH_BUFFER_START_PH },
  // the buffer itself starts at 6.6 and cannot say what 6.6 needs
  aims: { from: 0, to: 6.59 },
  basisEccePercent: FIELD_LIME_ECCE_PERCENT,
  resultUnit: FIELD_LIME,
};
const smp: LimeBuffer = {
  says: 'SMP buffer',
  reckoning: smpLime as unknown as typeof mehlichLime,
  method: 'lime.smp',
  startsAtPh: 7.5,
  readings: { from: 4, to: 7.5 },
  acidity: { perPh: 12, fromPh: 7 },
  aims: { from: 6, to: 6.8 },
  basisEccePercent: FIELD_LIME_ECCE_PERCENT,
  resultUnit: FIELD_LIME,
};
const adamsEvans: LimeBuffer = {
  says: 'Adams-Evans buffer',
  reckoning: adamsEvansLime as unknown as typeof mehlichLime,
  method: 'lime.adams-evans',
  startsAtPh: 8,
  readings: { from: 7, to: 8.1 },
  acidity: { perPh: 8, fromPh: 8 },
  aims: { from: 0, to: 7 },
  basisEccePercent: 100,
  resultUnit: PURE_LIME,
};

const readAs = (name: Method, other: LimeBuffer): LimeBuffer => ({
  ...other,
  says: `${methodName(name)[0]?.toUpperCase()}${methodName(name).slice(1)} buffer, read as ${other.says.replace(' buffer', '')}`,
});

export const LIME_BUFFERS = {
  mehlich,
  'modified-mehlich': readAs('modified-mehlich', mehlich),
  smp,
  sikora: readAs('sikora', smp),
  'adams-evans': adamsEvans,
  'moore-sikora': readAs('moore-sikora', adamsEvans),
} as const satisfies Partial<Record<Method, LimeBuffer>>;
export type BufferMethod = keyof typeof LIME_BUFFERS;
export const BUFFER_METHODS = Object.keys(LIME_BUFFERS) as BufferMethod[];

/** The three that the others are read as: what a person is asked first where a report does not name its buffer. */
export const FIRST_BUFFERS = ['mehlich', 'smp', 'adams-evans'] as const satisfies readonly BufferMethod[];

/** The buffer of a method, or undefined where the method is none: a buffer that is not named is never guessed. */
export const limeBuffer = (method: Method | undefined): LimeBuffer | undefined =>
  method !== undefined && Object.hasOwn(LIME_BUFFERS, method) ? LIME_BUFFERS[method as BufferMethod] : undefined;

/**
 * Why a number cannot be a reading of a buffer, or undefined where it can.
 *
 * @example refuseReading('mehlich', 7.1)?.field // 'bufferPh'
 */
export function refuseReading(method: BufferMethod, bufferPh: number): Refusal | undefined {
  const { readings, startsAtPh } = LIME_BUFFERS[method];
  if (bufferPh >= readings.from && bufferPh <= readings.to) return undefined;
  return refuse(
    'bufferPh',
    `A ${methodName(method)} buffer starts at pH ${startsAtPh} and reads between ${readings.from} and ${readings.to}: ${bufferPh} cannot be one. Look on the report which buffer it is, or take the laboratory’s own lime figure.`,
  );
}
