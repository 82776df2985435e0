import { Button } from 'antd';
import { useState } from 'react';
import type { Site, Zone } from '@core/records/case';
import { newId } from '@core/records/new-id';
import type { GroundKind, Perimeter, PlacedPerimeter } from '@core/files/ground-files';
import { ALL_GRASSES } from '@core/packs/grasses';
import { TEXTURE_CLASSES } from '@core/records/vocabularies';
import { isRefusal } from '@core/reckoning/refusal';
import { ChoiceField, Fault, optionsOf } from '../../../ui/field';
import { readFile } from '../../../workers/read-file';
import { FilePicker } from '../../../ui/file-picker';
import { useUnits } from '../../../ui/format';

interface BringInProps {
  kind: GroundKind;
  site: Site | undefined;
  taken: readonly string[];
  /** Grass and soil of the zone in focus, offered for the new ones. */
  grass?: Zone['grass'];
  texture?: Zone['texture'];
  focusName: string;
  onOutline: (perimeter: Perimeter, corners: [number, number][], origin: [number, number]) => void;
  onZones: (zones: Zone[], origin: [number, number]) => void;
}

/** Reads a walked track or a zones file, shows each perimeter with its area, and only then does anything with it. */
export function BringIn({ kind, site, taken, grass, texture, focusName, onOutline, onZones }: BringInProps) {
  const units = useUnits();
  const [read, setRead] = useState<{ origin: [number, number]; perimeters: PlacedPerimeter[] }>();
  const [opening, setOpening] = useState<string>();
  const [fault, setFault] = useState<string>();
  const [chosenGrass, setGrass] = useState(grass);
  const [chosenTexture, setTexture] = useState(texture);
  const found = read?.perimeters;
  const choose = async (file: File) => {
    setRead(undefined);
    setFault(undefined);
    setOpening(file.name);
    // a plan picture says nothing of where the ground lies, and would only be carried along
    const { picture: _picture, ...ground } = site ?? {};
    const answer = await readFile(file, (reading) => reading.ground(file, kind, ground));
    setOpening(undefined);
    if (isRefusal(answer)) setFault(answer.refused);
    else setRead(answer);
  };
  const addAll = () => {
    if (!read || !chosenGrass || !chosenTexture)
      return setFault('Choose the grass and the soil of the new zones; each can be changed later.');
    const ids = [...taken];
    const zones: Zone[] = [];
    for (const { name, zone } of read.perimeters) {
      if (isRefusal(zone)) return setFault(`${name}: ${zone.refused}`);
      const id = newId(name, ids);
      ids.push(id);
      zones.push({
        id,
        name,
        areaSqFt: zone.areaSqFt,
        grass: chosenGrass,
        texture: chosenTexture,
        measuredBy: kind === 'track' ? 'walk' : 'plan',
        ...zone.shape,
      });
    }
    onZones(zones, read.origin);
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
      {opening && (
        <p className="small" role="status">
          Reading {opening}
        </p>
      )}
      <Fault>{fault}</Fault>
      {read && found && (
        <>
          <table className="found">
            <thead>
              <tr>
                <th scope="col">Perimeter</th>
                <th scope="col">Points</th>
                <th scope="col">Area, {units.unit('area')}</th>
                {kind === 'track' && <th scope="col">± {units.unit('area')}</th>}
                <td />
              </tr>
            </thead>
            <tbody>
              {found.map((perimeter, i) => {
                const { areaSqFt: area, errorSqFt: error } = perimeter;
                return (
                  <tr key={i}>
                    <th scope="row">{perimeter.name}</th>
                    <td>{perimeter.ring.length}</td>
                    <td>{isRefusal(area) ? '–' : units.show('area', area)}</td>
                    {kind === 'track' && <td>{isRefusal(error) ? '–' : units.show('area', error)}</td>}
                    <td>
                      <Button
                        size="small"
                        onClick={() => onOutline(perimeter, perimeter.cornersFt as [number, number][], read.origin)}
                      >
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
