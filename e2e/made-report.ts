import type { TDocumentDefinitions } from 'pdfmake/interfaces';

/** Reports made for tests, as PDF. Everything in them is invented. */
async function bytesOf(page: TDocumentDefinitions): Promise<Buffer> {
  const { default: pdfMake } = (await import('pdfmake')) as unknown as {
    default: {
      addFonts(fonts: object): void;
      createPdf(page: TDocumentDefinitions): { getBuffer(): Promise<Uint8Array> };
    };
  };
  pdfMake.addFonts({
    Helvetica: {
      normal: 'Helvetica',
      bold: 'Helvetica-Bold',
      italics: 'Helvetica-Oblique',
      bolditalics: 'Helvetica-BoldOblique',
    },
  });
  return Buffer.from(
    await pdfMake.createPdf({ ...page, defaultStyle: { font: 'Helvetica', fontSize: 10 } }).getBuffer(),
  );
}

const right = (text: string) => ({ text, alignment: 'right' as const });

/** Two zones of the demo school as columns; the calcium of the second has lost its point, and one label is the laboratory's own. */
export const columnsReport = (): Promise<Buffer> =>
  bytesOf({
    content: [
      {
        columns: [
          { text: 'LINDENMERE SOIL LABORATORY', bold: true },
          { text: '(simulated) Report of analysis', alignment: 'right' },
        ],
      },
      { columns: [{ text: 'Client   Quarry Lane School' }, { text: 'Client no.   4471' }] },
      { columns: [{ text: 'Sampled   3/2/2027' }, { text: 'Received   3/19/2027' }, { text: 'Depth   0 to 4 in' }] },
      { text: 'Nutrients by Mehlich-3 unless marked', margin: [0, 0, 0, 8] },
      {
        layout: 'lightHorizontalLines',
        table: {
          widths: [170, 80, 110, 110],
          body: [
            ['Analysis', 'Unit', right('South lawn'), right('Playing strip')],
            ['pH, 1:1 in water', '', right('5.6'), right('6.3')],
            ['Buffer pH (Mehlich)', '', right('6.32'), right('6.50')],
            ['C.E.C.', 'meq/100 g', right('8.4'), right('6.1')],
            ['Phosphorus, P *', 'ppm', right('71 VH'), right('38 H')],
            ['Potassium, K', 'ppm', right('44 L'), right('62 M')],
            ['Calcium, Ca', 'ppm', right('812.0'), right('6400')],
            ['Soluble salts', 'dS/m', right('0.40'), right('ND')],
            ['Cupric, extr.', 'ppm', right('1.1'), right('0.9')],
          ],
        },
      },
      { text: '* by Bray P-1', margin: [0, 8, 0, 0] },
    ],
  });

/** A page with a drawing and no text. */
export const pictureReport = (): Promise<Buffer> =>
  bytesOf({ content: [{ canvas: [{ type: 'rect', x: 0, y: 0, w: 200, h: 120, color: '#888888' }] }] });
