import dayjs from 'dayjs';
import 'dayjs/locale/de.js';
import 'dayjs/locale/es.js';
import 'dayjs/locale/fr.js';
import customParseFormat from 'dayjs/plugin/customParseFormat.js';

dayjs.extend(customParseFormat);

/** Order of the parts of a numeric date. */
export type DayOrder = 'month-first' | 'day-first';

const NAMED = [
  'YYYY-MM-DD',
  'YYYY/MM/DD',
  'D MMM YYYY',
  'D MMMM YYYY',
  'MMM D, YYYY',
  'MMMM D, YYYY',
  'D-MMM-YYYY',
  'D-MMM-YY',
];
const NUMERIC: Record<DayOrder, readonly string[]> = {
  'month-first': ['M/D/YYYY', 'M-D-YYYY', 'M.D.YYYY', 'M/D/YY', 'M-D-YY'],
  'day-first': ['D/M/YYYY', 'D-M-YYYY', 'D.M.YYYY', 'D/M/YY', 'D.M.YY', 'D-M-YY'],
};

/** A day as laboratories write it, to ISO; undefined where it is none. dayFrom('10/12/2026', 'month-first') is 2026-10-12. */
export function dayFrom(text: string, order: DayOrder): string | undefined {
  const bare = text.trim().replace(/[T ]\d{1,2}:\d{2}.*$/, '');
  // strict parsing takes 2.3.2027 but not 02.03.2027
  const plain = bare.replace(/\b0(?=\d\b)/g, '');
  for (const format of [...NAMED, ...NUMERIC[order]]) {
    const day = dayjs(format.startsWith('YYYY') ? bare : plain, format, true);
    if (day.isValid()) return day.format('YYYY-MM-DD');
  }
  // 12. Oktober 2026, 12 octobre 2026, 12 de octubre de 2026
  const spelled = plain
    .toLowerCase()
    .replace(/\bde\b|\.(?=\s)/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  for (const locale of ['de', 'fr', 'es'])
    for (const name of [spelled, spelled.replace(/ ([a-zä])/, (_, letter: string) => ` ${letter.toUpperCase()}`)]) {
      const day = dayjs(name, 'D MMMM YYYY', locale, true);
      if (day.isValid()) return day.format('YYYY-MM-DD');
    }
  return undefined;
}
