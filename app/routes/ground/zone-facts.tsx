import { CARBONATES, DRAINAGE, LIGHT, MEASURED_BY, TURF, WEAR } from '@core/formats/case';
import { ALL_GRASSES, CARE_LEVELS, grassOf } from '@core/ground/grasses';
import { TEXTURE_CLASSES } from '@core/ground/texture-groups';
import { ChoiceField, optionsOf, TextField } from '../../ui/field';
import { showExact, showPh } from '../../ui/format';
import type { TypedZone } from './zone-from-typed';

const LIKELY_ERROR = { tape: '± 1 %', wheel: '± 2-3 %', pacing: '± 5-10 %', plan: 'as good as the plan' } as const;

interface FactsProps {
  typed: TypedZone;
  faults: Record<string, string>;
  onChange: (change: Partial<TypedZone>) => void;
}

/** What grows on the zone, on what soil, under what care. */
export function ZoneFacts({ typed, faults, onChange }: FactsProps) {
  const grass = typed.grass && grassOf(typed.grass);
  return (
    <>
      <ChoiceField
        label="Grass"
        placeholder="Choose the grass"
        value={typed.grass}
        options={ALL_GRASSES.map((g) => ({ value: g.id, label: g.name }))}
        onChange={(value) => onChange({ grass: value })}
        fault={faults.grass}
      />
      {grass && (
        <p className="small" style={{ margin: '-4px 0 8px' }}>
          pH {showPh(grass.phLow)} to {showPh(grass.phHigh)}, aim {showPh(grass.phAim)}; N{' '}
          {showExact(grass.nitrogenLb.low)} to {showExact(grass.nitrogenLb.high)} lb a year, mow at{' '}
          {grass.mowIn.join(' to ')} in. {grass.note}
        </p>
      )}
      <ChoiceField
        label="Soil texture"
        placeholder="Choose the texture"
        value={typed.texture}
        options={optionsOf(TEXTURE_CLASSES)}
        onChange={(value) => onChange({ texture: value })}
        fault={faults.texture}
      />
      <div className="pair">
        <ChoiceField
          label="Care"
          value={typed.care}
          options={optionsOf(CARE_LEVELS)}
          onChange={(value) => onChange({ care: value })}
        />
        <ChoiceField
          label="Clippings"
          value={typed.clippings}
          options={optionsOf(['returned', 'bagged', 'mulched'])}
          onChange={(value) => onChange({ clippings: value })}
        />
        <ChoiceField
          label="Irrigated"
          value={typed.irrigated}
          options={optionsOf(['yes', 'no'])}
          onChange={(value) => onChange({ irrigated: value })}
        />
        <ChoiceField
          label="Light"
          value={typed.light}
          options={optionsOf(LIGHT)}
          onChange={(value) => onChange({ light: value })}
        />
        <ChoiceField
          label="Wear"
          value={typed.wear}
          options={optionsOf(WEAR)}
          onChange={(value) => onChange({ wear: value })}
        />
        <ChoiceField
          label="Turf"
          value={typed.turf}
          options={optionsOf(TURF)}
          onChange={(value) => onChange({ turf: value })}
        />
        <ChoiceField
          label="Fizz with acid"
          value={typed.carbonates}
          options={optionsOf(CARBONATES)}
          onChange={(value) => onChange({ carbonates: value })}
        />
        <ChoiceField
          label="Drainage"
          value={typed.drainage}
          options={optionsOf(DRAINAGE)}
          onChange={(value) => onChange({ drainage: value })}
        />
        <TextField
          label="Age"
          unit="years"
          value={typed.age}
          onChange={(text) => onChange({ age: text })}
          fault={faults.age}
          inputMode="decimal"
        />
        <TextField
          label="To open water"
          unit="ft"
          value={typed.waterDistance}
          onChange={(text) => onChange({ waterDistance: text })}
          fault={faults.waterDistance}
          inputMode="decimal"
        />
      </div>
      <ChoiceField
        label="Measured by"
        unit={typed.measuredBy && LIKELY_ERROR[typed.measuredBy]}
        value={typed.measuredBy}
        options={optionsOf(MEASURED_BY, { wheel: 'measuring wheel', plan: 'scaled plan' })}
        onChange={(value) => onChange({ measuredBy: value })}
      />
    </>
  );
}
