import type { IsoDay } from '../../days/day';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { leastRateLb } from '../../products/least-rate';
import { choicesFor } from '../../products/shelf';
import type { Case, LocalCode, Product } from '../../records/case';
import { sayDate } from '../../words/days';
import { two } from '../../words/numbers';
import { askedOfYear, type YearNutrient } from '../plan/asked-of-year';
import type { SeasonPlan, ZoneSeason } from '../plan/season-plan';
import { mostRateLb, unfitBecause } from '../plan/serving';
import { shelfContext } from '../plan/shelf-context';
import { zoneGround } from '../plan/zone-ground';
import type { Correcting } from '../rules/correction-stretches';
import { leastDaysBetweenN } from '../rules/dose-ceilings';
import { codeYearCap } from '../rules/local-codes';
import { closedBecause } from '../rules/open-days';

/** Why a need is not met and what would free it, reckoned from the facts of the zone: shelf, law, weeks, ceilings, trips. */

/** What would free a shortfall, and what a button can do of it. */
export interface Cure {
  says: string;
  does?: { kind: 'buy'; productId: string } | { kind: 'trips'; most: number };
}
export interface Why {
  because: string;
  cure: Cure;
}

interface NutrientShort {
  need: YearNutrient;
  askedLb: number;
  plannedLb: number;
  season: ZoneSeason;
  plan: SeasonPlan;
  given: Case;
  trips: readonly IsoDay[];
}

const CARRIED: Readonly<Record<YearNutrient, string>> = { N: 'N', P2O5: 'P2O5', K2O: 'K2O', Mg: 'Mg', S: 'S-combined' };
const FED = ['N', 'P2O5', 'K2O'] as const;
const percent = (product: Product, need: YearNutrient): number => product.guaranteed[CARRIED[need] as 'N'] ?? 0;

const buy = (product: Product): Cure => ({
  says: `Buy ${product.name}.`,
  does: { kind: 'buy', productId: product.id },
});

/** What a bag could do on the zone: its rates and the days open to it. */
interface Server {
  product: Product;
  least: number;
  most: number;
  open: boolean[];
}

/** The reason that closes most days. */
function mostOften(reasons: readonly (string | undefined)[]): string | undefined {
  const days = new Map<string | undefined, number>();
  for (const reason of reasons) days.set(reason, (days.get(reason) ?? 0) + 1);
  return [...days].sort(([, a], [, b]) => b - a)[0]?.[0];
}

/** Bags of a shelf that may bring a need to the zone at all, with their days; the rest say why not. */
function serversOf(
  need: YearNutrient,
  products: readonly Product[],
  { season, plan }: Pick<NutrientShort, 'season' | 'plan'>,
  codes: readonly LocalCode[],
): { servers: Server[]; because?: string } {
  const ground = zoneGround(season, plan, codes);
  if (!ground) return { servers: [] };
  const context = shelfContext(season, askedOfYear(season).K2O > 0);
  // lime brings magnesium too, where lime is due: it is no feed
  const carrying = products.filter((p) => percent(p, need) > 0 && FED.some((each) => (p.guaranteed[each] ?? 0) > 0));
  let because: string | undefined;
  const servers = carrying.flatMap((product): Server[] => {
    const unfit = unfitBecause(product, season.zone, context, codes);
    because ??= unfit && `${product.name}: ${unfit}`;
    if (unfit) return [];
    const closed = plan.soilF.map((_, day) => closedBecause(ground, product, day));
    const open = closed.map((why) => why === undefined);
    because ??= open.some(Boolean) ? undefined : `${product.name}: ${mostOften(closed)}`;
    if (!open.some(Boolean)) return [];
    return [{ product, least: leastRateLb(product, season.zone), most: mostRateLb(season.zone, product, codes), open }];
  });
  return { servers, because };
}

/** Most of a need that feedings on the open days can bring, the wait between them kept, lb/1000 ft2. */
function mostByCalendar(need: YearNutrient, servers: readonly Server[], season: ZoneSeason) {
  const gap = leastDaysBetweenN(season.zone);
  const dose = Math.max(0, ...servers.map(({ product, most }) => (most * percent(product, need)) / 100));
  let feedings = 0;
  let next = 0;
  (servers[0]?.open ?? []).forEach((_, day) => {
    if (day < next || !servers.some(({ open }) => open[day])) return;
    feedings++;
    next = day + gap;
  });
  return { feedings, dose, mostLb: feedings * dose };
}

/** Bags of the starter shelf that are not on the property's, and would serve. */
const toBuy = (facts: NutrientShort): Server[] => {
  const here = new Set((facts.given.products ?? []).map((p) => p.id));
  const others = STARTER_SHELF.filter((p) => !here.has(p.id));
  const context = shelfContext(facts.season, askedOfYear(facts.season).K2O > 0);
  const purpose = facts.need === 'Mg' || facts.need === 'S' ? undefined : facts.need;
  const { servers } = serversOf(facts.need, others, facts, facts.given.codes ?? []);
  // what brings the need alone comes first, then as the shelf is chosen from
  const order = purpose ? choicesFor(others, purpose, context) : [...others];
  return servers
    .filter(({ product }) => !purpose || order.includes(product))
    .sort((a, b) => order.indexOf(a.product) - order.indexOf(b.product));
};

/** That every trip which a person allows is taken; nothing where one is left. */
const tripsAllUsed = ({ choices }: Case, trips: readonly IsoDay[]): Why | undefined => {
  const most = choices?.maxTrips;
  return most === undefined || trips.length < most
    ? undefined
    : {
        because: `At most ${most} ${most === 1 ? 'trip' : 'trips'} may be taken.`,
        cure: { says: 'Allow one trip more.', does: { kind: 'trips', most: most + 1 } },
      };
};

/** Why a nutrient of the year is short on a zone, and what would free it. */
export function whyNutrientShort(facts: NutrientShort): Why {
  const { need, askedLb, plannedLb, season, given, trips } = facts;
  const products = given.products ?? [];
  const codes = given.codes ?? [];
  const { servers, because } = serversOf(need, products, facts, codes);
  if (servers.length === 0) {
    const lawless = serversOf(need, [...products, ...STARTER_SHELF], facts, []);
    const lawful = serversOf(need, [...products, ...STARTER_SHELF], facts, codes);
    if (lawful.servers.length === 0 && lawless.servers.length > 0)
      return {
        because: `${codes.map((c) => c.name ?? 'The local code').join(' and ')} leaves no day and no product for it.`,
        cure: { says: 'Nothing this year: the code stands over the plan.' },
      };
    const [first] = toBuy(facts);
    return {
      because: `Nothing on the shelf may bring it here${because ? ` (${because})` : ''}.`,
      cure: first
        ? buy(first.product)
        : { says: 'No feed of the starter shelf may go here either: add one of your own.' },
    };
  }
  const cap = codeYearCap(codes);
  if (need === 'N' && cap !== undefined && cap < askedLb && plannedLb > 0.9 * cap)
    return {
      because: `The local code allows ${two(cap)} lb N a year.`,
      cure: { says: 'Nothing this year: the code stands over the plan.' },
    };
  const leastLb = Math.min(...servers.map(({ product, least }) => (least * percent(product, need)) / 100));
  const leftLb = askedLb - plannedLb;
  if (need !== 'N' && leftLb < 0.9 * leastLb) {
    const weaker = toBuy(facts).find(({ product, least }) => (least * percent(product, need)) / 100 <= leftLb);
    return {
      because: `${two(leftLb)} lb ${need} is less than a spreader lays evenly of what is on the shelf.`,
      cure: weaker ? buy(weaker.product) : { says: 'Let it wait for the next test.' },
    };
  }
  const most = mostByCalendar(need, servers, season);
  if (need === 'N' && most.mostLb < 0.95 * askedLb) {
    const larger = toBuy(facts).find(
      ({ product, most: rate }) => (rate * percent(product, need)) / 100 > most.dose + 0.05,
    );
    const begun = season.from.slice(5) > '01-01' ? `, begun on ${sayDate(season.from)}` : '';
    return {
      because: `${most.feedings} ${most.feedings === 1 ? 'feeding' : 'feedings'} of at most ${two(most.dose)} lb N fit into the open weeks${begun}.`,
      cure: larger ? buy(larger.product) : { says: 'Less N this year: the weeks and the dose limits bear no more.' },
    };
  }
  const byTrips = tripsAllUsed(given, trips);
  if (byTrips) return byTrips;
  return {
    because: 'Spacing, shares of the year and what else a bag brings leave no better place for it among these doses.',
    cure: { says: 'Find the best plan; where that is done, another product, date or school.' },
  };
}

interface CorrectionShort {
  need: Correcting;
  season: ZoneSeason;
  given: Case;
  trips: readonly IsoDay[];
  /** Stretches of the year that are open to it. */
  stretches: number;
}

/** Why lime, sulfur or gypsum of this year is short on a zone, and what would free it. */
export function whyCorrectionShort({ need, season, given, trips, stretches }: CorrectionShort): Why {
  const products = given.products ?? [];
  const context = shelfContext(season);
  const { ledger } = need === 'gypsum' ? season.prescription.gypsum : season.prescription.ph;
  if (choicesFor(products, need, context).length === 0) {
    const [first] = choicesFor([...STARTER_SHELF], need, context);
    return { because: `No ${need} on the shelf.`, cure: first ? buy(first) : { says: `Add a ${need} of your own.` } };
  }
  if (stretches === 0)
    return ledger?.datedUntil
      ? { because: `A year has passed since the first dose: what is left waits.`, cure: { says: 'A new report.' } }
      : {
          because: `No stretch of the year is open to ${need} from ${sayDate(season.from)} on.`,
          cure: { says: 'Next year, early.' },
        };
  const byTrips = tripsAllUsed(given, trips);
  if (byTrips) return byTrips;
  return {
    because: 'Doses that stand already keep it out of its weeks.',
    cure: { says: 'Find the best plan, or unlock a dose near it.' },
  };
}
