import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { renderToStaticMarkup } from 'react-dom/server';
import type { DayJob, FieldDay } from '@core/field/field-day';
import { faceOf } from '@core/products/label/face';
import { sayDay, sayWeekday } from '@core/words/days';
import { fixed } from '@core/words/numbers';
import type { Units } from '../../ui/format';
import { PAPER, ruled, standalone } from '../../ui/paper';
import { amountOf } from '../../work/amount-out';
import { fullUnitFor, showAmount } from '../../work/dose-words';
import { WalkPicture } from './walk-drawing';

const heading = (text: string): Content => ({ text, font: 'Vollkorn', fontSize: 13, margin: [0, 9, 0, 2] });
const cell = (text: string, bold = false): Content => ({ text, bold });
/** Lines to write on, side by side. */
const BLANK_LINE = '. '.repeat(24);
const toWrite = (...labels: string[]): Content => ({
  table: { widths: labels.map(() => '*'), body: [labels.map((label) => `${label}\n${BLANK_LINE}`)] },
  layout: 'noBorders',
  margin: [0, 3, 0, 0],
});

const takes = ({ job, weighOutLb }: DayJob, units: Units): string =>
  amountOf(units, job.product, job.dose.for === 'lime' ? 'lime' : 'product').say(weighOutLb);

/** The words of a job's zone and day: '0.75 lb N per 1000 sq ft, week of Mon 6 Sep, until 19 Sep'. */
const jobWords = ({ job }: DayJob, units: Units): string =>
  `${showAmount(job.dose, units)} ${fullUnitFor(job.dose, units)}, week of ${sayWeekday(job.dose.date)}, until ${sayDay(job.lastDay)}${job.daysLate > 0 ? `, ${job.daysLate} days late` : ''}`;

/** The day as a list: every job with what is taken, and all of it together as it is loaded. */
function dayList(jobs: readonly DayJob[], units: Units): Content[] {
  const loads = new Map<string, { lb: number; of: DayJob }>();
  for (const each of jobs) {
    const before = loads.get(each.job.product.id)?.lb ?? 0;
    loads.set(each.job.product.id, { lb: before + each.weighOutLb, of: each });
  }
  return [
    {
      table: {
        headerRows: 1,
        widths: [110, '*', 90, 50, 60],
        body: [
          ['Zone', 'Product', 'Take', 'min', 'State'].map((text) => cell(text, true)),
          ...jobs.map((each) => [
            each.job.zone.name,
            `${each.job.product.name} ${faceOf(each.job.product)}`,
            { text: takes(each, units), alignment: 'right' as const },
            each.walk
              ? fixed(
                  each.walk.rounds.reduce((sum, { minutes }) => sum + minutes, 0),
                  0,
                )
              : '',
            each.job.state,
          ]),
        ],
      },
      layout: ruled,
    },
    heading('Loaded together'),
    {
      ul: [...loads.values()].map(({ lb, of }) => `${takes({ ...of, weighOutLb: lb }, units)} ${of.job.product.name}`),
    },
  ];
}

function jobPage(each: DayJob, units: Units): Content[] {
  const { job, walk, openings, water, ground } = each;
  const rounds = walk?.rounds ?? [];
  const picture =
    walk &&
    standalone(
      renderToStaticMarkup(
        <WalkPicture
          walk={walk}
          round={0}
          done={0}
          cutOuts={ground?.cutOuts ?? []}
          water={ground?.keptClear.region ?? []}
          label=""
        />,
      ),
    );
  return [
    { text: job.zone.name, font: 'Vollkorn', fontSize: 17, pageBreak: 'before' },
    { text: `${jobWords(each, units)}; ${units.say('area', job.zone.areaSqFt)}`, margin: [0, 1, 0, 6] },
    {
      columns: [
        { text: takes(each, units), fontSize: 22, bold: true, width: 'auto' },
        {
          text: `${job.product.name} ${faceOf(job.product)}${job.product.lot ? `, lot ${job.product.lot}` : ''}\n${each.likelyErrorLb === undefined ? 'area as typed, error unknown' : `likely within ${amountOf(units, job.product).say(each.likelyErrorLb)}`}`,
          margin: [12, 4, 0, 0],
          width: '*',
        },
      ],
    },
    ...each.says.map((text): Content => ({ text: units.said(text), margin: [0, 2, 0, 0] })),
    ...(each.walkRefused === undefined ? [] : [{ text: units.said(each.walkRefused), bold: true } as Content]),
    ...(rounds.length === 0
      ? []
      : [
          heading('How it is walked'),
          {
            table: {
              headerRows: 1,
              widths: ['*', '*', '*', '*', '*', '*'],
              body: [
                [
                  '',
                  `Share, ${units.unit('weight', 'product')}`,
                  `Passes, ${units.unit('length')} apart`,
                  'min',
                  `Set for, ${units.heading('product-rate', 'product')}`,
                  'Opening',
                ].map((text) => cell(text, true)),
                ...rounds.map(({ stripes, shareLb, settingLb, minutes }, i) => [
                  `${i + 1}. at ${fixed(stripes.bearingDeg, 0)}°`,
                  units.weight(shareLb),
                  `${stripes.passes}, ${units.show('length', stripes.spacingFt)}`,
                  fixed(minutes, 0),
                  units.productRate(settingLb),
                  openings[i] === undefined ? 'catch first' : units.plain(openings[i], 2),
                ]),
              ],
            },
            layout: ruled,
          } as Content,
          ...rounds.flatMap(({ loads }, i): Content[] =>
            loads && loads.loadLb.length > 1
              ? [
                  {
                    text: `Loads ${i + 1}.: ${loads.loadLb.map((lb, at) => `${units.say('weight', lb, 'product')} until stretch ${loads.stopAfterRun[at]}`).join('; ')}`,
                    margin: [0, 3, 0, 0],
                  },
                ]
              : [],
          ),
          ...(walk?.asSquare ? [{ text: 'As if square: the zone has only a typed area.' }] : []),
        ]),
    heading('Look before the start'),
    toWrite('Ground', 'Turf', 'Leaf', 'Wind, rain to come'),
    ...(water
      ? [
          heading('Water in'),
          units.said(`${water.depthIn} in`) +
            ` within ${water.withinHours} h: ${units.say('volume', water.gallons)}` +
            (water.run
              ? `, ${fixed(water.run.minutes, 0)} min in ${water.run.cycles} ${water.run.cycles === 1 ? 'cycle' : 'cycles'}`
              : '; the sprinklers are not measured') +
            '. By: ' +
            BLANK_LINE,
        ]
      : []),
    {
      columns: [
        ...(picture ? [{ svg: picture, fit: [240, 230], width: 250, margin: [0, 12, 0, 0] } as Content] : []),
        {
          stack: [
            heading('Cautions'),
            { ul: each.cautions.map((caution) => units.said(caution)) },
            ...(each.law.length > 0
              ? [heading('The law today'), { ul: each.law.map(({ title, found }) => units.said(`${title}: ${found}`)) }]
              : []),
          ],
          width: '*',
        },
      ],
      columnGap: 14,
    },
    heading('Afterwards'),
    toWrite('Started', 'Finished', 'Left over', 'Covered'),
    toWrite('Name', 'Notes'),
  ];
}

/** The field sheets of a day (Letter portrait): the day as a list, then a job a page, with lines to write on. */
export function fieldSheets(day: FieldDay, propertyName: string, units: Units): TDocumentDefinitions {
  const jobs = day.jobs.filter(({ job }) => ['running', 'weigh-back', 'late', 'due', 'upcoming'].includes(job.state));
  return {
    pageSize: 'LETTER',
    pageMargins: [48, 44, 48, 44],
    info: { title: `Field sheets, ${propertyName}` },
    defaultStyle: PAPER,
    content: [
      { text: propertyName, font: 'Vollkorn', fontSize: 20 },
      { text: `Field, ${sayWeekday(day.date)}`, margin: [0, 0, 0, 8] },
      ...(jobs.length === 0
        ? [{ text: day.says ?? 'Nothing is due in these two weeks.' } as Content]
        : dayList(jobs, units)),
      ...jobs.flatMap((each) => jobPage(each, units)),
    ],
    footer: (page, pages) => ({
      text: `${propertyName}, ${sayDay(day.date)}   ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
    }),
  };
}
