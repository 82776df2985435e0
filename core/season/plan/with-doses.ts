import type { Case, PlannedDose, Product } from '../../records/case';
import { percentFor } from '../../products/shelf';
import { daysBetween } from '../../days/day';
import { isFoliarPurpose } from '../../foliar/foliar-feeds';
import { sprayWords } from './spray-words';
import { type Dose, makeDose } from './dose';
import { type SeasonPlan, type ZoneSeason } from './season-plan';
import { demandByDay, type NitrogenPart } from '../rules/nitrogen-parts';
import { LIME_NITROGEN_GAP_DAYS } from '../rules/limits';
import { fixed } from '../../words/numbers';

/** A dose is explained by growth where growth asks at least so much of it before the next one, a share. Decision. */
const MEETS = 0.6;
/** Why a part of the year is fed at all (C1, C2). */
const WHY_PART: Readonly<Record<NitrogenPart['id'], string>> = {
  spring: 'the share of spring: small, for it makes leaf to mow',
  summer: 'a light dose to carry summer',
  fall: 'after summer, when nitrogen makes roots, shoots and reserves',
  growing: 'spread over the growing months, so that none is bare and none is flushed',
};

/** What a dose is there for, as a colleague would say it. */
function whyOf(
  planned: PlannedDose,
  zoneSeason: ZoneSeason,
  all: readonly PlannedDose[],
  products: readonly Product[],
): string {
  const { season, schools, parts, prescription } = zoneSeason;
  const here = all.filter((d) => d.zoneId === planned.zoneId);
  if (planned.for === 'lime') return `lime, clear of urea and ammonium by ${LIME_NITROGEN_GAP_DAYS} days; water it in`;
  if (planned.for === 'gypsum') return 'gypsum against sodium; drainage first, then water to leach';
  if (planned.for === 'sulfur') return 'sulfur, on soil warm enough for microbes; water it in';
  const itself = products.find((p) => p.id === planned.productId);
  if (itself && isFoliarPurpose(planned.for)) return sprayWords(itself, planned.rateLb, zoneSeason.zone);
  const day = daysBetween(`${planned.date.slice(0, 4)}-01-01`, planned.date);
  const product = itself;
  const step = product && schools?.steps.find((s) => day >= s.from && day <= s.to && s.serves(product));
  const elsewhere = new Set(
    all.filter((d) => d.date === planned.date && d.zoneId !== planned.zoneId).map((d) => d.zoneId),
  );
  const trip =
    elsewhere.size > 0 ? `; one trip with ${elsewhere.size} more ${elsewhere.size === 1 ? 'zone' : 'zones'}` : '';
  if ((product?.guaranteed.N ?? 0) === 0) {
    const riding = here.some((d) => d !== planned && d.date === planned.date);
    const alone = elsewhere.size > 0 ? ', without nitrogen' : ', a trip of its own';
    return `${planned.for}${riding ? ', same day as the nitrogen' : alone}${trip}`;
  }
  if (step) return `${schools?.late?.title}: ${step.id.replaceAll('-', ' ')}${trip}`;
  if (!season) return '';
  const next = here
    .filter((d) => d.date > planned.date && (products.find((p) => p.id === d.productId)?.guaranteed.N ?? 0) > 0)
    .map((d) => daysBetween(`${d.date.slice(0, 4)}-01-01`, d.date))
    .sort((a, b) => a - b)[0];
  const broughtLb = (planned.rateLb * (product?.guaranteed.N ?? 0)) / 100;
  const part = parts?.parts.find(({ from, to }) => day >= from && day <= to);
  const share = (parts ? demandByDay(parts, season) : []).slice(day, next).reduce((a, b) => a + b, 0);
  const asks = share * prescription.nitrogen.year.value;
  // what stays in the soil for later weeks is no answer to these: then the part of the year says why
  if (part && asks < MEETS * broughtLb) return `${WHY_PART[part.id]}${trip}`;
  return `growth asks ${fixed(asks, 2)} lb N ${next === undefined ? 'to the end of the year' : `in the ${next - day} days to the next feeding`}${trip}`;
}

/** Makes one dose of a plan with its figures. Undefined where its zone or its product is gone. */
function made(
  planned: PlannedDose,
  zoneSeason: ZoneSeason,
  all: readonly PlannedDose[],
  products: readonly Product[],
): Dose | undefined {
  const product = products.find((p) => p.id === planned.productId);
  if (!product) return undefined;
  const percent = percentFor(product, planned.for);
  if (percent <= 0) return undefined;
  const { ph, nitrogen, phosphorus, potassium, gypsum } = zoneSeason.prescription;
  const prescribed = {
    N: nitrogen.year,
    P2O5: phosphorus.year,
    K2O: potassium.year,
    lime: ph.dosesFigure,
    sulfur: ph.dosesFigure,
    gypsum: gypsum.dosesFigure,
    iron: undefined,
    manganese: undefined,
  };
  const lb = (planned.rateLb * percent) / 100;
  const says =
    planned.for === 'lime' || planned.for === 'gypsum'
      ? `${planned.for} dose`
      : `${planned.for === 'sulfur' ? 'free S' : planned.for} of this dose, by the plan`;
  return makeDose(
    zoneSeason.zone,
    planned.date,
    product,
    planned.for,
    { lb, says, figure: prescribed[planned.for] },
    whyOf(planned, zoneSeason, all, products),
  );
}

/** The same season with the doses of a finished plan in place of the plain rule's. Doses of zones or products that are gone are left out. */
export function withDoses(plan: SeasonPlan, given: Case, planned: readonly PlannedDose[]): SeasonPlan {
  const products = given.products ?? [];
  return {
    ...plan,
    zones: plan.zones.map((zoneSeason) => ({
      ...zoneSeason,
      unplaced: [],
      doses: planned
        .filter((d) => d.zoneId === zoneSeason.zone.id)
        .flatMap((d) => made(d, zoneSeason, planned, products) ?? [])
        .sort((a, b) => a.date.localeCompare(b.date)),
    })),
  };
}
