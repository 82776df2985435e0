import { KNOWN_LAWNS } from './known-lawns';
import { OWN_LAWNS } from './own-lawns';

/**
 * Lawns with known answers (F), and more of our own. None is there to tune a rule to: each question follows from a rule of
 * practice, and other lawns are invented where a rule is changed.
 */
export const REFERENCE_LAWNS = [...KNOWN_LAWNS, ...OWN_LAWNS];
