import { Button } from 'antd';
import { useState } from 'react';
import type { Site, Zone } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { onSheet, originOf, type Perimeter, readGeoJson, readGpx } from '@core/files/ground-files';
import { ringArea } from '@core/ground/area-ring';
import { walkedError, WALK_SIGMA_FT } from '@core/ground/area-error';
import { ALL_GRASSES } from '@core/packs/grasses';
import { toLonLat } from '@core/ground/local-feet';
import { TEXTURE_CLASSES } from '@core/records/vocabularies';
import { groundOf } from '@core/ground/zone-ground';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { ChoiceField, Fault, optionsOf } from '../../../ui/field';
import { showArea } from '@core/words/numbers';
import { readFileText } from '../../../work/read-file-text';
import { FilePicker } from '../../../ui/file-picker';

export type BroughtIn = 'track' | 'zones';

interface BringInProps {
  kind: BroughtIn;
  site: Site | undefined;
  taken: readonly string[];
  /** Grass and soil of the zone in focus, offered for the new ones. */
  grass?: Zone['grass'];
  texture?: Zone['texture'];
  focusName: string;
  onOutline: (perimeter: Perimeter, corners: [number, number][], origin: [number, number]) => void;
  onZones: (zones: Zone[], origin: [number, number]) => void;
}

/** Squares of margin between the first perimeter and the sheet's corner, ft. */
const MARGIN_FT = 20;

/** Reads a walked track or a zones file, shows each perimeter with its area, and only then does anything with it. */
export function BringIn({ kind, site, taken, grass, texture, focusName, onOutline, onZones }: BringInProps) {
  const [found, setFound] = useState<Perimeter[]>();
  const [fault, setFault] = useState<string>();
  const [chosenGrass, setGrass] = useState(grass);
  const [chosenTexture, setTexture] = useState(texture);
  const choose = async (file: File) => {
    const source = await readFileText(file);
    const read = isRefusal(source) ? source : kind === 'track' ? readGpx(source) : readGeoJson(source);
    setFound(isRefusal(read) ? undefined : read);
    setFault(isRefusal(read) ? read.refused : undefined);
  };
  const originFor = (perimeters: readonly Perimeter[]): [number, number] =>
    (site?.origin as [number, number] | undefined) ?? toLonLat(originOf(perimeters), [-MARGIN_FT, -MARGIN_FT]);
  const addAll = () => {
    if (!found || !chosenGrass || !chosenTexture)
      return setFault('Choose the grass and the soil of the new zones; each can be changed later.');
    const origin = originFor(found);
    const ids = [...taken];
    const zones: Zone[] = [];
    for (const perimeter of found) {
      const id = newId(perimeter.name, ids);
      ids.push(id);
      const zone: Zone = {
        id,
        name: perimeter.name,
        areaSqFt: 1,
        grass: chosenGrass,
        texture: chosenTexture,
        measuredBy: kind === 'track' ? 'walk' : 'plan',
        ring: perimeter.ring,
        cornersFt: onSheet(perimeter.ring, origin) as [number, number][],
        ...(perimeter.holes.length > 0
          ? {
              cutOuts: perimeter.holes.map((hole, i) => ({
                id: `hole-${i + 1}`,
                kind: 'other' as const,
                cornersFt: onSheet(hole, origin) as [number, number][],
              })),
            }
          : {}),
      };
      const ground = groundOf(zone, site);
      if (isRefusal(ground)) return setFault(`${perimeter.name}: ${ground.refused}`);
      zones.push({ ...zone, areaSqFt: ground.areaSqFt });
    }
    onZones(zones, origin);
  };
  return (
    <div className="bringin">
      <p>
        {kind === 'track'
          ? 'A track recorded while walking once round the lawn, as a GPX file. It closes at its start.'
          : 'Polygons of a mapping program, as a GeoJSON file. Holes become cut-outs.'}
      </p>
      <FilePicker
        label={kind === 'track' ? 'Walked track file' : 'Zones file'}
        accept={kind === 'track' ? '.gpx,application/gpx+xml' : '.geojson,.json,application/geo+json'}
        onFile={(file) => void choose(file)}
      >
        Choose a {kind === 'track' ? 'GPX' : 'GeoJSON'} file
      </FilePicker>
      <Fault>{fault}</Fault>
      {found && (
        <>
          <table className="found">
            <thead>
              <tr>
                <th scope="col">Perimeter</th>
                <th scope="col">Points</th>
                <th scope="col">Area, sq ft</th>
                {kind === 'track' && <th scope="col">± sq ft</th>}
                <td />
              </tr>
            </thead>
            <tbody>
              {found.map((perimeter, i) => {
                const area = evaluate(ringArea, { ring: perimeter.ring });
                const origin = originFor(found);
                const corners = onSheet(perimeter.ring, origin);
                const error = evaluate(walkedError, { points: corners, sigmaFt: WALK_SIGMA_FT });
                return (
                  <tr key={i}>
                    <th scope="row">{perimeter.name}</th>
                    <td>{perimeter.ring.length}</td>
                    <td>{isRefusal(area) ? '–' : showArea(area)}</td>
                    {kind === 'track' && <td>{isRefusal(error) ? '–' : showArea(error)}</td>}
                    <td>
                      <Button size="small" onClick={() => onOutline(perimeter, corners as [number, number][], origin)}>
                        Use for {focusName}
                      </Button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <div className="pair">
            <ChoiceField
              label="Grass of the new zones"
              placeholder="Choose"
              value={chosenGrass}
              options={ALL_GRASSES.map((g) => ({ value: g.id, label: g.name }))}
              onChange={setGrass}
            />
            <ChoiceField
              label="Soil of the new zones"
              placeholder="Choose"
              value={chosenTexture}
              options={optionsOf(TEXTURE_CLASSES)}
              onChange={setTexture}
            />
          </div>
          <Button type="primary" onClick={addAll}>
            Add {found.length} {found.length === 1 ? 'zone' : 'zones'}
          </Button>
        </>
      )}
    </div>
  );
}
