import { Button } from 'antd';
import type { ReactNode } from 'react';
import { zoneAmount } from '@core/products/zone-amount';
import type { OwnFigure, OwnLine } from '@core/records/case';
import { type Figure, figureOf, traced } from '@core/reckoning/figure';
import { reasonOf } from '@core/prescription/override-figure';
import { isRefusal } from '@core/reckoning/refusal';
import type { Dose } from '@core/season/plan/dose';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { Fig } from '../../../ui/fig';
import { type QuantityId, type Units, useUnits } from '../../../ui/format';
import { sayDate, sayDay } from '@core/words/days';
import { Mark } from '../../../ui/marks';
import { Substances } from '../../../ui/substance';
import { showAmount, unitFor } from '../../../work/dose-words';
import { usePropertyWork } from '../../../work/use-property-work';

/** What an override is asked for. */
export interface OwnAsk {
  line: OwnLine;
  name: string;
  unit: string;
  /** What the figure is; none for pH and counts. */
  quantity?: QuantityId;
  rule?: number;
  own?: OwnFigure;
}

interface LineProps {
  at: number;
  name: string;
  verdict?: ReactNode;
  figure: ReactNode;
  doses: ReactNode;
  others?: ReactNode;
  own?: OwnFigure;
  className?: string;
  children: ReactNode;
}

/** A line of the prescription, in the order of judgement: need, doses, where it comes from, what others would say. */
export function Line({ at, name, verdict, figure, doses, others, own, className = '', children }: LineProps) {
  return (
    <section className={`rxline ${className}`} aria-label={name}>
      <div className="nm">
        <i aria-hidden="true">{at}</i>
        <h2>{name}</h2>
        {verdict && <p className="verdict">{verdict}</p>}
      </div>
      <div className="fig">{figure}</div>
      <div className="when">{doses}</div>
      <div className="why">{children}</div>
      <div className="others">{others}</div>
      {own && (
        <p className="ownreason">
          {reasonOf({ ...own, by: undefined, on: undefined })}
          <cite>{[own.by, own.on && sayDate(own.on)].filter(Boolean).join(', ')}</cite>
        </p>
      )}
    </section>
  );
}

/** The rate's total over the zone, itself openable. */
export function ZoneTotal({ figure, substance }: { figure: Figure; substance: string }) {
  const { zone } = usePropertyWork();
  const units = useUnits();
  if (!zone) return null;
  const total = figureOf(
    zoneAmount,
    {
      ratePer1000Lb: traced(figure.value, figure.title.toLowerCase(), figure),
      areaSqFt: traced(zone.areaSqFt, `${zone.name}, measured`),
    },
    {
      title: `${figure.title}, whole zone`,
      unit: `lb ${substance} for ${zone.name}`,
      usedIn: 'Season: the doses of the zone add up to it.',
    },
  );
  if (isRefusal(total)) return null;
  return (
    <p>
      <Fig figure={total} show={units.weight} /> <Substances text={units.unit('weight', substance)} /> here
    </p>
  );
}

interface AmountProps {
  figure: Figure;
  substance: string;
  /** What is shown; a nutrient's rate unless it says so. */
  quantity?: 'nutrient-rate' | 'product-rate' | 'material-rate';
  /** With as many decimals as it needs, where its parts are shown to add up. */
  exact?: boolean;
  own?: OwnFigure;
  byRule?: Figure;
}

/** The figure of a line; where it is the agronomist's own, the rule's stays below it, struck. */
export function Amount({ figure, substance, quantity = 'nutrient-rate', exact, own, byRule }: AmountProps) {
  const units = useUnits();
  const show = (value: number) => (exact ? units.exact(quantity, value) : units.show(quantity, value));
  return (
    <>
      <b className={own ? 'mine' : undefined}>
        <Fig figure={figure} show={show} />
      </b>{' '}
      <Substances text={units.short(quantity, substance)} />
      {own && (
        <p className="was">
          <s>{byRule ? <Fig figure={byRule} show={show} /> : '0'}</s> by the rule
        </p>
      )}
      <ZoneTotal figure={figure} substance={substance} />
    </>
  );
}

/** Asks for an override, or for the one that stands. */
export function OwnButton({ ask, onAsk }: { ask: OwnAsk; onAsk: (ask: OwnAsk) => void }) {
  return (
    <Button className="ownbutton" size="small" type="text" onClick={() => onAsk(ask)}>
      {ask.own ? 'Edit override' : 'Override'}
    </Button>
  );
}

/** What doses for something else bring of a nutrient, in words: "0.13 lb N comes with the P2O5". */
export function comesAlong(
  doses: readonly Dose[],
  nutrient: string,
  purpose: Dose['for'] | undefined,
  units: Units,
): string | undefined {
  const others = doses.filter((dose) => dose.for !== purpose && (dose.delivers[nutrient] ?? 0) > 0.004);
  if (others.length === 0) return undefined;
  const lb = others.reduce((sum, dose) => sum + (dose.delivers[nutrient] ?? 0), 0);
  const carriers = [...new Set(others.map((dose) => (dose.for === 'sulfur' ? 'free S' : dose.for)))];
  return `${units.rate(lb)} ${units.short('nutrient-rate', nutrient.replace('-combined', ''))} comes with the ${carriers.join(' and the ')}`;
}

/** What of a need waits because no spreader lays so little evenly, in words. */
export function waiting(
  { unplaced }: Pick<ZoneSeason, 'unplaced'>,
  purpose: Dose['for'],
  units: Units,
): string | undefined {
  const lb = unplaced.reduce((sum, each) => sum + (each.for === purpose ? (each.waitsLb ?? 0) : 0), 0);
  return lb > 0
    ? `${units.rate(lb)} ${units.short('nutrient-rate', purpose)} waits: less than a spreader lays evenly`
    : undefined;
}

/** Doses of a line with their day; what waits for a later year is said below. */
export function DoseList({ doses, none, after }: { doses: readonly Dose[]; none?: string; after?: string }) {
  const units = useUnits();
  if (doses.length === 0)
    return (
      <p className="nodose">
        {none ?? 'no dose'}
        {after && (
          <span>
            <Substances text={after} />
          </span>
        )}
      </p>
    );
  return (
    <ul className="doses">
      {doses.map((dose) => (
        <li key={dose.date + dose.productId}>
          <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
            <Mark purpose={dose.for} x={9} y={9} d={13} />
          </svg>
          <b>
            {showAmount(dose, units)} <Substances text={unitFor(dose, units)} />
          </b>
          <span>{sayDay(dose.date)}</span>
        </li>
      ))}
      {after && (
        <li className="after">
          <Substances text={after} />
        </li>
      )}
    </ul>
  );
}
