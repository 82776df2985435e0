import Papa from 'papaparse';

/** A table as CSV (RFC 4180). A cell that a spreadsheet would take for a formula is written with an apostrophe before it. */
export const printCsv = (rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse(rows as (string | number)[][], { newline: '\r\n', escapeFormulae: true })}\r\n`;
