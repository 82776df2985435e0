import { Button, Modal } from 'antd';
import type { IrrigationWater } from '@core/records/case';
import { Fault, TextField } from '../../../ui/field';
import { Unsaved } from '../../../ui/unsaved';
import { usePropertyWork } from '../../../work/use-property-work';
import { useTypedSlip } from '../../../work/use-typed-slip';
import type { ReadAnswer, ReadSent } from '../read-action';
import { type TypedWater, typedFromWater, WATER_FIELDS } from './water-from-typed';
import { useUnits } from '../../../ui/format';

/** The analysis of the irrigation water, typed from its report. */
export function WaterModal({
  water,
  read,
  onClose,
}: {
  water: IrrigationWater | undefined;
  /** What a report said that was read in; it stands over what was kept. */
  read?: IrrigationWater;
  onClose: () => void;
}) {
  const units = useUnits();
  const { file } = usePropertyWork();
  const { typed, type, faults, offered, send } = useTypedSlip<TypedWater, ReadSent, ReadAnswer>(
    `${file.property.id}/irrigation-water`,
    () => typedFromWater(read ? { ...water, ...read } : water, units),
    onClose,
  );
  const save = () => void send({ intent: 'water', typed });
  return (
    <Modal
      title="Irrigation water"
      open
      onCancel={onClose}
      footer={[
        water && (
          <Button key="drop" danger onClick={() => void send({ intent: 'drop-water' })}>
            Delete
          </Button>
        ),
        <Button key="cancel" onClick={onClose}>
          Cancel
        </Button>,
        <Button key="save" type="primary" onClick={save}>
          Save
        </Button>,
      ]}
    >
      <Unsaved offered={offered} />
      <p className="small">
        One water for the property, on every zone that is irrigated. What is not on the report stays empty.
      </p>
      <div className="pair">
        <TextField
          label="Sampled on"
          unit="optional"
          type="date"
          value={typed.sampledOn}
          fault={faults.sampledOn}
          onChange={(sampledOn) => type({ sampledOn })}
        />
        {WATER_FIELDS.map(({ key, label, unit }) => (
          <TextField
            key={key}
            label={label}
            unit={key === 'inPerYear' ? units.unit('depth') : unit}
            inputMode="decimal"
            value={typed[key]}
            fault={faults[key]}
            onChange={(value) => type({ [key]: value })}
            onEnter={save}
          />
        ))}
      </div>
      <Fault>{faults.storage}</Fault>
    </Modal>
  );
}
