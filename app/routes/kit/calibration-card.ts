import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { gateFor } from '@core/field/gate';
import type { Product } from '@core/records/case';
import type { Spreader } from '@core/records/spreader-schema';
import { sayDate } from '@core/words/days';
import type { Units } from '../../ui/format';
import { PAPER, ruled } from '../../ui/paper';

/** Rates on a card, evenly from the least to the most that was caught. */
const RATES = 9;

/** A product's card: where the gate stands for each rate that the catches reach. */
function card(spreader: Spreader, product: Product, today: string, units: Units): Content[] | undefined {
  const wanted = (targetLb: number) => gateFor(spreader, { productId: product.id, targetLb, today });
  const { catches, doubts, refused } = wanted(1);
  const rates = catches.map(({ rateLb }) => rateLb);
  const [least, most] = [Math.min(...rates), Math.max(...rates)];
  if (catches.length === 0) return undefined;
  const newest =
    catches
      .map(({ on }) => on)
      .sort()
      .at(-1) ?? today;
  const rows = (
    most > least ? Array.from({ length: RATES }, (_, i) => least + ((most - least) * i) / (RATES - 1)) : [least]
  ).map((rateLb) => [units.show('product-rate', rateLb), String(units.plain(wanted(rateLb).set ?? 0, 2))]);
  const people = [...new Set(catches.flatMap(({ operator }) => (operator ? [operator] : [])))];
  return [
    { text: spreader.name, font: 'Vollkorn', fontSize: 14 },
    { text: product.name, bold: true },
    {
      text: `${catches.length} ${catches.length === 1 ? 'catch' : 'catches'}, newest ${sayDate(newest)}${people.length > 0 ? `, by ${people.join(', ')}` : ''}${spreader.swathFt === undefined ? '' : `; swath ${units.say('length', spreader.swathFt)}`}`,
      margin: [0, 0, 0, 4],
    },
    refused
      ? { text: units.said(refused) }
      : {
          table: {
            headerRows: 1,
            widths: ['*', '*'],
            body: [
              [
                { text: units.heading('product-rate', 'product'), bold: true },
                { text: 'Opening', bold: true },
              ],
              ...rows,
            ],
          },
          layout: ruled,
        },
    ...doubts.map((text): Content => ({ text, margin: [0, 3, 0, 0] })),
    {
      text:
        catches.length < 3
          ? 'Not yet a curve: catch again before the lawn.'
          : 'Between the catches only; another lot or another stride gives another rate.',
      margin: [0, 3, 0, 0],
    },
  ];
}

/** Calibration cards of a spreader (Letter), four to a page: a product a card. Undefined where nothing was caught yet. */
export function calibrationCards(
  spreader: Spreader,
  products: readonly Product[],
  today: string,
  units: Units,
): TDocumentDefinitions | undefined {
  const cards = products.flatMap((product) => {
    const made = card(spreader, product, today, units);
    return made ? [made] : [];
  });
  if (cards.length === 0) return undefined;
  const pairs = Array.from({ length: Math.ceil(cards.length / 2) }, (_, i) => cards.slice(2 * i, 2 * i + 2));
  return {
    pageSize: 'LETTER',
    pageMargins: [40, 40, 40, 40],
    info: { title: `Calibration of ${spreader.name}` },
    defaultStyle: PAPER,
    content: pairs.map(([left, right], i): Content => ({
      columns: [{ stack: left ?? [] }, { stack: right ?? [] }],
      columnGap: 28,
      unbreakable: true,
      margin: [0, 0, 0, 24],
      ...(i > 0 && i % 2 === 0 ? { pageBreak: 'before' as const } : {}),
    })),
  };
}
