import { limeKindOf } from '../lime/lime-label';
import { photosOf, runState } from './run-state';
import { purposeOf } from '../products/purpose';
import { labelOf } from '../log/label';
import type { Product, RecordBody, RecordKind, RecordLabel, Run } from '../records/case';

/** The kind of record that putting a product down makes. */
export function kindOfProduct(product: Product): RecordKind {
  if (limeKindOf(product)) return 'lime';
  const purpose = purposeOf(product, false);
  if (purpose === 'sulfur') return 'sulfur';
  if (product.form === 'liquid') return (product.guaranteed.Fe ?? 0) > 0 && !product.guaranteed.N ? 'iron' : 'liquid';
  return 'feeding';
}

/**
 * What a signed run writes into the log. The record keeps the name of its run, so that signing twice writes one record.
 *
 * @param product as the shelf has it; a run whose product is gone is written by the label that it kept
 */
export function bodyOfRun(run: Run, product: Product | undefined): RecordBody {
  const state = runState(run);
  const { start, weighedLb, backLb = 0, recoveredLb, spreadLb = 0, startedAt, coveredSqFt } = state;
  const finished = run.events.find(({ kind }) => kind === 'finished')?.at;
  const label: RecordLabel = product
    ? labelOf(product)
    : { id: run.productId, name: run.label.name, guaranteed: run.for === 'N' ? { N: run.label.percent } : {} };
  const notes = run.events
    .flatMap(({ note }) => note ?? [])
    .join('\n')
    .slice(0, 2000);
  const photos = [...new Set(photosOf(run))];
  return {
    kind: product ? kindOfProduct(product) : 'feeding',
    date: startedAt.slice(0, 10),
    startedAt,
    ...(finished ? { finishedAt: finished } : {}),
    minutes: Math.min(1440, Math.round(state.minutes)),
    zoneIds: [run.zoneId],
    zoneAreaSqFt: run.areaSqFt,
    ...(run.areaErrorSqFt === undefined ? {} : { areaErrorSqFt: run.areaErrorSqFt }),
    coveredSqFt,
    planned: {
      year: Number(run.plannedOn.slice(0, 4)),
      date: run.plannedOn,
      productId: run.productId,
      rateLb: run.rateLb,
      for: run.for,
    },
    product: label,
    ...(run.label.lot ? { lot: run.label.lot } : {}),
    plannedLb: run.plannedLb,
    weighedLb,
    backLb,
    ...(recoveredLb === undefined ? {} : { recoveredLb }),
    spreadLb,
    ...(state.how ? { howWeighed: state.how } : {}),
    ...(start.opening === undefined ? {} : { opening: start.opening }),
    ...(start.windMph === undefined && start.airF === undefined
      ? {}
      : {
          weather: {
            ...(start.windMph === undefined ? {} : { windMph: start.windMph }),
            ...(start.airF === undefined ? {} : { airF: start.airF }),
            origin: 'typed' as const,
          },
        }),
    ...(start.verdict
      ? {
          go: {
            verdict: start.verdict,
            ...(start.reasons ? { reasons: start.reasons } : {}),
            ...(start.override ? { override: start.override } : {}),
          },
        }
      : {}),
    ...(state.operator ? { operator: state.operator } : {}),
    ...(notes ? { notes } : {}),
    ...(photos.length > 0 ? { photos } : {}),
  };
}
