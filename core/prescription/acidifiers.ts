import type { Zone } from '../records/case';
import { nitrogenAcidity } from '../nitrogen/acidity';
import { isRefusal } from '../reckoning/refusal';
import { peatLimeEquivalent, sulfurLimeEquivalent } from '../sulfur/lime-equivalent';
import { SULFUR_LIMITS } from '../sulfur/doses';
import { type Figure, figureOf, sureFigure, traced } from '../reckoning/figure';
import { trimmed } from '../words/numbers';

/** What one way of acidifying does in a year, on the scale of lime undone. */
export interface Acidifier {
  id: 'elemental-sulfur' | 'ammonium-sulfate' | 'urea' | 'one-dose' | 'peat';
  name: string;
  /** What a year of it means here. */
  aYear: string;
  /** lb CaCO3/1000 ft2 undone. */
  undoes: Figure;
  /** Years to move the soil as far as it must go; undefined where the way there is not known. */
  years?: number;
  says: string;
}

export interface AcidifierComparison {
  /** Lime that stands between the soil and its aim, lb CaCO3/1000 ft2. */
  need?: Figure;
  rows: Acidifier[];
}

/** A dose of ammonium nitrogen as it is usually meant when somebody says "it acidifies", lb N/1000 ft2. Common practice. */
const ONE_DOSE_LB_N = 0.4;
/** Peat that the holes of one aeration take, yd3/1000 ft2. Common practice. */
const PEAT_YARDS = 0.25;
const unit = 'lb CaCO3 per 1000 ft2';

/**
 * The ways to lower pH side by side, in lime undone a year, so that somebody sees how little 0.4 lb of ammonium N does.
 * `sulfurNeed` is the elemental sulfur the soil asks for; without it only the yearly effects are told.
 */
export function compareAcidifiers(zone: Zone, yearN: Figure, sulfurNeed: Figure | undefined): AcidifierComparison {
  const turf = zone.turf ?? 'established';
  const { doseLb, perYear } = SULFUR_LIMITS[turf];
  const need =
    sulfurNeed &&
    figureOf(
      sulfurLimeEquivalent,
      { elementalLb: traced(sulfurNeed.value, 'sulfur the soil asks for', sulfurNeed) },
      { title: 'Lime between the soil and its aim', unit, usedIn: 'Prescribe: the years each way takes.' },
    );
  const mostAYear = doseLb * perYear;
  const sulfurAYear = sulfurNeed ? Math.min(sulfurNeed.value, mostAYear) : mostAYear;
  const nitrogen = (source: 'ammonium-sulfate' | 'urea', lb: number, says: string, figure?: Figure) =>
    sureFigure(
      nitrogenAcidity,
      { nitrogenLb: traced(lb, says, figure), source: traced(source, 'the source compared') },
      { title: `Lime undone by ${source.replace('-', ' ')}`, unit, usedIn: 'Prescribe: ways to acidify, compared.' },
    );
  const wholeYear = 'all nitrogen of the year';
  const rows: Omit<Acidifier, 'years'>[] = [
    {
      id: 'elemental-sulfur',
      name: 'Elemental sulfur',
      aYear: `${trimmed(sulfurAYear, 1)} lb free S, ${sulfurAYear < mostAYear ? 'all that is asked for' : 'the most of a year'}`,
      undoes: sureFigure(
        sulfurLimeEquivalent,
        { elementalLb: traced(sulfurAYear, sulfurAYear < mostAYear ? 'all that is asked for' : 'the most of a year') },
        { title: 'Lime undone by sulfur', unit, usedIn: 'Prescribe: ways to acidify, compared.' },
      ),
      says: 'Slow: months to a year, by microbes in warm soil.',
    },
    {
      id: 'ammonium-sulfate',
      name: 'Ammonium sulfate',
      aYear: `${trimmed(yearN.value, 2)} lb N, the whole year’s`,
      undoes: nitrogen('ammonium-sulfate', yearN.value, wholeYear, yearN),
      says: 'At once. Holds a pH; hardly moves one.',
    },
    {
      id: 'one-dose',
      name: 'One light dose of it',
      aYear: `${ONE_DOSE_LB_N} lb N`,
      undoes: nitrogen('ammonium-sulfate', ONE_DOSE_LB_N, 'one light dose'),
      says: 'What an “acidifying” spring feed really does.',
    },
    {
      id: 'urea',
      name: 'Urea',
      aYear: `${trimmed(yearN.value, 2)} lb N, the whole year’s`,
      undoes: nitrogen('urea', yearN.value, wholeYear, yearN),
      says: 'A third of ammonium sulfate.',
    },
    {
      id: 'peat',
      name: 'Peat in the holes',
      aYear: `${PEAT_YARDS} cubic yard of sphagnum peat`,
      undoes: sureFigure(
        peatLimeEquivalent,
        { cubicYards: traced(PEAT_YARDS, 'what aeration holes take; common practice') },
        { title: 'Lime undone by peat', unit, usedIn: 'Prescribe: ways to acidify, compared.' },
      ),
      says: 'Quick, small, gone within about a year.',
    },
  ];
  const known = need && !isRefusal(need) ? need : undefined;
  return {
    need: known,
    rows: rows.map((row) => ({
      ...row,
      years:
        known && row.undoes.value > 0 && row.id !== 'one-dose' && row.id !== 'peat'
          ? known.value / row.undoes.value
          : undefined,
    })),
  };
}
