import { Button, Modal } from 'antd';
import { useEffect, useState } from 'react';
import type { IrrigationWater } from '@core/records/case';
import { Fault, TextField } from '../../../ui/field';
import { Unsaved } from '../../../ui/unsaved';
import { usePropertyWork } from '../../../work/property-work';
import { useSend } from '../../../work/send';
import { useDraft } from '../../../work/use-draft';
import type { ReadAnswer, ReadSent } from '../read-action';
import { type TypedWater, typedFromWater, WATER_FIELDS } from './water-from-typed';

/** The analysis of the irrigation water, typed from its report. */
export function WaterModal({ water, onClose }: { water: IrrigationWater | undefined; onClose: () => void }) {
  const [typed, setTyped] = useState<TypedWater>(() => typedFromWater(water));
  const [first] = useState(typed);
  const { file } = usePropertyWork();
  const { fetcher, send } = useSend<ReadSent, ReadAnswer>();
  const { offered } = useDraft({
    place: `${file.property.id}/irrigation-water`,
    typed,
    dirty: JSON.stringify(typed) !== JSON.stringify(first),
    savedBy: fetcher.data && !fetcher.data.faults ? fetcher.data : undefined,
    load: setTyped,
  });
  const kept = fetcher.state === 'idle' && fetcher.data !== undefined && !fetcher.data.faults;
  useEffect(() => {
    if (kept) onClose();
  }, [kept, onClose]);
  const faults = fetcher.state === 'idle' ? (fetcher.data?.faults ?? {}) : {};
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
          onChange={(sampledOn) => setTyped((before) => ({ ...before, sampledOn }))}
        />
        {WATER_FIELDS.map(({ key, label, unit }) => (
          <TextField
            key={key}
            label={label}
            unit={unit}
            inputMode="decimal"
            value={typed[key]}
            fault={faults[key]}
            onChange={(value) => setTyped((before) => ({ ...before, [key]: value }))}
            onEnter={save}
          />
        ))}
      </div>
      <Fault>{faults.storage}</Fault>
    </Modal>
  );
}
