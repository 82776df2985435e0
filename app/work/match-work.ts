import { useUnits } from '../ui/format';
import type { Product } from '@core/records/case';
import { asked, type MatchContext, type Need, percentToward } from '@core/products/match/need';
import { type Trip, tripsOf } from '@core/season/plan/trips';
import { isRefusal } from '@core/reckoning/refusal';
import { dayOfYear } from '@core/days/day';
import { waterPh } from '@core/soil/report';
import type { PropertyWork } from './property-work';
import { significant } from '@core/words/numbers';
import { usePlace } from '../ui/place';

/** What Match and Bag check judge a bag against. */
export interface MatchWork {
  context: MatchContext;
  trips: Trip[];
  trip: Trip;
  need: Need;
  /** The need as typed over the trip's, by substance. */
  typed: Partial<Record<TypedNeed, string>>;
  faults: Partial<Record<TypedNeed, string>>;
  setTyped: (key: TypedNeed, text: string) => void;
  setTrip: (trip: Trip) => void;
}
export const TYPED_NEEDS = ['N', 'P2O5', 'K2O'] as const;
export type TypedNeed = (typeof TYPED_NEEDS)[number];
/** More than this in one trip is a slip of the finger, lb/1000 ft2. */
const MOST_TYPED_LB = 5;

const PARAM: Record<TypedNeed, string> = { N: 'n', P2O5: 'p', K2O: 'k' };

/** A trip's key in the address. */
export const tripKey = (trip: Trip): string => trip.date ?? 'first';

/**
 * The first trip that is still to come, else the first; of a bag the first of those it could serve, so that a bag of urea is
 * not held against a day of lime.
 */
export function nextTrip(trips: readonly Trip[], today: string, bag?: Product): Trip {
  const served = bag ? trips.filter(({ need }) => asked(need).some((each) => percentToward(bag, each) > 0)) : trips;
  const among = served.length > 0 ? served : trips;
  return among.find((trip) => (trip.date ?? '') >= today) ?? (among[0] as Trip);
}

/** Judges a zone's trip: its date from the address, its need from the doses or as typed over them. */
export function useMatchWork(work: PropertyWork, bag?: Product): MatchWork | undefined {
  const [place, setPlace] = usePlace();
  const units = useUnits();
  const { zone, zoneSeason, file, season, today } = work;
  if (!zone || !zoneSeason) return undefined;
  const { prescription, read, doses } = zoneSeason;
  const trips = tripsOf(zoneSeason.zone, prescription, doses, file.products ?? []);
  const trip = trips.find((each) => tripKey(each) === place.get('trip')) ?? nextTrip(trips, today, bag);
  const typed: MatchWork['typed'] = {};
  const faults: MatchWork['faults'] = {};
  const need: Need = { ...trip.need };
  for (const key of TYPED_NEEDS) {
    const text = place.get(PARAM[key]);
    if (text === null) continue;
    typed[key] = text;
    const value = units.value('nutrient-rate', text, key, key);
    if (isRefusal(value)) faults[key] = value.refused;
    else if (value !== undefined && (value < 0 || value > MOST_TYPED_LB))
      faults[key] = units.said(`${key} must be between 0 and ${MOST_TYPED_LB} lb ${key} per 1000 sq ft.`);
    else need[key] = value ?? 0;
  }
  const phosphorus = read?.findings.find((finding) => finding.analyte === 'P' && finding.level !== 'unreadable');
  const context: MatchContext = {
    // a report may have shown that soil of this texture is weak
    zone: zoneSeason.zone,
    grass: zoneSeason.grass,
    codes: file.codes ?? [],
    prescription,
    phosphorusSays: phosphorus && `${significant(phosphorus.value, 3)} ${phosphorus.unit}`,
    soilPh: read && waterPh(read.readings)?.ph,
    salty: prescription.salinity.standing === 'saline',
    meanF: trip.date && season.weather ? season.weather.meanF[dayOfYear(trip.date)] : undefined,
  };
  const setTyped = (key: TypedNeed, text: string) =>
    setPlace(
      (before) => {
        before.set(PARAM[key], text);
        return before;
      },
      { replace: true },
    );
  const setTrip = (to: Trip) =>
    setPlace(
      (before) => {
        before.set('trip', tripKey(to));
        for (const key of TYPED_NEEDS) before.delete(PARAM[key]);
        return before;
      },
      { replace: true },
    );
  return { context, trips, trip, need, typed, faults, setTyped, setTrip };
}
