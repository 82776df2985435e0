import JsBarcode from 'jsbarcode';

/** Modules of white on either side, as the symbology asks. */
const QUIET = 10;

/** Bars and spaces of a text in Code 128, set B, one character a module: 1 is a bar. */
export function barModules(text: string): string {
  const drawn: { encodings?: { data: string }[] } = {};
  JsBarcode(drawn, text, { format: 'CODE128B' });
  return (drawn.encodings ?? []).map((e) => e.data).join('');
}

/** A sample code for the laboratory's reader, one px a module. */
export function BarCode({ text, height = 34 }: { text: string; height?: number }) {
  const modules = barModules(text);
  const bars = [...modules.matchAll(/1+/g)];
  return (
    <svg
      width={modules.length + 2 * QUIET}
      height={height}
      viewBox={`0 0 ${modules.length + 2 * QUIET} ${height}`}
      shapeRendering="crispEdges"
      role="img"
      aria-label={`Bar code of ${text}`}
    >
      {bars.map((bar) => (
        <rect key={bar.index} x={QUIET + bar.index} y={0} width={bar[0].length} height={height} fill="#000" />
      ))}
    </svg>
  );
}
