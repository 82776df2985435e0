import * as yup from 'yup';
import { changedAt, id, num, text, word, yes } from './strict-schema';
import { NITROGEN_FORMS, type NitrogenForm } from './vocabularies';
import { trimmed } from '../words/numbers';
import { typedTexts } from './typed-schema';

const share = (label: string) => num(label, { min: 0, max: 100, unit: '%' }).optional();
export const guaranteedSchema = yup.object({
  N: share('N'),
  P2O5: share('P2O5'),
  K2O: share('K2O'),
  Ca: share('Ca'),
  Mg: share('Mg'),
  'S-free': share('Free S'),
  'S-combined': share('Combined S'),
  Fe: share('Fe'),
  Mn: share('Mn'),
  Zn: share('Zn'),
  Cu: share('Cu'),
  B: share('B'),
  Cl: share('Cl'),
});
/** Everything a label may guarantee, in the order labels print it. */
export const GUARANTEES = Object.keys(guaranteedSchema.fields) as (keyof yup.InferType<typeof guaranteedSchema>)[];
const formFields = Object.fromEntries(NITROGEN_FORMS.map((f) => [f, share(`N as ${f}`)])) as Record<
  NitrogenForm,
  ReturnType<typeof share>
>;

export const productSchema = yup
  .object({
    id: id('Product'),
    changedAt: changedAt(),
    name: text('Product name', 120).required('Give the product a name.').min(1, 'Give the product a name.'),
    form: word('Form', ['granular', 'liquid']).optional(),
    guaranteed: guaranteedSchema.required('A product needs its guaranteed analysis.'),
    nitrogen: yup.object(formFields).optional().default(undefined),
    releaseDays: num('Release', { min: 0, max: 400, unit: 'days' }).optional(),
    package: yup
      .object({
        lb: num('Package weight', { above: 0, max: 5000, unit: 'lb product' }).optional(),
        gal: num('Package volume', { above: 0, max: 1000, unit: 'gal' }).optional(),
        price: num('Price', { min: 0, max: 100_000 }).optional(),
      })
      .optional()
      .default(undefined),
    onHandLb: num('On hand', { min: 0, max: 1e6, unit: 'lb product' }).optional(),
    lbPerGal: num('Density', { min: 6, max: 16, unit: 'lb/gal' }).optional(),
    ccePercent: num('CCE', { above: 0, max: 180, unit: '%' }).optional(),
    eccePercent: num('ECCE', { above: 0, max: 180, unit: '%' }).optional(),
    limeKind: word('Lime kind', ['calcitic', 'dolomitic', 'hydrated', 'burnt']).optional(),
    over8MeshPercent: share('Over 8 mesh'),
    mesh8to20Percent: share('8-20 mesh'),
    mesh20to60Percent: share('20-60 mesh'),
    under60MeshPercent: share('Under 60 mesh'),
    sizeGuideNumber: num('Size guide number', { min: 30, max: 500 }).optional(),
    coverageSqFt: num('Coverage', { above: 0, max: 1e7, unit: 'ft2' }).optional(),
    pesticide: yes('Holds a pesticide').optional(),
    granuleDensity: num('Granule density', { min: 0.5, max: 3, unit: 'g/cm3' }).optional(),
    /** Limits of its own label for the hour it goes out; the stricter of these and ours holds. */
    mostWindMph: num('Most wind of the label', { above: 0, max: 50, unit: 'mph' }).optional(),
    leastAirF: num('Least air of the label', { min: -20, max: 120, unit: 'deg F' }).optional(),
    mostAirF: num('Most air of the label', { min: 20, max: 140, unit: 'deg F' }).optional(),
    rainfastHours: num('Rainfast after', { above: 0, max: 240, unit: 'h' }).optional(),
    lot: text('Lot', 80).optional(),
    typed: typedTexts().optional(),
    /** Half entered: kept as typed, and never planned or matched until it is whole. */
    unfinished: yes('Unfinished label').optional(),
  })
  .test('forms', function (product) {
    // what is no record at all has its own sentence
    if (typeof product !== 'object' || product === null) return true;
    const shares = [...Object.values(product.guaranteed ?? {}), ...Object.values(product.nitrogen ?? {})] as unknown[];
    // a share that is no number has its own sentence
    if (shares.some((share) => share !== undefined && typeof share !== 'number')) return true;
    const grade = (product.guaranteed?.N ?? 0) + (product.guaranteed?.P2O5 ?? 0) + (product.guaranteed?.K2O ?? 0);
    if (grade > 100)
      return this.createError({
        path: `${this.path ? `${this.path}.` : ''}guaranteed`,
        message: `N, P2O5 and K2O of ${product.name} add up to ${grade} %, which no bag can hold.`,
      });
    if (!product.nitrogen || product.unfinished) return true;
    const sum = Object.values(product.nitrogen).reduce<number>((a, b) => a + (b ?? 0), 0);
    const total = product.guaranteed?.N ?? 0;
    if (Math.abs(sum - total) > 0.05)
      return this.createError({
        path: `${this.path ? `${this.path}.` : ''}nitrogen`,
        message: `The nitrogen forms of ${product.name} add up to ${trimmed(sum, 2)} %, the label says ${total} % N. They must agree.`,
      });
    return true;
  });
export type Product = yup.InferType<typeof productSchema>;
