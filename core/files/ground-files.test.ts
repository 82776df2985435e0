import { describe, expect, it } from 'vitest';
import { ringArea } from '../ground/area-ring';
import { toLonLat } from '../ground/local-feet';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import type { Zone } from '../records/case';
import { onSheet, originOf, printGeoJson, readGeoJson, readGpx } from './ground-files';

const ORIGIN: [number, number] = [-77.2, 38.6];
const walked = [
  [0, 0],
  [120, 0],
  [120, 80],
  [0, 80],
].map((c) => toLonLat(ORIGIN, c as [number, number]));
const track = (points: readonly (readonly [number, number])[], name = 'Front lawn'): string =>
  `<?xml version="1.0"?><gpx version="1.1" creator="t" xmlns="http://www.topografix.com/GPX/1/1"><trk><name>${name}</name><trkseg>${points
    .map(([lon, lat]) => `<trkpt lat="${lat}" lon="${lon}"><time>2027-04-05T10:00:00Z</time></trkpt>`)
    .join('')}</trkseg></trk></gpx>`;

describe('a walked perimeter', () => {
  it('comes in with its name and its area', () => {
    const read = readGpx(track([...walked, walked[0] as [number, number]]));
    if (isRefusal(read)) throw new Error(read.refused);
    expect(read).toMatchObject([{ name: 'Front lawn', holes: [] }]);
    expect(read[0]?.ring).toHaveLength(4);
    expect(Math.abs((evaluate(ringArea, { ring: read[0]?.ring ?? [] }) as number) / 9600 - 1)).toBeLessThan(1e-6);
    expect(originOf(read)[0]).toBeCloseTo(ORIGIN[0], 9);
  });
  it.each([
    ['no track', '<gpx version="1.1" creator="t"/>', 'no track'],
    ['another kind of file', 'not xml at all', 'not readable'],
    ['a broken file', '<gpx><trk><trkseg>', 'not readable'],
    [
      'a walk along one line',
      track([
        [0, 0],
        [0.001, 0],
        [0.002, 0],
      ]),
      'one line',
    ],
    [
      'a walk that crosses itself',
      track([
        [0, 0],
        [0.001, 0.001],
        [0.001, 0],
        [0, 0.001],
      ]),
      'crosses',
    ],
  ])('refuses %s in words', (_name, source, says) => {
    expect(readGpx(source)).toMatchObject({ refused: expect.stringContaining(says) });
  });
  it('does not expand entities of a hostile file', () => {
    const bomb = `<!DOCTYPE g [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><gpx><trk><name>&b;</name></trk></gpx>`;
    expect(JSON.stringify(readGpx(bomb))).not.toContain('aaaaaaaaaaaaaaaaaaaa');
  });
});

describe('a zones file', () => {
  const zone: Zone = {
    id: 'z',
    name: 'Lawn',
    areaSqFt: 9500,
    grass: 'tall-fescue',
    texture: 'loam',
    cornersFt: [
      [0, 0],
      [120, 0],
      [120, 80],
      [0, 80],
    ],
    cutOuts: [
      {
        id: 'b',
        kind: 'bed',
        cornersFt: [
          [10, 10],
          [20, 10],
          [20, 20],
          [10, 20],
        ],
      },
    ],
  };
  const property = { id: 'p', name: 'P', site: { origin: ORIGIN } };
  it('goes out and comes back with the same corners, rings wound as RFC 7946 wants', () => {
    const printed = printGeoJson(property, [zone]);
    if (isRefusal(printed)) throw new Error(printed.refused);
    const read = readGeoJson(printed);
    if (isRefusal(read)) throw new Error(read.refused);
    expect(read[0]?.name).toBe('Lawn');
    const rings = [read[0]?.ring, ...(read[0]?.holes ?? [])] as [number, number][][];
    const signed = (ring: [number, number][]) =>
      ring.reduce(
        (sum, [x, y], i) =>
          sum + x * (ring[(i + 1) % ring.length]?.[1] ?? 0) - (ring[(i + 1) % ring.length]?.[0] ?? 0) * y,
        0,
      );
    expect(rings.map((r) => Math.sign(signed(r)))).toEqual([1, -1]);
    const back = onSheet(read[0]?.ring ?? [], ORIGIN).map(([x, y]) => [Math.round(x), Math.round(y)].map((n) => n + 0));
    expect(back).toEqual(
      expect.arrayContaining([
        [0, 0],
        [120, 0],
        [120, 80],
        [0, 80],
      ]),
    );
  });
  it('is not written where nobody knows where the sheet lies', () => {
    expect(printGeoJson({ id: 'p', name: 'P' }, [zone])).toMatchObject({ field: 'origin' });
  });
  it.each([
    ['a point', '{"type":"Point","coordinates":[0,0]}', 'no polygon'],
    ['no JSON', '{', 'not readable'],
    ['text for numbers', '{"type":"Polygon","coordinates":[[["0","0"],[1,0],[1,1]]]}', 'not a polygon'],
    ['swapped coordinates', '{"type":"Polygon","coordinates":[[[38.6,-97],[38.7,-97],[38.7,-97.1]]]}', 'swapped'],
    ['null', 'null', 'no polygon'],
    ['a polluting key', '{"__proto__":{"polluted":true},"type":"FeatureCollection","features":[]}', 'no polygon'],
  ])('refuses %s', (_name, source, says) => {
    expect(readGeoJson(source)).toMatchObject({ refused: expect.stringContaining(says) });
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  });
});
