import { Button } from 'antd';
import { useState } from 'react';
import type { WateringIn } from '@core/field/material';
import { wateringOf } from '@core/field/water-task';
import type { Zone } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { Said } from '../../ui/substance';

/** How a job of this zone is watered in: depth and gallons, and the minutes once the sprinklers were measured. */
export function WaterHere({
  zone,
  water,
  onSave,
}: {
  zone: Zone;
  water: WateringIn;
  onSave: (zoneId: string, inPerHour: number | undefined) => void;
}) {
  const units = useUnits();
  const [typed, setTyped] = useState(() => units.field('rain-rate', zone.sprinklerInPerHour));
  const { gallons, run } = wateringOf(zone, water.depthIn);
  const read = units.value('rain-rate', typed, 'Sprinkler rate', 'sprinklers');
  const fault = isRefusal(read)
    ? read.refused
    : read !== undefined && (read <= 0 || read > 20)
      ? `The sprinkler rate must be above 0 and at most ${units.say('rain-rate', 20)}.`
      : undefined;
  const changed = typed !== units.field('rain-rate', zone.sprinklerInPerHour);
  return (
    <>
      <p>
        After this job, {zone.name}: <Said text={`${water.depthIn} in`} /> within {water.withinHours} h,{' '}
        {units.say('volume', gallons)} here
        {run &&
          `, ${units.plain(run.minutes, 0)} min${run.cycles > 1 ? ` in ${run.cycles} cycles of ${units.plain(run.minutesPerCycle, 0)} min, 45 min of rest between` : ''}`}
        .
      </p>
      {zone.irrigated !== false && (
        <div className="sprinklers">
          <TextField
            label="Sprinklers give, by cups on the lawn"
            unit={units.unit('rain-rate')}
            inputMode="decimal"
            value={typed}
            fault={fault}
            onChange={setTyped}
          />
          {changed && !fault && !isRefusal(read) && <Button onClick={() => onSave(zone.id, read)}>Save</Button>}
        </div>
      )}
    </>
  );
}
