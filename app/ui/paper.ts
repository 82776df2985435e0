/** What every print has in common: ink, rules, letters. */

/** Letters of a page, and their color. */
export const PAPER = { font: 'Source', fontSize: 9.5, lineHeight: 1.12, color: '#2A2017' } as const;

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
export function standalone(markup: string): string {
  const svg = /<svg[\s\S]*?<\/svg>/.exec(markup)?.[0] ?? '';
  return svg
    .replaceAll(/var\((--[\w-]+)\)/g, (_, name: string) => INK[name] ?? '#2A2017')
    .replaceAll(/<text([^>]*?)style="([^"]*)"/g, '<text$1style="$2;font-family:Source"')
    .replaceAll(/<text(?![^>]*style=)/g, '<text font-family="Source" font-size="10.5" fill="#2A2017"');
}

/** A chart as a picture in the font of the print. */
export const forPdf = (svg: string): string =>
  svg
    .replaceAll(/font-family:[^;"]*/g, 'font-family:Source')
    .replaceAll(/font-family="[^"]*"/g, 'font-family="Source"');

/** A table with a hair line under each row. */
export const ruled = {
  // over the title there is no line
  hLineWidth: (line: number) => (line === 0 ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => '#A9A894',
  paddingTop: () => 2,
  paddingBottom: () => 2,
};
