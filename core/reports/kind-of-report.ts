import type { ReportPage } from './document';
import type { FileFact } from './reading';
import { readLabel, type ReportKind } from './terms/label';
import { plain } from '../words/plain';

const WATER =
  /\b(irrigation water|water (?:analysis|report|test|sample|quality|suitability)|wasser(?:analyse|untersuchung)|analyse d.?eau|eau d.?irrigation|analisis de agua|agua de riego|well water)\b/;
const TISSUE =
  /\b((?:plant|leaf|foliar|clipping) (?:tissue|analysis|sample|report)|tissue (?:analysis|report|test|sample)|blattanalyse|pflanzenanalyse|analyse foliaire|analisis foliar|clippings? (?:analysis|nutrients?))\b/;
const SOIL = /\b(soil|boden|sol|suelo|buffer ph|organic matter|cec|kak|cic|lime)\b/;
/** Only water is tested for these. */
const ONLY_WATER =
  /\b(bicarbonates?|hco3|bikarbonat|bicarbonatos?|total dissolved solids|tds|adj(?:usted|\.)? sar|residual sodium carbonate|rsc)\b/;
/** Lines by which a report is told; its kind stands at its top. */
const LINES = 60;

/**
 * Whether a report is of soil, of irrigation water or of leaves, by what it says of itself, by what only one of them is tested for, and by
 * phosphorus in percent, which no soil has.
 */
export function kindOfReport(pages: readonly ReportPage[]): FileFact<ReportKind> {
  const lines = pages.slice(0, 2).flatMap((page) => page.lines.slice(0, LINES));
  const cells = lines.flatMap((line) => line.cells.map((cell) => cell.text));
  const text = plain(cells.join('  ').slice(0, 20_000));
  const said = (pattern: RegExp): string | undefined => pattern.exec(text)?.[0];
  const percents = cells.filter((cell) => {
    const { meaning } = readLabel(cell);
    return meaning.kind === 'analyte' && meaning.analyte === 'P' && meaning.unit === '%';
  });
  const tissue = said(TISSUE) ?? (percents.length > 0 ? percents[0] : undefined);
  if (tissue && !said(/\bsoil (?:test|analysis|report)\b/)) return { value: 'tissue', because: `“${tissue}”` };
  const water = said(WATER);
  const only = said(ONLY_WATER);
  if (water && (only || !said(SOIL))) return { value: 'water', because: `“${water}”` };
  if (only && !said(/\b(buffer ph|organic matter|cec|soil ph|boden|suelo)\b/))
    return { value: 'water', because: `“${only}” is tested in water` };
  return { value: 'soil', because: 'nothing says another' };
}
