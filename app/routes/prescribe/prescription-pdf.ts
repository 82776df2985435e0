import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { OwnFigure, Property } from '@core/records/case';
import { grassOf } from '@core/packs/grasses';
import { reasonOf } from '@core/prescription/override-figure';
import type { Figure } from '@core/reckoning/figure';
import type { NutrientPrescription } from '@core/prescription/prescription';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { showArea, showExact, showProductRate, showRate, showWeight } from '@core/words/numbers';
import { sayDate, sayDay } from '@core/words/days';
import { amountFor } from '../../work/dose-words';

interface PrintedLine {
  name: string;
  value: number;
  substance: string;
  show: (value: number) => string;
  says: string;
  own?: OwnFigure;
  byRule?: Figure;
  purpose?: string;
}

const nutrientLine = (name: string, substance: string, line: NutrientPrescription, purpose?: string): PrintedLine => ({
  name,
  value: line.yearLb,
  substance,
  show: showRate,
  says: line.says,
  own: line.own,
  byRule: line.byRule,
  purpose,
});

function linesOf({ prescription }: ZoneSeason): PrintedLine[] {
  const { ph, nitrogen } = prescription;
  const lime = ph.action === 'lime';
  return [
    {
      name: 'pH first',
      value: lime || ph.action === 'sulfur' ? (ph.material?.value ?? 0) : 0,
      substance: lime ? 'lime' : 'S, free',
      show: lime ? showProductRate : showRate,
      says: `${ph.says} ${ph.retest}`,
      own: ph.own,
      byRule: ph.byRule,
      purpose: lime ? 'lime' : 'sulfur',
    },
    {
      name: 'Nitrogen',
      value: nitrogen.year.value,
      substance: 'N',
      show: (value) => showExact(value, 3),
      says: nitrogen.steps
        .filter((step) => !step.off)
        .map((step) => `${step.says} ${step.id !== 'base' && step.lb > 0 ? '+' : ''}${showExact(step.lb)}`)
        .join('; '),
      own: nitrogen.own,
      byRule: nitrogen.byRule,
      purpose: 'N',
    },
    nutrientLine('Phosphorus', 'P2O5', prescription.phosphorus, 'P2O5'),
    nutrientLine('Potassium', 'K2O', prescription.potassium, 'K2O'),
    nutrientLine('Magnesium', 'Mg', prescription.magnesium),
    nutrientLine('Sulfur', 'S, combined', prescription.sulfur),
  ];
}

function zonePage(season: ZoneSeason, property: Property, today: string, last: boolean): Content[] {
  const { zone, prescription, doses } = season;
  const rows = linesOf(season).map((line): Content[] => {
    const when = doses
      .filter((dose) => dose.for === line.purpose)
      .map((dose) => `${sayDay(dose.date)}: ${showRate(amountFor(dose))} lb ${dose.for === 'sulfur' ? 'S' : dose.for}`);
    return [
      { text: line.name, bold: true },
      {
        stack: [
          line.value > 0
            ? {
                text: [
                  { text: line.show(line.value), bold: true, italics: line.own !== undefined },
                  ` lb ${line.substance}`,
                ],
              }
            : 'none',
          ...(line.own
            ? [
                {
                  text: [
                    { text: line.show(line.byRule?.value ?? 0), decoration: 'lineThrough' as const },
                    ' by the rule',
                  ],
                  fontSize: 8,
                },
              ]
            : []),
          ...(line.value > 0
            ? [{ text: `${showWeight((line.value * zone.areaSqFt) / 1000)} lb ${line.substance} here`, fontSize: 8 }]
            : []),
        ],
      },
      { stack: when.length > 0 ? when : ['no dose'] },
      {
        stack: [
          line.says,
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
  const cautions = [...prescription.refusals.map((refusal) => refusal.refused), ...prescription.cautions];
  return [
    { text: `${zone.name}, ${property.name}`, font: 'Vollkorn', fontSize: 20 },
    {
      text: `Prescription. ${grassOf(zone.grass).name}, ${showArea(zone.areaSqFt)} sq ft${prescription.tested ? '' : '; a stopgap, no soil test'}; ${sayDate(today)}.`,
      margin: [0, 2, 0, 10],
    },
    {
      table: {
        headerRows: 1,
        widths: [66, 92, 108, '*'],
        body: [
          ['Judged in order', 'Per 1000 sq ft, a year', 'Doses', 'What it comes from'].map((text) => ({
            text,
            bold: true,
          })),
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
      text: 'Check local law before fertilising; follow the label of every product. Pounds are named each time: lime, N, P2O5, K2O, Mg, S.',
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
): TDocumentDefinitions {
  return {
    pageSize: 'LETTER',
    pageMargins: [48, 48, 48, 48],
    info: { title: `Prescription, ${property.name}` },
    defaultStyle: { font: 'Source', fontSize: 9.5, lineHeight: 1.12, color: '#2A2017' },
    content: zones.flatMap((season, i) => zonePage(season, property, today, i === zones.length - 1)),
  };
}
