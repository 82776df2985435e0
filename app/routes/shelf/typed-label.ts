import { type Product, productSchema } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { faultsByField } from '@core/records/strict-schema';
import { NITROGEN_FORMS, type NitrogenForm } from '@core/records/vocabularies';
import type { QuantityId, Units } from '../../ui/format';
import { FieldNumbers, FieldTexts, type FirstTexts } from '../../work/typed-fields';
import type { Grade } from '@core/products/label/grade';

export const OTHER_GUARANTEES = ['Ca', 'Mg', 'S-free', 'S-combined', 'Fe', 'Mn', 'Zn', 'Cu', 'B', 'Cl'] as const;
export type OtherGuarantee = (typeof OTHER_GUARANTEES)[number];

/** Numbers of a label that stand alone: what a person reads, and where it goes. */
const PLAIN_NUMBERS = {
  releaseDays: 'Feeds for',
  onHandLb: 'On hand',
  lbPerGal: 'Density',
  ccePercent: 'CCE',
  eccePercent: 'ECCE',
  over8MeshPercent: 'Over 8 mesh',
  mesh8to20Percent: '8-20 mesh',
  mesh20to60Percent: '20-60 mesh',
  under60MeshPercent: 'Under 60 mesh',
  sizeGuideNumber: 'Size guide number',
  granuleDensity: 'Granule density',
  coverageSqFt: 'Coverage',
  mostWindMph: 'Most wind',
  rainfastHours: 'Rainfast after',
  leastAirF: 'Air at least',
  mostAirF: 'Air at most',
} as const;
/** Those of them that are written in the units of whoever types; the others are one in every system. */
const QUANTITY_OF: Partial<Record<PlainNumber, QuantityId>> = {
  onHandLb: 'weight',
  lbPerGal: 'liquid-density',
  coverageSqFt: 'area',
  mostWindMph: 'speed',
  leastAirF: 'temperature',
  mostAirF: 'temperature',
};
export type PlainNumber = keyof typeof PLAIN_NUMBERS;
const PACKAGE_NUMBERS = {
  lb: { label: 'Package', quantity: 'weight' },
  gal: { label: 'Package', quantity: 'volume' },
  price: { label: 'Price', quantity: undefined },
} as const;

/** A label as typed: everything is text until it is read. */
export interface TypedLabel {
  id?: string;
  /** Version of the product that the form was filled from. */
  changedAt?: string;
  name: string;
  form: 'granular' | 'liquid';
  /** The three numbers as typed, and as confirmed. */
  typedGrade: string;
  grade?: Grade;
  nitrogen: Partial<Record<NitrogenForm, string>>;
  other: Partial<Record<OtherGuarantee, string>>;
  numbers: Partial<Record<PlainNumber, string>>;
  package: { lb: string; gal: string; price: string };
  limeKind: '' | NonNullable<Product['limeKind']>;
  pesticide: boolean;
  lot: string;
  /** What the fields held when the form was filled, and what of it was typed in other units. */
  first?: FirstTexts;
  typed?: Product['typed'];
}

const plainKeys = Object.keys(PLAIN_NUMBERS) as PlainNumber[];

/** A product as the form shows it; an empty form without one. What a label prints stays in the unit it is printed in. */
export function labelFrom(product: Product | undefined, units: Units): TypedLabel {
  const { N, P2O5, K2O } = product?.guaranteed ?? {};
  const grade = product && (N ?? P2O5 ?? K2O) !== undefined ? { N: N ?? 0, P2O5: P2O5 ?? 0, K2O: K2O ?? 0 } : undefined;
  const fields = new FieldTexts(units, product?.typed);
  const each = <K extends string>(keys: readonly K[], of: (key: K) => string) =>
    Object.fromEntries(keys.map((key) => [key, of(key)])) as Partial<Record<K, string>>;
  return {
    id: product?.id,
    changedAt: product?.changedAt,
    name: product?.name ?? '',
    form: product?.form ?? 'granular',
    typedGrade: grade ? `${grade.N}-${grade.P2O5}-${grade.K2O}` : '',
    grade,
    nitrogen: each(NITROGEN_FORMS, (form) => fields.text(`nitrogen.${form}`, product?.nitrogen?.[form])),
    other: each(OTHER_GUARANTEES, (key) => fields.text(`guaranteed.${key}`, product?.guaranteed[key])),
    numbers: {
      ...each(plainKeys, (key) => fields.text(key, product?.[key], QUANTITY_OF[key])),
      lbPerGal: fields.printed('lbPerGal', product?.lbPerGal, 'liquid-density', 'lb/gal'),
      coverageSqFt: fields.printed('coverageSqFt', product?.coverageSqFt, 'area', 'sq ft'),
    },
    package: {
      lb: fields.printed('package.lb', product?.package?.lb, 'weight', 'lb'),
      gal: fields.printed('package.gal', product?.package?.gal, 'volume', 'gal'),
      price: fields.text('package.price', product?.package?.price),
    },
    limeKind: product?.limeKind ?? '',
    pesticide: product?.pesticide ?? false,
    lot: product?.lot ?? '',
    first: fields.first,
    ...(product?.typed ? { typed: product.typed } : {}),
  };
}

type Faults = Record<string, string>;

/** The numbers of a label read; what is no number gives a sentence at its field and stays out. */
function readLabel(typed: TypedLabel, units: Units): { product: Omit<Product, 'id'>; faults: Faults } {
  const fields = new FieldNumbers(units, typed.first, typed.typed);
  const { faults } = fields;
  const read = (text: string | undefined, label: string, field: string, quantity?: QuantityId): number | undefined =>
    fields.read(text ?? '', { name: field, label, field, quantity });
  const group = <K extends string>(keys: readonly K[], of: Partial<Record<K, string>>, field: (key: K) => string) =>
    Object.fromEntries(
      keys.flatMap((key) => {
        const value = read(of[key], key === 'Cl' ? 'Chloride' : key, field(key));
        return value === undefined ? [] : [[key, value]];
      }),
    ) as Partial<Record<K, number>>;
  const nitrogen = group(NITROGEN_FORMS, typed.nitrogen, (form) => `nitrogen.${form}`);
  const other = group(OTHER_GUARANTEES, typed.other, (key) => `guaranteed.${key}`);
  const grade = Object.fromEntries(Object.entries(typed.grade ?? {}).filter(([, percent]) => percent > 0));
  const numbers = Object.fromEntries(
    plainKeys.flatMap((key) => {
      const value = read(typed.numbers[key], PLAIN_NUMBERS[key], key, QUANTITY_OF[key]);
      return value === undefined ? [] : [[key, value]];
    }),
  ) as Partial<Record<PlainNumber, number>>;
  const bag = Object.fromEntries(
    (['lb', 'gal', 'price'] as const).flatMap((key) => {
      const value = read(
        typed.package[key],
        PACKAGE_NUMBERS[key].label,
        `package.${key}`,
        PACKAGE_NUMBERS[key].quantity,
      );
      return value === undefined ? [] : [[key, value]];
    }),
  );
  const product: Omit<Product, 'id'> = {
    name: typed.name.trim(),
    form: typed.form,
    guaranteed: { ...grade, ...other },
    ...(Object.keys(nitrogen).length > 0 ? { nitrogen } : {}),
    ...numbers,
    ...(Object.keys(bag).length > 0 ? { package: bag } : {}),
    ...(typed.limeKind ? { limeKind: typed.limeKind } : {}),
    ...(typed.pesticide ? { pesticide: true } : {}),
    ...(typed.lot.trim() ? { lot: typed.lot.trim() } : {}),
    ...(Object.keys(fields.typed).length > 0 ? { typed: fields.typed } : {}),
  } as Omit<Product, 'id'>;
  return { product, faults };
}

/** What the label would be, as far as it can be read: for the figures that stand beside the form. */
export const labelSoFar = (typed: TypedLabel, units: Units): Product => ({
  id: typed.id ?? 'new',
  ...readLabel(typed, units).product,
});

/** The product a typed label means, or a sentence per field. A draft may be half entered; nothing plans with it. */
export function productFromTyped(
  typed: TypedLabel,
  taken: readonly string[],
  draft: boolean,
  units: Units,
): { product: Product } | { faults: Faults } {
  const { product, faults } = readLabel(typed, units);
  if (Object.keys(faults).length > 0) return { faults };
  if (typed.typedGrade.trim() !== '' && !typed.grade && !draft)
    return { faults: { grade: 'Say which reading of the three numbers stands on the bag.' } };
  const whole: Product = {
    id: typed.id ?? newId(product.name || 'label', taken),
    ...(typed.changedAt ? { changedAt: typed.changedAt } : {}),
    ...product,
    ...(draft ? { unfinished: true } : {}),
  };
  const wrong = faultsByField(productSchema, whole);
  return Object.keys(wrong).length > 0 ? { faults: wrong } : { product: whole };
}
