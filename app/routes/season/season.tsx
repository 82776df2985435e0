import './season.css';
import { Button, Segmented } from 'antd';
import { lazy, Suspense, useMemo } from 'react';
import { useFetcher } from 'react-router';
import { type Plan, PLANNED_FOR, type PlannedDose, type PlannedFor, type Product } from '@core/formats/case';
import { faceOf } from '@core/products/label/face';
import { checkZonePlan } from '@core/season/check-plan';
import { dayOfYear, daysBetween } from '@core/season/day';
import type { Dose } from '@core/season/dose';
import { choiceKey, type ZoneSeason } from '@core/season/plan';
import { purchases } from '@core/season/purchases';
import { deletePlan, loadProperty, saveChoices, savePlan } from '../../storage/property-repository';
import { CheckList } from '../../ui/check-list';
import { ChoiceField } from '../../ui/field';
import { Fig } from '../../ui/fig';
import { showDate, showMoney, showProductRate, showRate, showWeekday, showWeight } from '../../ui/format';
import { Substances } from '../../ui/substance';
import { useOfferUndo } from '../../ui/use-offer-undo';
import { useMounted } from '../../ui/use-mounted';
import { chooseProducts } from '../../work/choose-products';
import { planYear, usePropertyWork } from '../../work/property-work';
import { todayIso } from '../../ui/format';
import type { Route } from './+types/season';
import { Lane } from './lane';

const NitrogenChart = lazy(() => import('../../ui/charts/nitrogen-chart'));

type Sent =
  | { intent: 'product'; key: string; productId: string }
  | { intent: 'year'; year: number }
  | { intent: 'keep'; doses: PlannedDose[] }
  | { intent: 'put-back'; plan: Plan | null };

export async function clientAction({ request, params }: Route.ClientActionArgs) {
  const sent = (await request.json()) as Sent;
  const file = await loadProperty(params.propertyId);
  if (!file) return {};
  const year = planYear(file, todayIso());
  const plan: Plan = file.plans?.find((p) => p.year === year) ?? { id: `plan-${year}`, year, products: undefined };
  switch (sent.intent) {
    case 'product':
      await chooseProducts(file.property.id, { [sent.key]: sent.productId });
      return {};
    case 'year':
      await saveChoices(file.property.id, { year: sent.year });
      return {};
    case 'keep':
      await savePlan(file.property.id, { ...plan, keptOn: todayIso(), doses: sent.doses });
      return { kept: true };
    case 'put-back':
      if (sent.plan) await savePlan(file.property.id, sent.plan);
      else await deletePlan(file.property.id, plan.id);
      return {};
  }
}

const PURPOSE_WORDS: Record<PlannedFor, string> = {
  N: 'Nitrogen from',
  P2O5: 'Phosphorus from',
  K2O: 'Potassium from',
  lime: 'Lime',
  sulfur: 'Sulfur from',
};

const planned = (doses: readonly Dose[]): PlannedDose[] =>
  doses.map(({ zoneId, date, productId, rateLb, for: purpose }) => ({ zoneId, date, productId, for: purpose, rateLb }));

const sameDoses = (a: readonly PlannedDose[], b: readonly PlannedDose[]): boolean => {
  const face = (doses: readonly PlannedDose[]) =>
    JSON.stringify(doses.map((d) => [d.zoneId, d.date, d.productId, d.for, d.rateLb.toFixed(4)]).sort());
  return face(a) === face(b);
};

function Checks({ zoneSeason }: { zoneSeason: ZoneSeason }) {
  const { file, season } = usePropertyWork();
  const checks = checkZonePlan(zoneSeason, file, season);
  const count = (standing: string) => checks.filter((c) => c.standing === standing).length;
  return (
    <section aria-labelledby="checks">
      <div className="pagehead" style={{ padding: 0 }}>
        <h2 id="checks">Checks</h2>
        <span className="sp" />
        <span className="small">
          {count('pass')} pass, {count('warn')} warn, {count('fail')} fail
        </span>
      </div>
      <CheckList checks={checks} />
    </section>
  );
}

function Buying({ doses, products }: { doses: readonly Dose[]; products: readonly Product[] }) {
  const list = purchases(doses, products);
  const cost = list.reduce((sum, p) => sum + (p.cost ?? 0), 0);
  const unpriced = list.some((p) => p.cost === undefined);
  return (
    <section className="buy" aria-labelledby="buy">
      <h2 id="buy">To buy, all zones</h2>
      {list.length === 0 && <p className="note">Nothing to buy.</p>}
      <ul>
        {list.map((p) => (
          <li key={p.productId}>
            <span>{p.name}</span>
            <b className="nowrap">
              {p.packages} {p.packages === 1 ? 'bag' : 'bags'}
            </b>
            <span className="num">{p.cost === undefined ? 'no price' : showMoney(p.cost)}</span>
            <span className="small">
              {showWeight(p.neededLb)} lb product needed{p.onHandLb > 0 && `, ${showWeight(p.onHandLb)} on hand`}
              {p.packageLb !== undefined && `, bags of ${p.packageLb} lb product`}, {showWeight(p.leftLb)} lb product
              left over
            </span>
          </li>
        ))}
      </ul>
      {list.length > 0 && (
        <p className="sum ledger-total">
          <span>{unpriced ? 'Priced part' : 'In all'}</span>
          <span>{showMoney(cost)}</span>
        </p>
      )}
    </section>
  );
}

function ProductChoices({
  zoneSeason,
  onChoose,
}: {
  zoneSeason: ZoneSeason;
  onChoose: (key: string, productId: string) => void;
}) {
  const { shelf, zone } = zoneSeason;
  return (
    <div className="choices">
      {PLANNED_FOR.filter((purpose) => shelf[purpose]).map((purpose) => {
        const { chosen, options = [] } = shelf[purpose] ?? {};
        return (
          <ChoiceField
            key={purpose}
            label={PURPOSE_WORDS[purpose]}
            placeholder="Nothing on the shelf fits"
            value={chosen?.id}
            options={options.map((p) => ({ value: p.id, label: `${p.name} ${faceOf(p)}` }))}
            onChange={(productId) => onChoose(choiceKey(zone.id, purpose), productId)}
          />
        );
      })}
    </div>
  );
}

function brings(dose: Dose): string {
  return (['N', 'P2O5', 'K2O', 'S-free', 'Mg', 'Ca'] as const)
    .filter((nutrient) => (dose.delivers[nutrient] ?? 0) > 0.004)
    .map((nutrient) => `${showRate(dose.delivers[nutrient] ?? 0)} lb ${nutrient === 'S-free' ? 'free S' : nutrient}`)
    .join(', ');
}

function DoseTable({ zoneSeason, products }: { zoneSeason: ZoneSeason; products: readonly Product[] }) {
  const { doses, zone } = zoneSeason;
  if (doses.length === 0) return null;
  return (
    <table className="dosetable">
      <caption>What goes down on {zone.name}</caption>
      <thead>
        <tr>
          <th scope="col">Day</th>
          <th scope="col">Product</th>
          <th scope="col" className="num">
            lb product per 1000
          </th>
          <th scope="col" className="num">
            lb product, zone
          </th>
          <th scope="col">Brings, per 1000</th>
          <th scope="col">Why then</th>
        </tr>
      </thead>
      <tbody>
        {doses.map((dose) => {
          const product = products.find((p) => p.id === dose.productId);
          return (
            <tr key={dose.date + dose.productId}>
              <td className="nowrap">{showWeekday(dose.date)}</td>
              <td>
                {product?.name} <span className="small nowrap">{product && faceOf(product)}</span>
              </td>
              <td className="num">
                <Fig figure={dose.rate} show={showProductRate} />
              </td>
              <td className="num">
                <Fig figure={dose.weighOut} show={showWeight} />
              </td>
              <td>
                <Substances text={brings(dose)} />
              </td>
              <td className="small">{dose.why}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Nitrogen asked by growth and put down, summed by day. */
function nitrogenCourse(zoneSeason: ZoneSeason): { asked: number[]; down: number[] } {
  const growth = zoneSeason.season?.growth ?? [];
  const total = growth.reduce((a, b) => a + b, 0) || 1;
  const year = zoneSeason.prescription.nitrogen.year.value;
  let grown = 0;
  const asked = growth.map((share) => (year * (grown += share)) / total);
  const down = growth.map((_, day) =>
    zoneSeason.doses.reduce((sum, d) => sum + (dayOfYear(d.date) <= day ? (d.delivers.N ?? 0) : 0), 0),
  );
  return { asked, down };
}

export default function Season() {
  const { file, season, zone, zoneSeason, plan, today, year } = usePropertyWork();
  const fetcher = useFetcher<{ kept?: boolean }>();
  const offerUndo = useOfferUndo();
  const mounted = useMounted();
  const course = useMemo(() => zoneSeason && nitrogenCourse(zoneSeason), [zoneSeason]);
  const send = (sent: Sent) => fetcher.submit(sent as never, { method: 'post', encType: 'application/json' });
  if (!zone || !zoneSeason || !course)
    return (
      <div className="empty">
        <p>Nothing to date yet: measure a zone in Ground, type its report in Read, and the year is laid out here.</p>
      </div>
    );
  const products = file.products ?? [];
  const all = season.zones.flatMap((z) => z.doses);
  const inStep = plan?.doses && sameDoses(plan.doses, planned(all));
  const todayDay = today.startsWith(String(year)) ? daysBetween(`${year}-01-01`, today) : undefined;
  const thisYear = Number(today.slice(0, 4));
  const years = [...new Set([thisYear, thisYear + 1, year])].sort();
  const keep = () => {
    const before = plan ?? null;
    void send({ intent: 'keep', doses: planned(all) });
    offerUndo(`The plan for ${year} is kept.`, () => void send({ intent: 'put-back', plan: before }));
  };
  return (
    <div className="sn">
      <div className="body">
        <div>
          <div className="pagehead">
            <h1>Season {year}</h1>
            <span>
              <b>{all.length}</b> doses on {new Set(all.map((d) => d.date)).size} days
            </span>
            <span className="small">
              {plan?.keptOn
                ? inStep
                  ? `kept ${showDate(plan.keptOn)}`
                  : `kept ${showDate(plan.keptOn)}, out of date since`
                : 'not kept yet'}
            </span>
            <span className="sp" />
            <Segmented
              aria-label="Year"
              options={years.map((y) => ({ value: y, label: String(y) }))}
              value={year}
              onChange={(y) => void send({ intent: 'year', year: y })}
            />
            <Button onClick={() => window.print()}>Print plan</Button>
            <Button type="primary" disabled={all.length === 0 || inStep === true} onClick={keep}>
              Keep this plan
            </Button>
          </div>
          {season.zones.map((z) => (
            <Lane
              key={z.zone.id}
              zoneSeason={z}
              products={products}
              todayDay={todayDay}
              focused={z.zone.id === zone.id}
            />
          ))}
          {zoneSeason.season && (
            <div className="chart">
              <div className="nm">
                <b>Nitrogen, {zone.name}</b>
                lb N per 1000 sq ft, summed through the year
                <span className="key">
                  <i /> growth asks
                </span>
                <span className="key">
                  <i className="down" /> put down
                </span>
              </div>
              {mounted && (
                <Suspense fallback={<div style={{ height: 190 }} />}>
                  <NitrogenChart
                    asked={course.asked}
                    down={course.down}
                    todayDay={todayDay}
                    left={164}
                    label={`Nitrogen through ${year}: growth asks ${showRate(course.asked.at(-1) ?? 0)} lb N per 1000 sq ft, the doses put down ${showRate(course.down.at(-1) ?? 0)}`}
                  />
                </Suspense>
              )}
            </div>
          )}
          <div className="tables">
            <ProductChoices
              zoneSeason={zoneSeason}
              onChoose={(key, productId) => void send({ intent: 'product', key, productId })}
            />
            <DoseTable zoneSeason={zoneSeason} products={products} />
            <p className="small" style={{ marginTop: 10 }}>
              Always: the label is the law, and local codes come first. Gloves and eye protection; keep product off hard
              surfaces and out of water; nothing on frozen, saturated or dormant turf; keep children and pets off until
              it is watered in and dry.
            </p>
          </div>
        </div>
        <aside className="margin">
          <Checks zoneSeason={zoneSeason} />
          <Buying doses={all} products={products} />
        </aside>
      </div>
    </div>
  );
}
