import { type ReportPage } from './document';
import { acrossTable } from './find-across';
import { downTables } from './find-down';
import { longTable } from './find-long';
import { headingScore, HEADS, isLongHeading } from './table-lines';
import type { ReportTable } from './tables';
interface Found {
  tables: ReportTable[];
  claimed: Set<number>;
}

/** All tables of a page, from the top down, and the lines that belong to them. */
export function findTables(page: ReportPage, pageNo: number): Found {
  const claimed = new Set<number>();
  const tables: ReportTable[] = [];
  const { lines } = page;
  lines.forEach((line, i) => {
    if (claimed.has(i) || !isLongHeading(line)) return;
    const table = longTable(page, pageNo, i, claimed);
    if (!table) return;
    tables.push(table);
    for (const at of [i, ...table.rows]) claimed.add(at);
  });
  const heads = lines.map((line, i) => ({ i, score: headingScore(line) })).filter(({ score }) => score >= HEADS);
  for (const { i, score } of heads) {
    if (claimed.has(i)) continue;
    // of heading lines that stand together the one that names most
    const rival = heads.find((h) => h.i > i && h.i <= i + 2 && h.score > score && !claimed.has(h.i));
    if (rival) continue;
    const table = acrossTable(page, pageNo, i, claimed);
    if (!table || table.rows.length === 0) continue;
    tables.push(table);
    for (let at = table.heading[0]; at <= table.heading[1]; at++) claimed.add(at);
    for (const at of table.rows) claimed.add(at);
  }
  tables.push(...downTables(page, pageNo, claimed));
  return { tables, claimed };
}
