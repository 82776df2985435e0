import { STARTER_SHELF } from '../packs/starter-shelf';
import { KINDS } from '../log/kinds';
import type { Case, Product } from '../records/case';
import { sayDate } from '../words/days';

/** The kinds of records that a file may bring, in the order they are shown. */
export const BROUGHT_KINDS = [
  'property',
  'zones',
  'soilTests',
  'samples',
  'plans',
  'runs',
  'records',
  'products',
] as const;
export type BroughtKind = (typeof BROUGHT_KINDS)[number];

/**
 * How a record of a file stands to the one here: the same; not here; changed later here or in the file; or different, where the
 * days of their changes do not tell which is newer.
 */
export type Standing = 'same' | 'new' | 'newer-here' | 'newer-there' | 'differs';

/** One record of a file beside what is here. */
export interface Brought {
  kind: BroughtKind;
  id: string;
  name: string;
  standing: Standing;
  /** A product whose label says something else: plans of the file were reckoned with that one. */
  otherLabel?: boolean;
  /** A product that came with Ubertas and that nobody touched: it gives way without a question. */
  untouched?: boolean;
}

/** A value as text whose keys stand in order, without the moment of its change: equal texts say the same. */
const face = (value: unknown): string =>
  JSON.stringify(value ?? null, (key, inner: unknown) =>
    key === 'changedAt'
      ? undefined
      : typeof inner === 'object' && inner !== null && !Array.isArray(inner)
        ? Object.fromEntries(
            Object.entries(inner)
              .filter(([, each]) => each !== undefined)
              .sort(([a], [b]) => (a < b ? -1 : 1)),
          )
        : inner,
  );

const STARTERS = new Map(STARTER_SHELF.map((product) => [product.id, face(product)]));

/** Whether a product is still as it came with Ubertas. */
const isUntouchedStarter = (product: Product): boolean => STARTERS.get(product.id) === face(product);

/** Whether two products carry the same label, whatever they cost and however much is on hand. */
function sameLabel(a: Product, b: Product): boolean {
  const label = ({ name, guaranteed, eccePercent }: Product) => face([name, guaranteed, eccePercent]);
  return label(a) === label(b);
}

interface Dated {
  changedAt?: string;
}

function standingOf(here: Dated | undefined, there: Dated): Standing {
  if (!here) return 'new';
  if (face(here) === face(there)) return 'same';
  if (here.changedAt === undefined || there.changedAt === undefined || here.changedAt === there.changedAt)
    return 'differs';
  return here.changedAt > there.changedAt ? 'newer-here' : 'newer-there';
}

/** Versions of the log under the names of their content: where both have one of a name, they are the same. */
const asListed = (file: Case | undefined) => file?.records?.map((version) => ({ id: version.versionId, ...version }));

/** What a property is by itself: its own facts with its codes and choices, without what belongs to a browser. */
function ownFacts({ property: { id: _id, ...property }, codes, choices }: Case) {
  return { ...property, codes: codes?.length ? codes : undefined, choices };
}

function broughtProduct(here: Product | undefined, there: Product): Brought {
  // what came with Ubertas and was never touched is older than whatever a person kept
  const untouched =
    here !== undefined && here.changedAt === undefined && isUntouchedStarter(here) && face(here) !== face(there);
  const standing = untouched ? 'newer-there' : standingOf(here, there);
  return {
    kind: 'products',
    id: there.id,
    name: there.name,
    standing,
    ...(untouched ? { untouched } : {}),
    ...(here && !sameLabel(here, there) ? { otherLabel: true } : {}),
  };
}

/**
 * Every record that a file brings, beside what is here: matched by id, judged by content first and by the moment of the last
 * change second.
 *
 * @param here the same property in this browser, undefined where it is not; `shelf` its one shelf
 * @example compareCases(undefined, shelf, file) gives every zone as new
 */
export function compareCases(here: Case | undefined, shelf: readonly Product[], there: Case): Brought[] {
  const nameOf = new Map(there.zones.map((zone) => [zone.id, zone.name]));
  const listed = <R extends Dated & { id: string }>(
    kind: BroughtKind,
    mine: readonly R[] | undefined,
    theirs: readonly R[] | undefined,
    name: (record: R) => string,
  ): Brought[] => {
    const byId = new Map((mine ?? []).map((record) => [record.id, record]));
    return (theirs ?? []).map((record) => ({
      kind,
      id: record.id,
      name: name(record),
      standing: standingOf(byId.get(record.id), record),
    }));
  };
  const onShelf = new Map(shelf.map((product) => [product.id, product]));
  return [
    {
      kind: 'property',
      id: there.property.id,
      name: there.property.name,
      standing: standingOf(here && ownFacts(here), ownFacts(there)),
    },
    ...listed('zones', here?.zones, there.zones, (zone) => zone.name),
    ...listed(
      'soilTests',
      here?.soilTests,
      there.soilTests,
      (test) => `${nameOf.get(test.zoneId) ?? test.zoneId}, report of ${sayDate(test.sampledOn)}`,
    ),
    ...listed('samples', here?.samples, there.samples, (sample) => `Sample ${sample.code}`),
    ...listed('plans', here?.plans, there.plans, (plan) => plan.name ?? `Plan ${plan.year}`),
    ...listed('runs', here?.runs, there.runs, (run) => `${run.label.name} of ${sayDate(run.plannedOn)}`),
    ...listed(
      'records',
      asListed(here),
      asListed(there),
      ({ body }) => `${KINDS[body.kind].title} of ${sayDate(body.date)}`,
    ),
    ...(there.products ?? []).map((product) => broughtProduct(onShelf.get(product.id), product)),
  ];
}

/** What is done with a record of a file: taken over what is here, left, or, for a product, kept beside it. */
export type Decision = 'take' | 'leave' | 'both';

/**
 * What is done where nobody decides otherwise: what is not here and what is newer is taken, everything else is left. A product
 * of another label in a stranger's file is kept beside ours, because the file's plans were reckoned with it.
 */
export function usualDecision({ kind, standing, otherLabel, untouched }: Brought, backup: boolean): Decision {
  if (standing === 'new') return 'take';
  if (standing === 'same') return 'leave';
  if (kind === 'products' && !backup) return otherLabel ? 'both' : untouched ? 'take' : 'leave';
  return standing === 'newer-there' ? 'take' : 'leave';
}

/** Whether a person is to be asked: one of their own records and the file's are not the same. */
export const isToBeAsked = ({ kind, standing, untouched }: Brought, backup: boolean): boolean =>
  standing !== 'same' && standing !== 'new' && !untouched && (kind !== 'products' || backup);
