import type { GrowthSeason } from '../../climate/climate-year';
import { addDays, type IsoDay } from '../../days/day';
import { NO_SULFUR_BEFORE_DAYS } from '../rules/establishment';
import type { ZonePrescription } from '../../prescription/prescription';
import type { Zone } from '../../records/case';
import { type Correcting, correctionStretches, type Stretch } from '../rules/correction-stretches';

/** Doses of a correction that a prescription asks for, lb of the substance, and what its log says of dates. */
export function correctionAsked(
  purpose: Correcting,
  { ph, gypsum }: Pick<ZonePrescription, 'ph' | 'gypsum'>,
): { doses: readonly number[]; productId?: string; lastGiven?: IsoDay; until?: IsoDay; sparse?: boolean } {
  const { doses, productId, ledger } = purpose === 'gypsum' ? gypsum : ph;
  const asked = purpose === 'gypsum' || ph.action === purpose;
  const dated = purpose === 'sulfur' ? doses.slice(0, ph.mostDated) : doses;
  return {
    doses: asked ? dated : [],
    productId,
    lastGiven: ledger?.lines.at(-1)?.date,
    until: ledger?.datedUntil,
    sparse: ph.sparse,
  };
}

/** The stretches that a zone's prescription leaves open in a year. */
export function zoneStretches(
  purpose: Correcting,
  {
    zone,
    prescription,
    season,
  }: { zone: Zone; prescription: Pick<ZonePrescription, 'ph' | 'gypsum' | 'establishment'>; season?: GrowthSeason },
  { year, from }: { year: number; from: IsoDay },
): Stretch[] {
  const { lastGiven, until, sparse } = correctionAsked(purpose, prescription);
  const { establishment } = prescription;
  if (establishment?.workable && purpose === 'lime') {
    // worked in before the seeding, in one stretch (C8)
    const last = addDays(establishment.on, -1);
    return last < from ? [] : [{ from, to: last }];
  }
  const stretches = correctionStretches(purpose, { zone, year, from, season, lastGiven, until, sparse });
  if (!establishment || purpose !== 'sulfur') return stretches;
  const [least, most] = [-NO_SULFUR_BEFORE_DAYS, NO_SULFUR_BEFORE_DAYS].map((days) =>
    addDays(establishment.on, days),
  ) as [IsoDay, IsoDay];
  return stretches.filter((span) => span.to < least || span.from > most);
}
