import { Button } from 'antd';
import type { Gear, LayingSchool, Walk } from '@core/field/walk';
import { LAYING_SCHOOLS } from '@core/records/case';
import { ChoiceField, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { SCHOOL_NAMES } from './gear';
import type { Gate } from '@core/field/gate';

/** Each time over the ground as a table: feet, minutes, its share, what the gate is set by, the loads. */
export function WalkTable({
  walk,
  plannedRateLb,
  gates,
}: {
  walk: Walk;
  plannedRateLb: number;
  /** Where the gate is set each time over the ground; none without a spreader. */
  gates: readonly Gate[];
}) {
  const units = useUnits();
  const ft = (feet: number) => units.show('length', feet);
  const shares = walk.rounds.length;
  const row = (name: string, of: (i: number) => string) => (
    <tr>
      <th scope="row">{name}</th>
      {walk.rounds.map((_, i) => (
        <td key={i}>{of(i)}</td>
      ))}
    </tr>
  );
  const round = (i: number) => walk.rounds[i] as Walk['rounds'][number];
  const narrow = walk.rounds.some(
    ({ settingLb }) => settingLb > 0 && Math.abs((settingLb * shares) / plannedRateLb - 1) > 0.15,
  );
  return (
    <>
      <table className="walktable">
        <caption className="vh">How the zone is walked</caption>
        <thead>
          <tr>
            <td />
            {walk.rounds.map(({ stripes }, i) => (
              <th key={i} scope="col">
                {i + 1}. {units.plain(stripes.bearingDeg, 0)}°
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {row(
            `Passes, ${units.unit('length')} apart`,
            (i) => `${round(i).stripes.passes}, ${ft(round(i).stripes.spacingFt)}`,
          )}
          {row(
            `Laps, then runs, ${units.unit('length')}`,
            (i) => `${ft(round(i).stripes.lapsFt)} + ${ft(round(i).stripes.runsFt)}`,
          )}
          {row(`Walk, ${units.unit('length')}`, (i) => ft(round(i).stripes.walkFt))}
          {row('Time, min', (i) => units.plain(round(i).minutes, 1))}
          {row(`Share, ${units.unit('weight', 'product')}`, (i) => units.weight(round(i).shareLb))}
          {row(`Set for, ${units.heading('product-rate', 'product')}`, (i) => units.productRate(round(i).settingLb))}
          {gates.some(({ set }) => set !== undefined) &&
            row('Opening, on the dial', (i) => {
              const gate = gates[i];
              if (gate?.set === undefined) return 'not known';
              const sure = gate.standing === 'curve' || gate.standing === 'line';
              return `${units.plain(gate.set, 2)}${sure ? '' : ', a guess'}`;
            })}
          {walk.rounds.some(({ loads }) => loads) &&
            row(`Loads, ${units.unit('weight', 'product')}`, (i) =>
              (round(i).loads?.loadLb ?? []).map((lb) => units.weight(lb)).join(' + '),
            )}
        </tbody>
      </table>
      {walk.rounds[0]?.loadsRefused && <p className="caution small">{units.said(walk.rounds[0].loadsRefused)}</p>}
      {narrow && (
        <p className="caution small">
          The zone is narrow: much of it is passed twice, so the gate is set by the feet that are walked, not by the
          plan’s rate.
        </p>
      )}
    </>
  );
}

/** What one walks with; kept in this browser. */
export function GearForm({
  gear,
  typed,
  faults,
  onType,
  onSchool,
  onTurn,
  onSave,
}: {
  gear: Gear;
  typed: Record<'swath' | 'hopper' | 'speed', string>;
  faults: Partial<Record<'swath' | 'hopper' | 'speed', string>>;
  onType: (key: 'swath' | 'hopper' | 'speed', text: string) => void;
  onSchool: (school: LayingSchool) => void;
  onTurn: (byDeg: number) => void;
  onSave: () => void;
}) {
  const units = useUnits();
  return (
    <details className="gear">
      <summary>What you walk with</summary>
      <div className="gearfields">
        <TextField
          label="Swath"
          unit={units.unit('length')}
          inputMode="decimal"
          value={typed.swath}
          fault={faults.swath}
          onChange={(text) => onType('swath', text)}
        />
        <TextField
          label="Hopper takes"
          unit={units.unit('weight', 'product')}
          inputMode="decimal"
          value={typed.hopper}
          fault={faults.hopper}
          onChange={(text) => onType('hopper', text)}
        />
        <TextField
          label="Walking speed"
          unit={units.unit('speed')}
          inputMode="decimal"
          value={typed.speed}
          fault={faults.speed}
          onChange={(text) => onType('speed', text)}
        />
        <ChoiceField
          label="Laid down in"
          value={gear.school}
          options={LAYING_SCHOOLS.map((value) => ({ value, label: SCHOOL_NAMES[value] }))}
          onChange={onSchool}
        />
      </div>
      <p className="links">
        <Button onClick={() => onTurn(-5)}>Turn back 5°</Button>
        <Button onClick={() => onTurn(5)}>Turn 5°</Button>
        <Button onClick={onSave}>Save as usual</Button>
      </p>
    </details>
  );
}
