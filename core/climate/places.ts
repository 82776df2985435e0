import geodesicLibrary from 'geographiclib-geodesic';
import { dayAt, placeOf } from '../days/day';
import { CLIMATE_PRESETS } from '../packs/starter-shelf';
import placesFile from '../packs/climate-places.json';
import type { Climate } from '../records/case';
import { type Refusal, refuse } from '../reckoning/refusal';
import { M_PER_FT, M_PER_MILE } from '../units/conversions';
import { grouped } from '../words/numbers';
import { plain } from '../words/plain';

/** Normals of the places that ship with Ubertas: found by name or by what lies nearest, and blended between two. */

export interface ClimatePlace {
  id: string;
  name: string;
  /** Two letters of the state. */
  state: string;
  latitudeDeg: number;
  longitudeDeg: number;
  elevationFt: number;
  meanHighF: number[];
  meanLowF: number[];
  rainIn: number[];
  lastFrost?: string;
  firstFrost?: string;
  /** How well its numbers are remembered. */
  confidence: string;
}

export const CLIMATE_PLACES: readonly ClimatePlace[] = placesFile.places;
/** What is said wherever a place's normals stand. */
export const PLACES_STANDING = 'from memory, rounded: replace with your station';

/** Names of states, by which their places are found as well. */
const STATES: Readonly<Record<string, string>> = Object.fromEntries(
  (
    'AK Alaska,AL Alabama,AR Arkansas,AZ Arizona,CA California,CO Colorado,CT Connecticut,DC District of Columbia,DE Delaware,FL Florida,GA Georgia,' +
    'HI Hawaii,IA Iowa,ID Idaho,IL Illinois,IN Indiana,KS Kansas,KY Kentucky,LA Louisiana,MA Massachusetts,MD Maryland,ME Maine,MI Michigan,MN Minnesota,' +
    'MO Missouri,MS Mississippi,MT Montana,NC North Carolina,ND North Dakota,NE Nebraska,NH New Hampshire,NJ New Jersey,NM New Mexico,NV Nevada,NY New York,' +
    'OH Ohio,OK Oklahoma,OR Oregon,PA Pennsylvania,RI Rhode Island,SC South Carolina,SD South Dakota,TN Tennessee,TX Texas,UT Utah,VA Virginia,VT Vermont,' +
    'WA Washington,WI Wisconsin,WV West Virginia,WY Wyoming'
  )
    .split(',')
    .map((each) => [each.slice(0, 2), each.slice(3)]),
);

export const placeName = ({ name, state }: Pick<ClimatePlace, 'name' | 'state'>): string => `${name}, ${state}`;

/**
 * Places whose name, or whose state, begins with what was typed: names first.
 *
 * @example placesCalled('portl').map(placeName) // ['Portland, ME', 'Portland, OR']
 */
export function placesCalled(typed: string): ClimatePlace[] {
  const [first = '', state = ''] = plain(typed)
    .split(',')
    .map((part) => part.trim());
  if (first === '') return [...CLIMATE_PLACES];
  const begins = (text: string, wanted: string) =>
    plain(text)
      .split(/[\s.-]+/)
      .some((_, i, words) => words.slice(i).join(' ').startsWith(wanted));
  const ofState = (place: ClimatePlace, wanted: string) =>
    plain(place.state) === wanted || plain(STATES[place.state] ?? '').startsWith(wanted);
  const inState = CLIMATE_PLACES.filter((place) => state === '' || ofState(place, state));
  const named = inState.filter((place) => begins(place.name, first) || plain(`${place.name} ${place.state}`) === first);
  const others = state === '' ? inState.filter((place) => !named.includes(place) && ofState(place, first)) : [];
  return [...named, ...others];
}

export interface Position {
  latitudeDeg: number;
  longitudeDeg: number;
  elevationFt?: number;
}

/**
 * A position as it is typed: `40.1, -83.0`, `40.1 N 83.0 W`, with the height behind it `40.1, -83.0, 900 ft`; undefined where the text is
 * none, a refusal where it is one that cannot be.
 */
export function positionFrom(typed: string): Position | Refusal | undefined {
  const found =
    /^\s*(?<lat>-?\d{1,2}(?:\.\d+)?)\s*°?\s*(?<ns>[NS])?\s*[,;\s]\s*(?<lon>-?\d{1,3}(?:\.\d+)?)\s*°?\s*(?<ew>[EW])?(?:\s*[,;\s]\s*(?<height>-?\d{1,5}(?:\.\d+)?)\s*(?<unit>ft|m)?)?\s*$/i.exec(
      typed,
    )?.groups;
  if (!found) return undefined;
  const signed = (number: string | undefined, side: string | undefined, negative: string) =>
    (side && side.toUpperCase() === negative ? -1 : 1) * Number(number);
  const latitudeDeg = signed(found.lat, found.ns, 'S');
  const longitudeDeg = signed(found.lon, found.ew, 'W');
  if (Math.abs(latitudeDeg) > 90)
    return refuse('position', `Latitude ${latitudeDeg} is beyond the pole: latitude comes first, then longitude.`);
  if (Math.abs(longitudeDeg) > 180)
    return refuse('position', `Longitude ${longitudeDeg} is more than half round the earth.`);
  const height =
    found.height === undefined ? undefined : Number(found.height) / (found.unit?.toLowerCase() === 'm' ? M_PER_FT : 1);
  return { latitudeDeg, longitudeDeg, ...(height === undefined ? {} : { elevationFt: height }) };
}

/** A place with how far it lies, and how much higher, where the height of the position is known. */
export interface NearPlace {
  place: ClimatePlace;
  miles: number;
  higherFt?: number;
}

/** The places nearest to a position, over the ellipsoid of the earth. */
export function nearestPlaces(position: Position, count: number): NearPlace[] {
  return CLIMATE_PLACES.map((place): NearPlace => {
    const { s12 = Infinity } = geodesicLibrary.Geodesic.WGS84.Inverse(
      position.latitudeDeg,
      position.longitudeDeg,
      place.latitudeDeg,
      place.longitudeDeg,
    );
    return {
      place,
      miles: s12 / M_PER_MILE,
      ...(position.elevationFt === undefined ? {} : { higherFt: place.elevationFt - position.elevationFt }),
    };
  })
    .sort((a, b) => a.miles - b.miles)
    .slice(0, count);
}

/** The climate of a place, with where it is from. */
export const climateOfPlace = (place: ClimatePlace): Climate => {
  const { meanHighF, meanLowF, rainIn, lastFrost, firstFrost } = place;
  return {
    meanHighF,
    meanLowF,
    rainIn,
    ...(lastFrost ? { lastFrost } : {}),
    ...(firstFrost ? { firstFrost } : {}),
    source: `${placeName(place)}, ${PLACES_STANDING}`,
  } as Climate;
};

/** A year without a 29 February, by which frost dates are blended. */
const PLAIN_YEAR = 2027;

/**
 * The climate between two places: each number, and each frost date as a day of the year, weighed by how much nearer its place is. A frost
 * that only one of them has stands where that one is the nearer.
 *
 * @example a place at 30 miles and one at 60: two thirds of the first, one third of the second
 */
export function blendOf([near, far]: readonly [NearPlace, NearPlace]): Climate {
  const together = near.miles + far.miles;
  const share = together === 0 ? 1 : far.miles / together;
  const mix = (a: number, b: number) => a * share + b * (1 - share);
  const months = (key: 'meanHighF' | 'meanLowF' | 'rainIn') =>
    near.place[key].map((value, month) => mix(value, far.place[key][month] as number));
  const frost = (key: 'lastFrost' | 'firstFrost'): string | undefined => {
    const [a, b] = [near.place[key], far.place[key]];
    if (a === undefined || b === undefined) return share >= 0.5 ? a : b;
    return dayAt(PLAIN_YEAR, Math.round(mix(placeOf(PLAIN_YEAR, a), placeOf(PLAIN_YEAR, b)))).slice(5);
  };
  const [lastFrost, firstFrost] = [frost('lastFrost'), frost('firstFrost')];
  const percent = Math.round(share * 100);
  return {
    meanHighF: months('meanHighF'),
    meanLowF: months('meanLowF'),
    rainIn: months('rainIn'),
    ...(lastFrost ? { lastFrost } : {}),
    ...(firstFrost ? { firstFrost } : {}),
    source: `${percent} % ${placeName(near.place)}, ${100 - percent} % ${placeName(far.place)}, ${PLACES_STANDING}`,
  } as Climate;
}

/** What may be chosen for a text: places by name, or round a position, the blend of the two nearest first of all. */
export interface PlaceChoice {
  /** By what it is sent and found again. */
  id: string;
  /** What it is called, and how far it lies. */
  name: string;
  beside?: string;
  climate: Climate;
  latitudeDeg: number;
}

/** Places offered for one text. */
const MOST_OFFERED = 8;
/** Nearer than this a place is the position's own, and a blend would only take away from it. */
const OWN_MILES = 12;

const apart = ({ miles, higherFt }: NearPlace): string => {
  const height =
    higherFt === undefined || Math.abs(higherFt) < 50
      ? ''
      : `, ${grouped(Math.abs(higherFt), 0)} ft ${higherFt > 0 ? 'higher' : 'lower'}`;
  return `${grouped(miles, 0)} miles away${height}`;
};

/**
 * Climates for what a person typed: part of a name or a state, or a position.
 *
 * @returns at most eight, the best first; a refusal where a position cannot be
 * @example placeChoices('columbus, oh')[0].name // 'Columbus, OH'
 */
export function placeChoices(typed: string): PlaceChoice[] | Refusal {
  const position = positionFrom(typed);
  if (position && 'refused' in position) return position;
  if (!position)
    return placesCalled(typed)
      .slice(0, typed.trim() === '' ? undefined : MOST_OFFERED)
      .map((place) => ({
        id: place.id,
        name: placeName(place),
        climate: climateOfPlace(place),
        latitudeDeg: place.latitudeDeg,
      }));
  const near = nearestPlaces(position, 5);
  const [first, second] = near as [NearPlace, NearPlace];
  const single = near.map((each) => ({
    id: `${each.place.id}@${typed.trim()}`,
    name: placeName(each.place),
    beside: apart(each),
    climate: climateOfPlace(each.place),
    latitudeDeg: position.latitudeDeg,
  }));
  const blend: PlaceChoice = {
    id: `blend@${typed.trim()}`,
    name: `Between ${placeName(first.place)} and ${placeName(second.place)}`,
    beside: `${apart(first)}; ${apart(second)}`,
    climate: blendOf([first, second]),
    latitudeDeg: position.latitudeDeg,
  };
  return first.miles < OWN_MILES ? [...single, blend] : [blend, ...single];
}

/** The choice that an id names, as it was offered. */
export function placeChosen(id: string): PlaceChoice | undefined {
  const at = id.indexOf('@');
  const offered = placeChoices(at === -1 ? '' : id.slice(at + 1));
  return 'refused' in offered ? undefined : offered.find((each) => each.id === id);
}

/** The climate that a choice names: `place:columbus-oh`, a place round a position, or one of the invented regions. */
export const climateNamed = (name: string): Pick<PlaceChoice, 'climate' | 'latitudeDeg'> | undefined =>
  name.startsWith('place:')
    ? placeChosen(name.slice('place:'.length))
    : CLIMATE_PRESETS.find((preset) => preset.id === name);
