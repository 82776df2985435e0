import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { addDays } from '@core/days/day';
import { labelOf } from '@core/log/label';
import { firstVersion } from '@core/log/versions';
import type { Case, PlannedDose, Product, RecordVersion } from '@core/records/case';

/** The open property as it would go to a file. */
export async function exported(page: Page): Promise<Case> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export property' }).click(),
  ]);
  return JSON.parse(readFileSync(await download.path(), 'utf8')) as Case;
}

/** A record of each dose of a plan until a day, as a test says it went: the share that went down and days after its Monday. */
export function recordsOfPlan(
  file: Case,
  until: string,
  went: (dose: PlannedDose, at: number) => readonly { share?: number; days?: number }[],
): RecordVersion[] {
  return (file.plans?.[0]?.doses ?? [])
    .filter(({ date }) => date < until)
    .flatMap((dose, at) =>
      went(dose, at).map(({ share = 1, days = 0 }, part) => {
        const date = addDays(dose.date, days);
        const zone = file.zones.find(({ id }) => id === dose.zoneId);
        return firstVersion(
          `${dose.date}-${dose.zoneId}-${dose.productId}-${part}`,
          {
            kind: dose.for === 'lime' ? 'lime' : 'feeding',
            date,
            zoneIds: [dose.zoneId],
            zoneAreaSqFt: zone?.areaSqFt,
            product: labelOf(file.products?.find(({ id }) => id === dose.productId) as Product),
            spreadLb: (share * dose.rateLb * (zone?.areaSqFt ?? 0)) / 1000,
            planned: {
              year: Number(dose.date.slice(0, 4)),
              date: dose.date,
              productId: dose.productId,
              rateLb: dose.rateLb,
            },
            operator: 'Ana Ruiz',
          },
          { at: `${date}T10:00:00-04:00`, by: 'Ana Ruiz' },
        );
      }),
    );
}

/** A log file as another browser makes it. */
export const logFile = (propertyId: string, versions: readonly RecordVersion[]) => ({
  name: 'return.ubertas-log.json',
  mimeType: 'application/json',
  buffer: Buffer.from(
    JSON.stringify({
      format: 'ubertas-log',
      version: 1,
      madeAt: '2027-09-09T18:00:00-04:00',
      properties: [{ id: propertyId, versions }],
    }),
  ),
});
