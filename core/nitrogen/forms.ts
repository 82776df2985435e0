import type { Product } from '../records/case';
import { NITROGEN_FORMS, type NitrogenForm } from '../records/vocabularies';

/** What lets a slow form go: a coating by warmth, water by dissolving it, or microbes, which want warm soil. */
export type ReleaseDriver = 'coating' | 'water' | 'microbes';

/**
 * A form of nitrogen as a label declares it: its word, how it lets go, what it loses and how it sours. One row each; release,
 * slow share, ammonia, acidity, label slip and match all ask here.
 */
export interface NitrogenFormRow {
  /** As a strip of a label has room for. */
  word: string;
  /** Slow forms: days they feed at 68 deg F where a label says none, and what drives it. Common practice; from memory. */
  slow?: { days: number; driver: ReleaseDriver; byLabel?: true };
  /** Loses ammonia beside fresh lime. Common practice: two weeks between. */
  ammonia?: true;
  /** Whose acidity it has once it is free; salts are told by their partners (`carriers.ts`). */
  sours: 'urea' | 'organic' | 'as-its-salt';
  /** Among the few that a label slip shows first. */
  common?: true;
}

export const NITROGEN_FORM_TABLE: Readonly<Record<NitrogenForm, NitrogenFormRow>> = {
  'polymer-coated-urea': {
    word: 'coated',
    slow: { days: 70, driver: 'coating', byLabel: true },
    sours: 'urea',
    common: true,
  },
  'sulfur-coated-urea': { word: 'sulfur-coated', slow: { days: 70, driver: 'coating', byLabel: true }, sours: 'urea' },
  'methylene-urea': { word: 'methylene', slow: { days: 70, driver: 'microbes' }, sours: 'urea', common: true },
  ureaform: { word: 'ureaform', slow: { days: 150, driver: 'microbes' }, sours: 'urea' },
  // dissolves by water and acid, not by microbes
  ibdu: { word: 'IBDU', slow: { days: 90, driver: 'water' }, sours: 'urea' },
  'natural-organic': { word: 'organic', slow: { days: 84, driver: 'microbes' }, sours: 'organic', common: true },
  urea: { word: 'urea', ammonia: true, sours: 'urea', common: true },
  'other-soluble': { word: 'other soluble', sours: 'urea' },
  ammoniacal: { word: 'ammoniacal', ammonia: true, sours: 'as-its-salt', common: true },
  nitrate: { word: 'nitrate', sours: 'as-its-salt', common: true },
};

/** Forms from the slowest group to the quickest, as a strip draws them. */
export const FORMS_SLOW_FIRST = Object.keys(NITROGEN_FORM_TABLE) as readonly NitrogenForm[];

/** Percent of a product that its forms of one kind bring. 24-0-11 with 12 % coated: 12 for slow. */
export const percentOfForms = (product: Product, of: (row: NitrogenFormRow) => boolean): number =>
  NITROGEN_FORMS.reduce((sum, form) => sum + (of(NITROGEN_FORM_TABLE[form]) ? (product.nitrogen?.[form] ?? 0) : 0), 0);

/** Share of a product's nitrogen that is slow, 0..1. A label without forms counts as all soluble: the careful reading. */
export function slowShare(product: Product): number {
  const total = product.guaranteed.N ?? 0;
  return total === 0 || !product.nitrogen
    ? 0
    : Math.min(1, percentOfForms(product, (form) => form.slow !== undefined) / total);
}

/** Whether a product brings urea or ammonium that fresh lime would turn into ammonia. Unknown forms count as yes. */
export const losesAmmonia = (product: Product): boolean =>
  (product.guaranteed.N ?? 0) > 0 &&
  (!product.nitrogen || percentOfForms(product, (form) => form.ammonia === true) > 0);

/** Percent of a product that microbes must work before it feeds. */
export const microbePercent = (product: Product): number =>
  percentOfForms(product, (form) => form.slow?.driver === 'microbes');

/** Whether most of a product's nitrogen waits for microbes. Such a source goes on warm soil only. */
export const microbeDriven = (product: Product): boolean => microbePercent(product) > 0.5 * (product.guaranteed.N ?? 0);
