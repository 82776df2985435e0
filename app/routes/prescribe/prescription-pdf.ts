import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { OwnFigure, Property } from '@core/records/case';
import { grassOf } from '@core/packs/grasses';
import { reasonOf } from '@core/prescription/override-figure';
import { dayOfYear } from '@core/days/day';
import type { Figure } from '@core/reckoning/figure';
import type { NutrientPrescription } from '@core/prescription/prescription';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { sayDate, sayDay } from '@core/words/days';
import type { QuantityId, Units } from '../../ui/format';
import { PAPER } from '../../ui/paper';
import { MARK_OF } from '../../ui/marks';
import { showAmount, unitFor } from '../../work/dose-words';

interface PrintedLine {
  name: string;
  value: number;
  substance: string;
  /** What it is; a count where nothing is said. */
  quantity?: QuantityId;
  /** With as many decimals as it needs. */
  exact?: boolean;
  says: string;
  own?: OwnFigure;
  byRule?: Figure;
  purpose?: string;
}

const nutrientLine = (name: string, substance: string, line: NutrientPrescription, purpose?: string): PrintedLine => ({
  name,
  value: line.yearLb,
  substance,
  quantity: 'nutrient-rate',
  says: line.says,
  own: line.own,
  byRule: line.byRule,
  purpose,
});

/** What the doses bring in each part of the year, in a sentence. */
const partWords = (parts: ZoneSeason['parts'], doses: ZoneSeason['doses'], units: Units): string =>
  parts && parts.parts.length > 1 && doses.length > 0
    ? `. By parts: ${parts.parts
        .map(({ title, from, to }) => {
          const brought = doses
            .filter((dose) => dayOfYear(dose.date) >= from && dayOfYear(dose.date) <= to)
            .reduce((sum, dose) => sum + (dose.delivers.N ?? 0), 0);
          return `${title.toLowerCase()} ${units.rate(brought)} ${units.short('nutrient-rate', 'N')}`;
        })
        .join(', ')}.`
    : '';

function linesOf({ prescription, parts, doses }: ZoneSeason, units: Units): PrintedLine[] {
  const exact = (lb: number) => units.exact('nutrient-rate', lb, 4);
  const { ph, nitrogen, gypsum, foliar, overseeding } = prescription;
  const lime = ph.action === 'lime';
  return [
    {
      name: 'pH first',
      value: lime || ph.action === 'sulfur' ? (ph.material?.value ?? 0) : 0,
      substance: lime ? 'lime' : 'S, free',
      quantity: lime ? 'product-rate' : 'nutrient-rate',
      says: [ph.says, ph.waits ?? '', ph.retest].filter(Boolean).join(' '),
      own: ph.own,
      byRule: ph.byRule,
      purpose: lime ? 'lime' : 'sulfur',
    },
    {
      name: 'Nitrogen',
      value: nitrogen.year.value,
      substance: 'N',
      quantity: 'nutrient-rate',
      exact: true,
      says: nitrogen.steps
        .filter((step) => !step.off)
        .map((step) => `${step.says} ${step.id !== 'base' && step.lb > 0 ? '+' : ''}${exact(step.lb)}`)
        .join('; ')
        .concat(partWords(parts, doses, units), overseeding ? ` ${overseeding.says}` : ''),
      own: nitrogen.own,
      byRule: nitrogen.byRule,
      purpose: 'N',
    },
    nutrientLine('Phosphorus', 'P2O5', prescription.phosphorus, 'P2O5'),
    nutrientLine('Potassium', 'K2O', prescription.potassium, 'K2O'),
    nutrientLine('Magnesium', 'Mg', prescription.magnesium),
    nutrientLine('Sulfur', 'S, combined', prescription.sulfur),
    ...(gypsum.yearLb > 0
      ? [
          {
            name: 'Gypsum',
            value: gypsum.yearLb,
            substance: 'gypsum',
            quantity: 'material-rate' as const,
            says: gypsum.says,
            own: gypsum.own,
            byRule: gypsum.byRule,
            purpose: 'gypsum',
          },
        ]
      : []),
    ...foliar.map(({ purpose, sprays, says, own }): PrintedLine => ({
      name: MARK_OF[purpose].word.replace(/^./, (letter) => letter.toUpperCase()),
      value: sprays,
      substance: sprays === 1 ? 'spray' : 'sprays',
      says,
      own,
      purpose,
    })),
  ];
}

function zonePage(season: ZoneSeason, property: Property, today: string, last: boolean, units: Units): Content[] {
  const { zone, prescription, doses } = season;
  const rows = linesOf(season, units).map((line): Content[] => {
    const { quantity } = line;
    const show = (value: number) =>
      quantity === undefined
        ? units.plain(value)
        : line.exact
          ? units.exact(quantity, value)
          : units.show(quantity, value);
    const when = doses
      .filter((dose) => dose.for === line.purpose)
      .map((dose) => `${sayDay(dose.date)}: ${showAmount(dose, units)} ${unitFor(dose, units)}`);
    return [
      { text: line.name, bold: true },
      {
        stack: [
          line.value > 0
            ? {
                text: [
                  { text: show(line.value), bold: true, italics: line.own !== undefined },
                  ` ${quantity === undefined ? line.substance : units.short(quantity, line.substance)}`,
                ],
              }
            : 'none',
          ...(line.own && quantity !== undefined
            ? [
                {
                  text: [{ text: show(line.byRule?.value ?? 0), decoration: 'lineThrough' as const }, ' by the rule'],
                  fontSize: 8,
                },
              ]
            : []),
          ...(line.value > 0 && quantity !== undefined
            ? [
                {
                  text: `${units.say('weight', (line.value * zone.areaSqFt) / 1000, line.substance)} here`,
                  fontSize: 8,
                },
              ]
            : []),
        ],
      },
      { stack: when.length > 0 ? when : ['no dose'] },
      {
        stack: [
          units.said(line.says),
          ...(line.own
            ? [
                {
                  text: `Override: ${reasonOf(line.own)}`,
                  margin: [0, 2, 0, 0] as [number, number, number, number],
                  bold: true,
                },
              ]
            : []),
        ],
      },
    ];
  });
  const cautions = [...prescription.refusals.map((refusal) => refusal.refused), ...prescription.cautions].map((each) =>
    units.said(each),
  );
  return [
    { text: `${zone.name}, ${property.name}`, font: 'Vollkorn', fontSize: 20 },
    {
      text: `Prescription. ${grassOf(zone.grass).name}, ${units.say('area', zone.areaSqFt)}${prescription.tested ? '' : '; a stopgap, no soil test'}; ${sayDate(today)}.`,
      margin: [0, 2, 0, 10],
    },
    {
      table: {
        headerRows: 1,
        widths: [66, 92, 108, '*'],
        body: [
          ['Judged in order', `${units.perArea('nutrient-rate')}, a year`, 'Doses', 'What it comes from'].map(
            (text) => ({
              text,
              bold: true,
            }),
          ),
          ...rows,
        ],
      },
      layout: {
        hLineWidth: () => 0.5,
        vLineWidth: () => 0,
        hLineColor: () => '#A9A894',
        paddingTop: () => 4,
        paddingBottom: () => 4,
      },
    },
    ...(cautions.length > 0
      ? [
          {
            text: 'Cautions',
            font: 'Vollkorn',
            fontSize: 13,
            margin: [0, 10, 0, 2] as [number, number, number, number],
          },
          { ul: cautions },
        ]
      : []),
    {
      text: 'Check local law before fertilising; follow the label of every product. Each amount is named: lime, N, P2O5, K2O, Mg, S.',
      fontSize: 8,
      margin: [0, 10, 0, 0],
      ...(last ? {} : { pageBreak: 'after' as const }),
    },
  ];
}

/** The prescription as Letter pages, a zone a page; overrides stand with the rule's beside them and the reason. */
export function prescriptionDocument(
  property: Property,
  zones: readonly ZoneSeason[],
  today: string,
  units: Units,
): TDocumentDefinitions {
  return {
    pageSize: 'LETTER',
    pageMargins: [48, 48, 48, 48],
    info: { title: `Prescription, ${property.name}` },
    defaultStyle: PAPER,
    content: zones.flatMap((season, i) => zonePage(season, property, today, i === zones.length - 1, units)),
  };
}
