/** A simulated weather station: what its years are scattered about. Places, names and numbers are invented. */
export interface Station {
  id: string;
  name: string;
  latitudeDeg: number;
  /** Twelve monthly means that its years wander about, deg F and in. */
  highF: readonly number[];
  lowF: readonly number[];
  rainIn: readonly number[];
  /** Standard deviation of a day about its month, deg F: large inland, small by the sea. */
  scatterF: number;
  /** Mean wind of an afternoon, mph. */
  windMph: number;
  /** How far the dew point lies under the low of the day, deg F: little by the sea, much in a desert. */
  dewBelowLowF: number;
}

/** From cold to hot, wet to dry, inland to sea. Invented in the manner of turf regions. */
export const STATIONS: readonly Station[] = [
  {
    id: 'prairie-north',
    name: 'Prairie north (simulated)',
    latitudeDeg: 46.2,
    highF: [19, 24, 37, 54, 68, 77, 82, 80, 70, 55, 38, 24],
    lowF: [1, 5, 19, 32, 45, 55, 59, 57, 47, 35, 21, 7],
    rainIn: [0.7, 0.7, 1.4, 2.0, 3.0, 3.8, 3.5, 3.1, 2.7, 2.1, 1.1, 0.8],
    scatterF: 9,
    windMph: 10.5,
    dewBelowLowF: 4,
  },
  {
    id: 'lakeshore',
    name: 'Lakeshore (simulated)',
    latitudeDeg: 42.6,
    highF: [32, 35, 45, 57, 69, 78, 82, 80, 73, 61, 48, 37],
    lowF: [19, 21, 28, 38, 48, 58, 63, 62, 55, 44, 34, 25],
    rainIn: [2.2, 2.0, 2.5, 3.4, 3.7, 3.6, 3.4, 3.6, 3.4, 3.2, 3.0, 2.5],
    scatterF: 7.5,
    windMph: 8.5,
    dewBelowLowF: 2,
  },
  {
    id: 'river-valley',
    name: 'River valley, transition (simulated)',
    latitudeDeg: 38.4,
    highF: [40, 45, 56, 67, 76, 85, 89, 88, 81, 69, 55, 43],
    lowF: [23, 27, 36, 46, 56, 65, 69, 67, 59, 47, 37, 28],
    rainIn: [2.5, 2.4, 3.5, 4.0, 4.7, 4.2, 3.9, 3.3, 3.2, 3.1, 3.4, 2.8],
    scatterF: 8,
    windMph: 6,
    dewBelowLowF: 2,
  },
  {
    id: 'cool-coast',
    name: 'Cool coast (simulated)',
    latitudeDeg: 44.9,
    highF: [48, 51, 55, 59, 65, 70, 76, 77, 72, 62, 53, 47],
    lowF: [35, 36, 38, 41, 46, 51, 54, 54, 49, 44, 39, 35],
    rainIn: [5.6, 4.2, 4.1, 3.0, 2.3, 1.6, 0.6, 0.7, 1.7, 3.4, 6.0, 6.1],
    scatterF: 4.5,
    windMph: 7,
    dewBelowLowF: 1,
  },
  {
    id: 'piedmont',
    name: 'Piedmont, warm and wet (simulated)',
    latitudeDeg: 33.9,
    highF: [53, 57, 65, 73, 80, 87, 90, 88, 82, 73, 64, 55],
    lowF: [33, 36, 42, 50, 59, 67, 71, 70, 64, 52, 42, 36],
    rainIn: [4.2, 4.3, 4.6, 3.6, 3.4, 4.1, 4.6, 4.2, 3.9, 3.2, 3.6, 4.1],
    scatterF: 7,
    windMph: 5.5,
    dewBelowLowF: 1,
  },
  {
    id: 'gulf-plain',
    name: 'Gulf plain (simulated)',
    latitudeDeg: 30.1,
    highF: [63, 66, 72, 79, 86, 91, 94, 94, 89, 81, 72, 64],
    lowF: [43, 46, 52, 59, 67, 73, 75, 74, 70, 60, 51, 45],
    rainIn: [3.9, 3.2, 3.4, 3.4, 4.6, 6.0, 4.6, 4.8, 4.8, 4.6, 4.1, 3.8],
    scatterF: 6,
    windMph: 6.5,
    dewBelowLowF: 0,
  },
  {
    id: 'dry-basin',
    name: 'Dry basin (simulated)',
    latitudeDeg: 35.6,
    highF: [48, 54, 62, 70, 79, 90, 93, 90, 84, 72, 58, 48],
    lowF: [25, 29, 34, 41, 50, 59, 65, 64, 57, 44, 33, 25],
    rainIn: [0.4, 0.4, 0.6, 0.5, 0.6, 0.6, 1.6, 1.6, 1.1, 0.9, 0.5, 0.5],
    scatterF: 7,
    windMph: 8,
    dewBelowLowF: 16,
  },
];
