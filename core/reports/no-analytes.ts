import { refuse } from '../reckoning/refusal';

/** A file in which nothing is a result. */
export const noAnalytes = refuse(
  'header',
  'No line of this file names soil analytes (pH, P, K, ...) with values. Is it a report of a soil test?',
);
