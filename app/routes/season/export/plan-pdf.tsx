import type { Content, ContentText, TDocumentDefinitions } from 'pdfmake/interfaces';
import { renderToStaticMarkup } from 'react-dom/server';
import type { CareTask } from '@core/care/tasks';
import type { Case } from '@core/records/case';
import { grassOf } from '@core/packs/grasses';
import { PURPOSE_CAUTIONS } from '@core/season/rules/cautions';
import type { JudgedPlan } from '@core/season/checks/judge-plan';
import type { SeasonPlan, ZoneSeason } from '@core/season/plan/season-plan';
import { type PlanSheet, planSheet, type SheetLine } from '@core/season/output/plan-sheet';
import { weeklyNitrogen } from '@core/season/plan/weekly-nitrogen';
import type { Units } from '../../../ui/format';
import { weeklyNitrogenSvg } from '../../../ui/charts/weekly-nitrogen-chart';
import type { PhFinding } from '@core/soil/interpret';
import type { Purchase } from '@core/products/purchases';
import { shortfallsOf, shortfallWords } from '@core/season/shortfalls/shortfalls';
import { showMoney, showPh } from '@core/words/numbers';
import { sayDate, sayDay, sayWeekday } from '@core/words/days';
import { forPdf, PAPER, ruled, standalone } from '../../../ui/paper';
import { Ribbon } from '../../../ui/ribbon';
import { amountOut } from '../../../work/amount-out';
import { boughtWords, bulkWords, packageSize } from '../../../work/bought-words';
import { amountFor, bringsInWords } from '../../../work/dose-words';
import { feedingWindows } from '@core/season/plan/season-windows';

const WIDTH_PT = 696;
const RIBBON = { width: 806, height: 84 } as const;
const CHART = { width: 806, height: 158 } as const;

const bold = (text: string): Content => ({ text, bold: true });
const heading = (text: string): ContentText => ({ text, font: 'Vollkorn', fontSize: 13, margin: [0, 8, 0, 2] });
/** Pieces that stay on one page: a heading is never parted from what it heads. */
const together = (...stack: Content[]): Content => ({ stack, unbreakable: true });
/** A list of so few lines is not parted at all. */
const SHORT_LIST = 6;
/** A table under its title, which stays with its first rows and stands over it again overleaf. */
const titled = (title: string, widths: (number | '*')[], names: readonly string[], rows: Content[][]): Content => {
  const spanned = names.slice(1).map(() => '');
  return {
    table: {
      headerRows: 2,
      keepWithHeaderRows: 2,
      dontBreakRows: true,
      widths,
      body: [[{ ...heading(title), colSpan: names.length }, ...spanned], names.map(bold), ...rows],
    },
    layout: ruled,
  };
};
/** A list under its heading: the heading stays with the first line, the rest may go on overleaf. */
const listed = (title: string, [first, ...rest]: readonly string[]): Content[] =>
  first === undefined
    ? []
    : rest.length < SHORT_LIST
      ? [together(heading(title), { ul: [first, ...rest] })]
      : [together(heading(title), { ul: [first] }), ...(rest.length > 0 ? [{ ul: rest } as Content] : [])];

/** In the unit of the column, or of a liquid with its own. */
const rateOf = ({ lbPerGal, ratePer1000Lb }: SheetLine, units: Units): string =>
  lbPerGal === undefined ? units.productRate(ratePer1000Lb) : amountOut(units, lbPerGal).rate(ratePer1000Lb);
const outOf = ({ lbPerGal, weighOutLb }: SheetLine, units: Units): string =>
  lbPerGal === undefined ? units.weight(weighOutLb) : amountOut(units, lbPerGal).say(weighOutLb);

function doseRows(lines: readonly SheetLine[], units: Units): Content[][] {
  return lines.map((line) => [
    sayWeekday(line.date),
    `${line.product} ${line.face}`,
    { text: rateOf(line, units), alignment: 'right' },
    { text: outOf(line, units), alignment: 'right' },
    bringsInWords(line.delivers, units),
    units.said(line.why),
  ]);
}

function zonePage(
  given: Case,
  plan: SeasonPlan,
  zoneSeason: ZoneSeason,
  lines: readonly SheetLine[],
  today: string,
  units: Units,
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
        units,
      },
      CHART.width,
      CHART.height,
    ),
  );
  const table = titled(
    'What goes down',
    [62, 130, 58, 58, 130, '*'],
    [
      'Day',
      'Product',
      units.heading('product-rate', 'product'),
      `${units.unit('weight', 'product')}, zone`,
      units.setting.system === 'us' ? 'Brings, per 1000 sq ft' : 'Brings',
      'Why then',
    ],
    doseRows(lines, units),
  );
  return [
    together(
      { text: zone.name, font: 'Vollkorn', fontSize: 17, margin: [0, 16, 0, 0] },
      { text: `${grassOf(zone.grass).name}, ${units.say('area', zone.areaSqFt)}`, margin: [0, 1, 0, 6] },
      { svg: ribbon, width: WIDTH_PT, height: (WIDTH_PT / RIBBON.width) * RIBBON.height },
      ...(lines.length === 0 ? [{ text: 'Nothing goes down here this year.', margin: [0, 8, 0, 0] } as Content] : []),
    ),
    ...(lines.length > 0 ? [table] : []),
    ...(weekly.supply.length > 0
      ? [
          together(
            heading(
              `Nitrogen by the week: growth asks (line), doses make free (bars), ${units.unit('nutrient-rate', 'N')}`,
            ),
            {
              svg: chart,
              width: WIDTH_PT,
              height: (WIDTH_PT / CHART.width) * CHART.height,
            },
          ),
        ]
      : []),
  ];
}

const JUDGED = ['phosphorus', 'potassium', 'magnesium', 'sulfur'] as const;

const PH_WORDS: Readonly<Record<PhFinding['place'], string>> = {
  'too-acid': 'low, nothing more this year',
  inside: 'right',
  'too-alkaline': 'high, left alone',
};

/** What the report of a zone came to, as its owner would be told. */
function foundOn({ zone, read, prescription }: ZoneSeason, units: Units): string {
  const levels = JUDGED.flatMap((nutrient) => {
    const { level } = prescription[nutrient];
    return level === 'not-tested' ? [] : [`${nutrient} ${level.replace('-', ' ')}`];
  });
  const does = { lime: 'too acid: lime', sulfur: 'too high: sulfur', leave: 'high, left alone', none: undefined };
  const pH = read?.ph && `pH ${showPh(read.ph.ph)}, ${does[prescription.ph.action] ?? PH_WORDS[read.ph.place]}`;
  const asks = [
    [prescription.nitrogen.year.value, 'N'],
    [prescription.phosphorus.yearLb, 'P2O5'],
    [prescription.potassium.yearLb, 'K2O'],
  ] as const;
  const year = asks.flatMap(([lb, of]) => (lb > 0 ? [units.say('nutrient-rate', lb, of)] : []));
  const found = prescription.tested
    ? `${[pH, levels.join(', ')].filter(Boolean).join('; ')}.`
    : 'no soil test yet, so nothing is known of pH, phosphorus and potassium.';
  return `${zone.name}: ${found} The year asks ${year.join(', ') || 'nothing'}.`;
}

const DOES: Readonly<Record<SheetLine['for'], string>> = {
  N: 'feeds',
  P2O5: 'phosphorus',
  K2O: 'potassium',
  lime: 'raises pH',
  sulfur: 'lowers pH',
  gypsum: 'frees sodium',
  iron: 'greens',
  manganese: 'greens',
};

/** The days as a client reads them: what goes where, and what it is for; the weights stand on the next pages. */
const dayRows = (trips: PlanSheet['trips']): Content[][] =>
  trips.map(({ date, lines }) => {
    const zones = [...new Set(lines.map((line) => line.zone))];
    const does = [...new Set(lines.map((line) => DOES[line.for]))];
    const products = [...new Set(lines.map((line) => line.product))];
    return [sayWeekday(date), zones.join(', '), products.join('; '), does.join(', ')];
  });

const counted = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`;

const bagsWords = (purchase: Purchase, units: Units): string =>
  `${boughtWords(purchase, units)}${purchase.packages > 0 && purchase.packageLb !== undefined ? ` of ${packageSize(purchase, units)}` : ''}${bulkWords(purchase, units)}`;

const costWords = ({ buying, cost, priced, trips }: PlanSheet): string => {
  const bags = buying.reduce((sum, p) => sum + p.packages, 0);
  if (trips.length === 0) return 'Nothing is bought.';
  if (buying.every((p) => p.lb === 0))
    return `Nothing is bought: all comes from stock; ${counted(trips.length, 'day')} of spreading.`;
  return `${showMoney(cost)} of material${priced ? '' : ', without what has no price'}: ${counted(bags, 'bag')}, list below; ${counted(trips.length, 'day')} of spreading.`;
};

/** What a client does after a day of spreading, and when a new sample is due. */
function afterwards(plan: SeasonPlan, purposes: readonly SheetLine['for'][]): string[] {
  const retests = new Map<string, string[]>();
  for (const { zone, prescription } of plan.zones) {
    const { retest } = prescription.ph;
    if (prescription.tested && retest) retests.set(retest, [...(retests.get(retest) ?? []), zone.name]);
  }
  return [
    'Keep children and pets off until it is watered in and dry; sweep granules from paving back onto the grass.',
    ...purposes.map((purpose) => PURPOSE_CAUTIONS[purpose]),
    ...[...retests].map(([retest, zones]) => `${zones.join(', ')}: ${retest}`),
  ];
}

/**
 * The season's plan for the client, on Letter landscape. First a page that a client understands: what was found, what goes down when and
 * what for, what to do afterwards, what it costs. Then days, shopping, and each zone with its year drawn.
 */
export function planDocument(
  given: Case,
  plan: SeasonPlan,
  judged: JudgedPlan,
  { today, provenance, care, units }: { today: string; provenance: string; care: readonly CareTask[]; units: Units },
): TDocumentDefinitions {
  const said = (sentence: string) => units.said(sentence);
  const sheet = planSheet(given, plan);
  const open = judged.checks.filter((c) => c.standing !== 'pass');
  const purposes = [...new Set(sheet.lines.map((line) => line.for))];
  return {
    pageSize: 'LETTER',
    pageOrientation: 'landscape',
    pageMargins: [48, 40, 48, 40],
    info: { title: `Season ${plan.year}, ${given.property.name}` },
    defaultStyle: PAPER,
    footer: (page, pages) => ({
      text: `${given.property.name}, season ${plan.year}; page ${page} of ${pages}`,
      alignment: 'right',
      fontSize: 8,
      margin: [48, 12, 48, 0],
    }),
    content: [
      { text: `Season ${plan.year}, ${given.property.name}`, font: 'Vollkorn', fontSize: 22 },
      {
        text: `${counted(sheet.lines.length, 'dose')} on ${counted(sheet.trips.length, 'day')}; ${provenance}; ${sayDate(today)}.`,
        margin: [0, 2, 0, 4],
      },
      ...listed(
        'What was found',
        plan.zones.map((zone) => foundOn(zone, units)),
      ),
      ...(sheet.trips.length > 0
        ? [
            titled(
              'What goes down, and what for',
              [70, '*', '*', 120],
              ['Day', 'Where', 'What', 'What it does'],
              dayRows(sheet.trips),
            ),
          ]
        : [together(heading('What goes down'), { text: 'Nothing this year.' })]),
      together(heading('What it costs'), { text: costWords(sheet) }),
      ...listed('Afterwards', afterwards(plan, purposes).map(said)),
      ...listed(
        'What the plan leaves short',
        shortfallsOf(given, plan).map(
          (short) =>
            `${plan.zones.find((z) => z.zone.id === short.zoneId)?.zone.name ?? ''}: ${said(shortfallWords(short))} What frees it: ${said(short.cure.says)}`,
        ),
      ),
      ...listed('For whoever spreads', sheet.cautions.map(said)),
      ...(sheet.lines.length > 0
        ? [
            titled(
              'Days of spreading',
              [70, 110, '*', 90],
              ['Day', 'Zone', 'Product', 'Weigh out'],
              sheet.lines.map((line) => [
                sayWeekday(line.date),
                line.zone,
                `${line.product} ${line.face}`,
                { text: amountOut(units, line.lbPerGal).say(line.weighOutLb), alignment: 'right' as const },
              ]),
            ),
            titled(
              'To buy, all zones',
              ['*', 90, 90, 110, 60, 90],
              ['Product', 'Needed', 'On hand', 'Bags', 'Cost', 'Left over'],
              [
                ...sheet.buying.map((p) => [
                  p.name,
                  amountOut(units, p.lbPerGal).store(p.neededLb),
                  amountOut(units, p.lbPerGal).store(p.onHandLb),
                  bagsWords(p, units),
                  p.lb === 0 ? '' : p.cost === undefined ? 'no price' : showMoney(p.cost),
                  amountOut(units, p.lbPerGal).store(p.leftLb),
                ]),
                [bold(sheet.priced ? 'In all' : 'Priced part'), '', '', '', bold(showMoney(sheet.cost)), ''],
              ],
            ),
          ]
        : []),
      ...plan.zones.flatMap((z) =>
        zonePage(
          given,
          plan,
          z,
          sheet.lines.filter((line) => line.zoneId === z.zone.id),
          today,
          units,
        ),
      ),
      ...listed(
        'Care beside feeding',
        plan.zones.flatMap(({ zone }) =>
          care
            .filter((task) => task.zoneId === zone.id)
            .map(
              (task) =>
                `${zone.name}, ${sayDay(task.from)} to ${sayDay(task.to)}: ${task.title}. ${said(task.says)} When ${task.condition}.`,
            ),
        ),
      ),
      ...listed(
        'What the checks say',
        open.map(
          (c) =>
            `${c.standing === 'fail' ? 'Fails' : 'Mind'}: ${c.zoneName ? `${c.zoneName}, ` : ''}${c.title}. ${said(c.says ?? '')}`,
        ),
      ),
    ],
  };
}
