/** Ways of writing a report, as different laboratories have them: what a person chooses one by. Their making is the laboratory's own. */
export const LAYOUT_NAMES = {
  plain: 'One row a sample, ppm in the header',
  'per-acre': 'Pounds per acre, depth of the cores above the table',
  metric: 'Decimal commas, semicolons, pH in CaCl2',
  long: 'One row a result, unit and method beside it',
  acetate: 'Ammonium acetate bases, Bray or Olsen beside Mehlich-3',
  flagged: 'Units in a row of their own, ratings behind the numbers',
  columns: 'One column a sample, bare numbers of analytes down the side',
  rated: 'A column of ratings behind every value, ND where nothing was found',
  german: 'In German: one column a sample, decimal commas',
  french: 'In French: one row a sample',
  spanish: 'In Spanish: one row a result',
  workbook: 'Workbook: merged headings, days as days',
  'two-sheets': 'Workbook: micronutrients on a second sheet',
  letter: 'PDF: a letter, one sample a page, bars',
  'paper-table': 'PDF: one row a sample, over several pages',
  'paper-columns': 'PDF: one column a sample, advice below',
  'paper-lists': 'PDF: two lists side by side',
  mail: 'Text of a mail',
} as const;
export type LayoutId = keyof typeof LAYOUT_NAMES;
export const LAYOUT_IDS = Object.keys(LAYOUT_NAMES) as LayoutId[];
