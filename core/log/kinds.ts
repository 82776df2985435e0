import { PRODUCT_KINDS, type RecordBody, type RecordFacts, type RecordKind } from '../records/case';
import { type Refusal, refuse } from '../reckoning/refusal';

/** What each kind of record is called, what it needs and what it may say besides: the forms, the file and the list all go by it. */

type Fact = keyof RecordFacts;
export interface KindRow {
  title: string;
  /** Facts without which it is none. */
  needs: readonly Fact[];
  /** Facts that it may have. */
  takes: readonly Fact[];
}

const PESTICIDE: readonly Fact[] = [
  'registrationNumber',
  'target',
  'amountAsTyped',
  'labelRead',
  'reentryHours',
  'posted',
];

export const KINDS: Record<RecordKind, KindRow> = {
  feeding: { title: 'Feeding', needs: [], takes: [] },
  lime: { title: 'Lime', needs: [], takes: [] },
  sulfur: { title: 'Sulfur', needs: [], takes: [] },
  iron: { title: 'Iron', needs: [], takes: [] },
  liquid: { title: 'Liquid', needs: [], takes: [] },
  mowing: { title: 'Mowing', needs: ['heightIn'], takes: ['grassHeightIn', 'removedIn', 'clippings'] },
  watering: { title: 'Watering', needs: [], takes: ['depthIn', 'minutes', 'gallons', 'forRecordId'] },
  rain: { title: 'Rain', needs: ['depthIn'], takes: ['gauge'] },
  aeration: { title: 'Aeration', needs: [], takes: ['tool', 'depthIn', 'holesPerSqFt'] },
  dethatching: { title: 'Dethatching', needs: [], takes: ['tool', 'depthIn'] },
  topdressing: { title: 'Topdressing', needs: ['cubicYards'], takes: ['material'] },
  seed: { title: 'Seed', needs: ['species'], takes: ['lbPer1000', 'daysToEmergence'] },
  regulator: { title: 'Growth regulator', needs: ['productName'], takes: PESTICIDE },
  pesticide: { title: 'Pesticide', needs: ['productName'], takes: PESTICIDE },
  observation: { title: 'Observation', needs: [], takes: ['words', 'symptom', 'severity', 'sharePercent'] },
  'instrument-reading': { title: 'Reading', needs: ['instrument', 'value'], takes: ['depthIn'] },
  'soil-sample': { title: 'Soil sample', needs: ['sampleCode'], takes: [] },
  maintenance: { title: 'Maintenance', needs: ['equipment'], takes: [] },
  skip: { title: 'Not done', needs: ['jobKey', 'reason'], takes: [] },
  note: { title: 'Note', needs: [], takes: [] },
};

/** Whether records of a kind put a product down that is counted. */
export const spreadsProduct = (kind: RecordKind): boolean => (PRODUCT_KINDS as readonly RecordKind[]).includes(kind);

/** What of a record does not go together, beyond what its schema says; the field is the path within the body. */
export function refuseBody(body: RecordBody): Refusal | undefined {
  const { needs, takes, title } = KINDS[body.kind];
  const facts = (body.facts ?? {}) as Partial<Record<Fact, unknown>>;
  const missing = needs.find((fact) => facts[fact] === undefined || facts[fact] === '');
  if (missing) return refuse(`facts.${missing}`, `${title}: ${NEEDED[missing] ?? 'something'} is missing.`);
  const other = (Object.keys(facts) as Fact[]).find((fact) => !needs.includes(fact) && !takes.includes(fact));
  if (other) return refuse(`facts.${other}`, `A record of ${title.toLowerCase()} does not have "${other}".`);
  if (body.kind === 'watering' && body.facts?.depthIn === undefined && body.facts?.minutes === undefined)
    return refuse('facts.depthIn', 'Watering: type the depth, or the minutes it ran.');
  if (body.kind === 'note' && !body.notes?.trim()) return refuse('notes', 'A note needs its words.');
  if (!spreadsProduct(body.kind)) return undefined;
  if (!body.product) return refuse('product', 'Say which product went down.');
  const { weighedLb, backLb = 0, recoveredLb = 0, spreadLb } = body;
  if (spreadLb === undefined) return refuse('spreadLb', 'Type how much went down.');
  if (weighedLb !== undefined && backLb > weighedLb + 1e-9)
    return refuse('backLb', `More came back than went out: ${backLb} of ${weighedLb} lb product.`);
  if (weighedLb !== undefined && Math.abs(weighedLb - backLb - recoveredLb - spreadLb) > 1e-6)
    return refuse(
      'spreadLb',
      `${weighedLb} lb product out, ${backLb} lb product back and ${recoveredLb} lb product swept up do not make ${spreadLb} lb product spread.`,
    );
  return undefined;
}

const NEEDED: Partial<Record<Fact, string>> = {
  heightIn: 'the height it was mown to',
  depthIn: 'the depth',
  cubicYards: 'how many cubic yards',
  species: 'the species or blend',
  productName: 'the product’s name',
  instrument: 'the instrument',
  value: 'the reading',
  sampleCode: 'the code of the sample',
  equipment: 'the equipment',
  jobKey: 'the job',
  reason: 'the reason',
};
