import type { Product, RecordBody, RecordFacts, RecordKind, Zone } from '@core/records/case';
import { LOG_INSTRUMENTS, SEEN_WORDS } from '@core/records/case';
import { isIsoDay } from '@core/days/day';
import { KINDS, spreadsProduct } from '@core/log/kinds';
import { doseKey } from '@core/season/plan/dose-key';
import type { Dose } from '@core/season/plan/dose';
import { densityOf } from '@core/products/as-weighed';
import { isRefusal } from '@core/reckoning/refusal';
import { CLIPPINGS } from '@core/records/vocabularies';
import { labelOf } from '@core/log/label';
import { kindOfProduct } from '@core/runs/run-record';
import type { QuantityId, Units } from '../../ui/format';
import { amountOut } from '../../work/amount-out';

type Fact = keyof RecordFacts;

/** How each fact is typed. */
type FactField = { label: string } & (
  | { is: 'number'; quantity?: QuantityId; unit?: string }
  | { is: 'text' }
  | { is: 'word'; options: readonly string[] }
  | { is: 'words'; options: readonly string[] }
  | { is: 'yes' }
);
export const FACT_FIELDS: Record<Fact, FactField> = {
  heightIn: { label: 'Mown to', is: 'number', quantity: 'depth' },
  grassHeightIn: { label: 'Grass before', is: 'number', quantity: 'depth' },
  removedIn: { label: 'Taken off', is: 'number', quantity: 'depth' },
  clippings: { label: 'Clippings', is: 'word', options: CLIPPINGS },
  depthIn: { label: 'Depth', is: 'number', quantity: 'depth' },
  minutes: { label: 'Minutes', is: 'number', unit: 'min' },
  gallons: { label: 'Water', is: 'number', quantity: 'volume' },
  forRecordId: { label: 'For the record', is: 'text' },
  gauge: { label: 'Measured by', is: 'text' },
  tool: { label: 'Tool', is: 'text' },
  holesPerSqFt: { label: 'Holes', is: 'number', unit: 'a square foot' },
  cubicYards: { label: 'Material', is: 'number', unit: 'cubic yards' },
  material: { label: 'What', is: 'text' },
  species: { label: 'Species or blend', is: 'text' },
  lbPer1000: { label: 'Seed rate', is: 'number', quantity: 'product-rate', unit: 'seed' },
  daysToEmergence: { label: 'Days to emergence', is: 'number', unit: 'days' },
  productName: { label: 'Name on the label', is: 'text' },
  registrationNumber: { label: 'Registration number', is: 'text' },
  target: { label: 'Target', is: 'text' },
  amountAsTyped: { label: 'Amount, as the label has it', is: 'text' },
  labelRead: { label: 'Its label was read', is: 'yes' },
  reentryHours: { label: 'Keep off, by its label', is: 'number', unit: 'h' },
  posted: { label: 'Signs were posted', is: 'yes' },
  words: { label: 'Seen', is: 'words', options: SEEN_WORDS },
  symptom: { label: 'Symptom', is: 'text' },
  severity: { label: 'How bad, 0 to 9', is: 'number' },
  sharePercent: { label: 'Share of the zone', is: 'number', unit: '%' },
  instrument: { label: 'Instrument', is: 'word', options: LOG_INSTRUMENTS },
  value: { label: 'Reading', is: 'number' },
  sampleCode: { label: 'Code of the sample', is: 'text' },
  equipment: { label: 'Equipment', is: 'text' },
  jobKey: { label: 'Job', is: 'text' },
  reason: { label: 'Why not', is: 'text' },
};

/** Stands where something carries out no dose of the plan. */
export const EXTRA = 'extra';

/** A record as it is typed: everything text, so that nothing is lost. */
export interface TypedRecord {
  kind: RecordKind | 'product';
  date: string;
  zoneIds: readonly string[];
  productId: string;
  weighed: string;
  back: string;
  wind: string;
  air: string;
  operator: string;
  lot: string;
  /** The dose of the plan that it carries out, as doses are named; empty for the nearest that is offered, `EXTRA` for none. */
  doseKey: string;
  notes: string;
  facts: Readonly<Partial<Record<Fact, string>>>;
}

export const newRecord = (today: string, zoneId: string | undefined, operator: string): TypedRecord => ({
  kind: 'product',
  date: today,
  zoneIds: zoneId === undefined ? [] : [zoneId],
  productId: '',
  weighed: '',
  back: '',
  wind: '',
  air: '',
  operator,
  lot: '',
  doseKey: '',
  notes: '',
  facts: {},
});

/** A record that stands, as it would be typed. */
export function typedFrom(body: RecordBody, units: Units): TypedRecord {
  const out = amountOut(units, body.product?.lbPerGal);
  return {
    kind: spreadsProduct(body.kind) ? 'product' : body.kind,
    date: body.date,
    zoneIds: body.zoneIds,
    productId: body.product?.id ?? '',
    weighed: out.field(body.weighedLb ?? body.spreadLb),
    back: out.field(body.backLb),
    wind: units.field('speed', body.weather?.windMph),
    air: units.field('temperature', body.weather?.airF),
    operator: body.operator ?? '',
    lot: body.lot ?? '',
    doseKey:
      body.planned && body.zoneIds[0] !== undefined
        ? doseKey({ zoneId: body.zoneIds[0], date: body.planned.date, productId: body.planned.productId })
        : '',
    notes: body.notes ?? '',
    facts: Object.fromEntries(
      Object.entries(body.facts ?? {}).map(([key, value]) => {
        const field = FACT_FIELDS[key as Fact];
        return [
          key,
          field.is === 'number' && field.quantity && typeof value === 'number'
            ? units.field(field.quantity, value)
            : Array.isArray(value)
              ? value.join('|')
              : String(value),
        ];
      }),
    ),
  };
}

/** The dose that it carries out: the one chosen, else the likeliest; of a correction the one it was tied to. */
function tied(
  { doseKey: chosen, zoneIds }: TypedRecord,
  doses: readonly Dose[],
  before: RecordBody | undefined,
): Pick<RecordBody, 'planned' | 'plannedLb'> {
  if (chosen === EXTRA || zoneIds.length !== 1) return {};
  const dose = chosen === '' ? doses[0] : doses.find((each) => doseKey(each) === chosen);
  if (dose)
    return {
      planned: {
        year: Number(dose.date.slice(0, 4)),
        date: dose.date,
        productId: dose.productId,
        rateLb: dose.rateLb,
        for: dose.for,
      },
      plannedLb: dose.zoneLb,
    };
  const { planned, plannedLb } = before ?? {};
  return { ...(planned ? { planned } : {}), ...(plannedLb === undefined ? {} : { plannedLb }) };
}

/**
 * What was typed as a record, or a fault by its field. Of a correction all that the form does not show stays as it stood.
 *
 * @param doses doses of the plan it may be tied to, the likeliest first
 * @param before the record that is corrected
 */
export function bodyFrom(
  typed: TypedRecord,
  {
    products,
    zones,
    units,
    doses,
    before,
  }: {
    products: readonly Product[];
    zones: readonly Zone[];
    units: Units;
    doses: readonly Dose[];
    before?: RecordBody;
  },
): { body?: RecordBody; faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  // a field shows fewer digits than are kept: what nobody touched stays as it was
  const was = before && typedFrom(before, units);
  const read = (
    quantity: QuantityId | undefined,
    text: string,
    label: string,
    field: string,
    stood?: { text: string | undefined; value: number | undefined },
  ): number | undefined => {
    if (stood?.value !== undefined && text === stood.text) return stood.value;
    const value =
      quantity === undefined ? units.readPlain(text, label, field) : units.value(quantity, text, label, field);
    if (isRefusal(value)) {
      faults[field] = value.refused;
      return undefined;
    }
    return value;
  };
  if (!isIsoDay(typed.date)) faults.date = 'Choose the day it was done.';
  if (typed.zoneIds.length === 0) faults.zoneIds = 'Choose the zone it was on.';
  const here = zones.filter(({ id }) => typed.zoneIds.includes(id));
  const onShelf = products.find(({ id }) => id === typed.productId);
  const label = before?.product?.id === typed.productId ? before.product : onShelf && labelOf(onShelf);
  const isProduct = typed.kind === 'product';
  const kind: RecordKind = isProduct
    ? label && onShelf
      ? kindOfProduct(onShelf)
      : (before?.kind ?? 'feeding')
    : (typed.kind as RecordKind);
  const facts: Record<string, unknown> = {};
  for (const fact of [...KINDS[kind].needs, ...KINDS[kind].takes]) {
    const text = typed.facts[fact]?.trim() ?? '';
    if (text === '') continue;
    const field = FACT_FIELDS[fact];
    const value =
      field.is === 'number'
        ? read(field.quantity, text, field.label, `facts.${fact}`, {
            text: was?.facts[fact],
            value: before?.facts?.[fact] as number | undefined,
          })
        : field.is === 'words'
          ? text.split('|')
          : field.is === 'yes'
            ? text === 'true'
            : text;
    if (value !== undefined && value !== false) facts[fact] = value;
  }
  const wind = read('speed', typed.wind, 'Wind', 'wind', { text: was?.wind, value: before?.weather?.windMph });
  const air = read('temperature', typed.air, 'Air', 'air', { text: was?.air, value: before?.weather?.airF });
  let amounts: Partial<RecordBody> = {};
  if (isProduct) {
    if (!label) faults.product = 'Choose the product.';
    const out = amountOut(units, label?.lbPerGal ?? (onShelf && densityOf(onShelf)));
    const did = out.isLiquid ? 'Measured out' : 'Weighed out';
    const weighed =
      was && typed.weighed === was.weighed
        ? (before.weighedLb ?? before.spreadLb)
        : out.read(typed.weighed, did, 'weighed');
    const back = was && typed.back === was.back ? before.backLb : out.read(typed.back, 'Left over', 'back');
    if (isRefusal(weighed)) faults.weighed = weighed.refused;
    else if (weighed === undefined || weighed <= 0) faults.weighed = `Type what was ${did.toLowerCase()}.`;
    if (isRefusal(back)) faults.back = back.refused;
    if (typeof weighed === 'number' && typeof back === 'number' && back > weighed)
      faults.back = `More is left than was ${did.toLowerCase()}: ${out.say(back)} of ${out.say(weighed)}.`;
    if (typeof weighed === 'number' && !isRefusal(back)) {
      const { recoveredLb = 0 } = before ?? {};
      amounts = {
        weighedLb: weighed,
        backLb: back ?? 0,
        spreadLb: Math.max(0, weighed - (back ?? 0) - recoveredLb),
        ...(label ? { product: label } : {}),
        ...(typed.lot.trim() ? { lot: typed.lot.trim() } : {}),
        ...tied(typed, doses, before),
      };
    }
  }
  if (Object.keys(faults).length > 0) return { faults };
  const area = here.reduce((sum, zone) => sum + zone.areaSqFt, 0);
  const sameGround = before !== undefined && [...before.zoneIds].sort().join() === [...typed.zoneIds].sort().join();
  const {
    product: _product,
    lot: _lot,
    planned: _planned,
    plannedLb: _plannedLb,
    weighedLb: _weighed,
    backLb: _back,
    spreadLb: _spread,
    facts: _facts,
    notes: _notes,
    operator: _operator,
    weather,
    zoneAreaSqFt,
    ...kept
  } = before ?? ({} as Partial<RecordBody>);
  const { windMph: _wind, airF: _air, ...otherWeather } = weather ?? {};
  return {
    faults,
    body: {
      ...kept,
      kind,
      date: typed.date,
      zoneIds: [...typed.zoneIds],
      // a correction of the words does not measure the ground anew
      ...(sameGround && zoneAreaSqFt !== undefined ? { zoneAreaSqFt } : area > 0 ? { zoneAreaSqFt: area } : {}),
      ...amounts,
      ...(weather || wind !== undefined || air !== undefined
        ? {
            weather: {
              origin: 'typed' as const,
              ...otherWeather,
              ...(wind === undefined ? {} : { windMph: wind }),
              ...(air === undefined ? {} : { airF: air }),
            },
          }
        : {}),
      ...(typed.operator.trim() ? { operator: typed.operator.trim() } : {}),
      ...(typed.notes.trim() ? { notes: typed.notes.trim() } : {}),
      ...(Object.keys(facts).length > 0 ? { facts: facts as RecordFacts } : {}),
    },
  };
}
