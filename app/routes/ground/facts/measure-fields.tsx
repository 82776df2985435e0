import { ChoiceField, TextField } from '../../../ui/field';
import type { Measure, TypedGround } from '../draft/typed-ground';
import { useUnits } from '../../../ui/format';

const NAMES: Record<Measure, string> = {
  outline: 'Outline',
  rectangle: 'Rectangle',
  triangle: 'Three sides',
  circle: 'Circle',
  ellipse: 'Ellipse',
  offsets: 'Offsets',
  known: 'Known area',
};
type Field = 'length' | 'width' | 'a' | 'b' | 'c' | 'spacing' | 'offsets' | 'area' | 'turn';
const FIELDS: Record<Measure, readonly { field: Field; label: string }[]> = {
  outline: [],
  rectangle: [
    { field: 'length', label: 'Length' },
    { field: 'width', label: 'Width' },
  ],
  triangle: [
    { field: 'a', label: 'Side a' },
    { field: 'b', label: 'Side b' },
    { field: 'c', label: 'Side c' },
  ],
  circle: [{ field: 'length', label: 'Width through the middle' }],
  ellipse: [
    { field: 'length', label: 'Longest width' },
    { field: 'width', label: 'Shortest width' },
  ],
  offsets: [
    { field: 'spacing', label: 'Spacing along the base line' },
    { field: 'offsets', label: 'Distances across, in order' },
  ],
  known: [{ field: 'area', label: 'Area' }],
};
const TURNS: readonly Measure[] = ['rectangle', 'triangle', 'ellipse', 'offsets'];

interface MeasureFieldsProps {
  typed: TypedGround;
  faults: Record<string, string>;
  onMeasure: (measure: Measure) => void;
  onChange: (part: Partial<TypedGround>) => void;
}

/** How the zone is measured, and its lengths as the tape says them. */
export function MeasureFields({ typed, faults, onMeasure, onChange }: MeasureFieldsProps) {
  const units = useUnits();
  const fields = FIELDS[typed.measure];
  return (
    <div className="measured">
      <ChoiceField
        label="How it is measured"
        value={typed.measure}
        onChange={onMeasure}
        options={(Object.keys(NAMES) as Measure[]).map((value) => ({ value, label: NAMES[value] }))}
      />
      {fields.length > 0 && (
        <div className="pair">
          {fields.map(({ field, label }) => (
            <TextField
              key={field}
              label={label}
              unit={units.unit(field === 'area' ? 'area' : 'length')}
              value={typed[field]}
              onChange={(text) => onChange({ [field]: text })}
              fault={faults[field]}
              inputMode={field === 'offsets' ? undefined : 'decimal'}
            />
          ))}
          {TURNS.includes(typed.measure) && (
            <TextField
              label="Turned clockwise"
              unit="degrees"
              value={typed.turn}
              onChange={(text) => onChange({ turn: text })}
              fault={faults.turn}
              inputMode="decimal"
            />
          )}
        </div>
      )}
      {typed.measure === 'offsets' && (
        <p className="small">
          Both ends count: type 0 where the lawn ends in a point. 18 21 24 23 16 is five distances.
        </p>
      )}
    </div>
  );
}
