import { Button } from 'antd';
import { useState } from 'react';
import type { Site } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { Fault, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';

/** Where on earth the sheet's upper left corner lies, north up: what a zones file needs to be true elsewhere. */
export function SheetPosition({
  site,
  onSite,
}: {
  site: Site | undefined;
  onSite: (site: Site, says: string) => void;
}) {
  const units = useUnits();
  const [lon, lat] = site?.origin ?? [undefined, undefined];
  const [latitude, setLatitude] = useState(lat === undefined ? '' : String(lat));
  const [longitude, setLongitude] = useState(lon === undefined ? '' : String(lon));
  const [fault, setFault] = useState<string>();
  const keep = () => {
    const north = units.readPlain(latitude, 'Latitude', 'latitude');
    const east = units.readPlain(longitude, 'Longitude', 'longitude');
    if (isRefusal(north)) return setFault(north.refused);
    if (isRefusal(east)) return setFault(east.refused);
    if (north === undefined || east === undefined)
      return setFault('Type both: degrees north, and degrees east (west of Greenwich with a minus).');
    if (Math.abs(north) > 89.9 || Math.abs(east) > 180)
      return setFault(
        'Latitude lies between -89.9 and 89.9 degrees, longitude between -180 and 180. Are they swapped?',
      );
    setFault(undefined);
    onSite({ ...site, origin: [east, north] }, 'The sheet knows where it lies.');
  };
  return (
    <form
      className="position"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <TextField label="Corner of the sheet, latitude" unit="deg north" value={latitude} onChange={setLatitude} />
      <TextField label="Longitude" unit="deg east" value={longitude} onChange={setLongitude} />
      <Button htmlType="submit">Set the position</Button>
      <Fault>{fault}</Fault>
    </form>
  );
}
