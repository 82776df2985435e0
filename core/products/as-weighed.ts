/**
 * A weigh-out as the scale shows it, to a tenth of a pound: what is taken from a bag, so what is left of it and what it
 * costs follow from this figure and not from the unrounded one. 25.12 lb product is 25.1. Decision, docs/decisions.md.
 */
export const asWeighed = (lb: number): number => Math.round(lb * 10 + 1e-9) / 10;
