import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { renderToStaticMarkup } from 'react-dom/server';
import type { CareTask } from '@core/care/tasks';
import type { Case } from '@core/records/case';
import { grassOf } from '@core/packs/grasses';
import { PURPOSE_CAUTIONS, SPREADING_CAUTIONS } from '@core/season/rules/cautions';
import type { JudgedPlan } from '@core/season/checks/judge-plan';
import type { SeasonPlan, ZoneSeason } from '@core/season/plan/season-plan';
import { planSheet, type SheetLine } from '@core/season/output/plan-sheet';
import { weeklyNitrogen } from '@core/season/plan/weekly-nitrogen';
import { weeklyNitrogenSvg } from '../../../ui/charts/weekly-nitrogen-chart';
import { showArea, showMoney, showProductRate, showWeight } from '@core/words/numbers';
import { sayDate, sayDay, sayWeekday } from '@core/words/days';
import { Ribbon } from '../../../ui/ribbon';
import { amountFor, bringsInWords } from '../../../work/dose-words';
import { feedingWindows } from '@core/season/plan/season-windows';

const WIDTH_PT = 696;
const RIBBON = { width: 806, height: 84 } as const;
const CHART = { width: 806, height: 190 } as const;

/** Colours of print: what the page takes from its style sheet, written out. */
const INK: Readonly<Record<string, string>> = {
  '--growth': '#DDE4CB',
  '--growth-line': '#54483B',
  '--loam': '#2A2017',
  '--edge': '#807D69',
  '--rule': '#C4C5B1',
  '--moss': '#3D5F22',
  '--sheet': '#FFFFFF',
  '--lichen': '#FFFFFF',
};

/** The page's drawing as a picture that stands alone: no style sheet, no fonts but the ones that ship with the print. */
function standalone(markup: string): string {
  const svg = /<svg[\s\S]*?<\/svg>/.exec(markup)?.[0] ?? '';
  return svg
    .replaceAll(/var\((--[\w-]+)\)/g, (_, name: string) => INK[name] ?? '#2A2017')
    .replaceAll(/<text([^>]*?)style="([^"]*)"/g, '<text$1style="$2;font-family:Source"')
    .replaceAll(/<text(?![^>]*style=)/g, '<text font-family="Source" font-size="10.5" fill="#2A2017"');
}

const forPdf = (svg: string): string =>
  svg
    .replaceAll(/font-family:[^;"]*/g, 'font-family:Source')
    .replaceAll(/font-family="[^"]*"/g, 'font-family="Source"');

const heading = (text: string): Content => ({ text, font: 'Vollkorn', fontSize: 13, margin: [0, 10, 0, 3] });
const ruled = {
  hLineWidth: () => 0.5,
  vLineWidth: () => 0,
  hLineColor: () => '#A9A894',
  paddingTop: () => 3,
  paddingBottom: () => 3,
};
const bold = (text: string): Content => ({ text, bold: true });

function doseRows(lines: readonly SheetLine[]): Content[][] {
  return lines.map((line) => [
    sayWeekday(line.date),
    `${line.product} ${line.face}`,
    { text: `${showProductRate(line.ratePer1000Lb)}`, alignment: 'right' },
    { text: `${showWeight(line.weighOutLb)}`, alignment: 'right' },
    bringsInWords(line.delivers),
    line.why,
  ]);
}

function zonePage(
  given: Case,
  plan: SeasonPlan,
  zoneSeason: ZoneSeason,
  lines: readonly SheetLine[],
  today: string,
  care: readonly CareTask[],
): Content[] {
  const { zone, season, doses } = zoneSeason;
  const ribbon = standalone(
    renderToStaticMarkup(
      <Ribbon
        season={season}
        windows={feedingWindows(zoneSeason, plan)}
        doses={doses.map((d) => ({ date: d.date, for: d.for, lb: amountFor(d), says: '' }))}
        year={plan.year}
        today=""
        label=""
      />,
    ),
  );
  const weekly = weeklyNitrogen(zoneSeason, given.products ?? [], plan);
  const chart = forPdf(
    weeklyNitrogenSvg(
      {
        demand: weekly.demand,
        supply: weekly.supply.map((s) => ({ ...s, given: s.date < today })),
        left: 40,
        label: '',
      },
      CHART.width,
      CHART.height,
    ),
  );
  const tasks = care.filter((task) => task.zoneId === zone.id);
  return [
    {
      text: `${zone.name}`,
      font: 'Vollkorn',
      fontSize: 17,
      pageBreak: 'before',
    },
    { text: `${grassOf(zone.grass).name}, ${showArea(zone.areaSqFt)} sq ft`, margin: [0, 1, 0, 6] },
    { svg: ribbon, width: WIDTH_PT, height: (WIDTH_PT / RIBBON.width) * RIBBON.height },
    ...(lines.length > 0
      ? [
          {
            table: {
              headerRows: 1,
              widths: [62, 130, 58, 58, 130, '*'],
              body: [
                ['Day', 'Product', 'lb product per 1000', 'lb product, zone', 'Brings, per 1000 sq ft', 'Why then'].map(
                  bold,
                ),
                ...doseRows(lines),
              ],
            },
            layout: ruled,
            margin: [0, 8, 0, 0] as [number, number, number, number],
          },
        ]
      : [{ text: 'Nothing goes down here this year.', margin: [0, 8, 0, 0] as [number, number, number, number] }]),
    ...(weekly.supply.length > 0
      ? [
          heading('Nitrogen by the week: growth asks (line), doses make free (bars), lb N per 1000 sq ft'),
          { svg: chart, width: WIDTH_PT, height: (WIDTH_PT / CHART.width) * CHART.height },
        ]
      : []),
    ...(tasks.length > 0
      ? [
          heading('Care beside feeding'),
          {
            ul: tasks.map(
              (task) =>
                `${sayDay(task.from)} to ${sayDay(task.to)}: ${task.title}. ${task.says} When ${task.condition}.`,
            ),
          },
        ]
      : []),
  ];
}

/** The season's plan for the client: a page for the property, a page a zone with its year drawn, on Letter landscape. */
export function planDocument(
  given: Case,
  plan: SeasonPlan,
  judged: JudgedPlan,
  { today, provenance, care }: { today: string; provenance: string; care: readonly CareTask[] },
): TDocumentDefinitions {
  const sheet = planSheet(given, plan);
  const open = judged.checks.filter((c) => c.standing !== 'pass');
  const purposes = [...new Set(sheet.lines.map((line) => line.for))];
  return {
    pageSize: 'LETTER',
    pageOrientation: 'landscape',
    pageMargins: [48, 40, 48, 40],
    info: { title: `Season ${plan.year}, ${given.property.name}` },
    defaultStyle: { font: 'Source', fontSize: 9.5, lineHeight: 1.12, color: '#2A2017' },
    footer: (page, pages) => ({
      text: `${given.property.name}, season ${plan.year}; page ${page} of ${pages}`,
      alignment: 'right',
      fontSize: 8,
      margin: [48, 12, 48, 0],
    }),
    content: [
      { text: `Season ${plan.year}, ${given.property.name}`, font: 'Vollkorn', fontSize: 22 },
      {
        text: `${sheet.lines.length} doses on ${sheet.trips.length} days; ${provenance}; ${sayDate(today)}.`,
        margin: [0, 2, 0, 4],
      },
      heading('Days of spreading'),
      {
        table: {
          headerRows: 1,
          widths: [70, 110, '*', 90],
          body: [
            ['Day', 'Zone', 'Product', 'Weigh out'].map(bold),
            ...sheet.lines.map((line) => [
              sayWeekday(line.date),
              line.zone,
              `${line.product} ${line.face}`,
              { text: `${showWeight(line.weighOutLb)} lb product`, alignment: 'right' as const },
            ]),
          ],
        },
        layout: ruled,
      },
      heading('To buy, all zones'),
      {
        table: {
          headerRows: 1,
          widths: ['*', 90, 90, 60, 70, 100],
          body: [
            ['Product', 'Needed', 'On hand', 'Bags', 'Cost', 'Left over'].map(bold),
            ...sheet.buying.map((p) => [
              p.name,
              `${showWeight(p.neededLb)} lb product`,
              `${showWeight(p.onHandLb)} lb product`,
              `${p.packages}${p.packageLb === undefined ? '' : ` of ${p.packageLb} lb product`}`,
              p.cost === undefined ? 'no price' : showMoney(p.cost),
              `${showWeight(p.leftLb)} lb product`,
            ]),
            [bold(sheet.priced ? 'In all' : 'Priced part'), '', '', '', bold(showMoney(sheet.cost)), ''],
          ],
        },
        layout: ruled,
      },
      heading('Always'),
      { ul: [...SPREADING_CAUTIONS, ...purposes.map((purpose) => PURPOSE_CAUTIONS[purpose])] },
      ...(open.length > 0
        ? [
            heading('What the checks say'),
            {
              ul: open.map(
                (c) =>
                  `${c.standing === 'fail' ? 'Fails' : 'Mind'}: ${c.zoneName ? `${c.zoneName}, ` : ''}${c.title}. ${c.says ?? ''}`,
              ),
            },
          ]
        : []),
      ...plan.zones.flatMap((z) =>
        zonePage(
          given,
          plan,
          z,
          sheet.lines.filter((line) => line.zoneId === z.zone.id),
          today,
          care,
        ),
      ),
    ],
  };
}
