import { Button, Modal, Segmented } from 'antd';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import { CLIMATE_PRESETS } from '@core/packs/starter-shelf';
import { ChoiceField, TextField } from '../../ui/field';
import { PlaceField } from '../../ui/place-field';
import { sendBy } from '../../work/send';
import { useUnits } from '../../ui/format';

/** What the form sends: text as typed, read by the action. */
export interface TypedProperty {
  name: string;
  climate: string;
  latitude: string;
  highs: string;
  lows: string;
  lastFrost: string;
  firstFrost: string;
}

const BLANK: TypedProperty = {
  name: '',
  climate: '',
  latitude: '',
  highs: '',
  lows: '',
  lastFrost: '',
  firstFrost: '',
};

/** A new property: its name and its climate, of a place, of its own normals or of an invented region. */
export function PropertyForm({ open, onClose }: { open: boolean; onClose: () => void }) {
  const units = useUnits();
  const [typed, setTyped] = useState(BLANK);
  const [way, setWay] = useState<'place' | 'region' | 'own'>('place');
  const fetcher = useFetcher<{ faults?: Record<string, string> }>();
  const faults = fetcher.data?.faults ?? {};
  const set = (key: keyof TypedProperty) => (value: string) => setTyped((before) => ({ ...before, [key]: value }));
  const submit = () => sendBy(fetcher, { intent: 'create', ...typed, climate: way === 'own' ? 'own' : typed.climate });
  return (
    <Modal
      title="New property"
      open={open}
      onCancel={onClose}
      afterClose={() => setTyped(BLANK)}
      destroyOnHidden
      footer={null}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <TextField
          label="Name"
          value={typed.name}
          onChange={set('name')}
          fault={faults.name ?? faults.storage}
          autoFocus
        />
        <div className="field">
          <span className="label">Climate, which dates the doses</span>
          <Segmented<'place' | 'region' | 'own'>
            options={[
              { value: 'place', label: 'A place' },
              { value: 'own', label: 'My own normals' },
              { value: 'region', label: 'An invented region' },
            ]}
            value={way}
            onChange={(to) => {
              setWay(to);
              set('climate')('');
            }}
          />
        </div>
        {way === 'place' && <PlaceField fault={faults.climate} onChoose={({ id }) => set('climate')(`place:${id}`)} />}
        {way === 'region' && (
          <ChoiceField
            label="Region"
            placeholder="Choose the nearest"
            value={typed.climate || undefined}
            options={CLIMATE_PRESETS.map((p) => ({ value: p.id, label: p.name }))}
            onChange={set('climate')}
            fault={faults.climate}
          />
        )}
        {way === 'own' && (
          <>
            <TextField
              label="Mean highs, January to December"
              unit={units.unit('temperature')}
              value={typed.highs}
              onChange={set('highs')}
              fault={faults.highs}
            />
            <TextField
              label="Mean lows, January to December"
              unit={units.unit('temperature')}
              value={typed.lows}
              onChange={set('lows')}
              fault={faults.lows}
            />
            <div className="pair">
              <TextField
                label="Last spring frost"
                unit="month-day, 04-15"
                value={typed.lastFrost}
                onChange={set('lastFrost')}
                fault={faults.lastFrost}
              />
              <TextField
                label="First fall frost"
                unit="month-day, 10-25"
                value={typed.firstFrost}
                onChange={set('firstFrost')}
                fault={faults.firstFrost}
              />
            </div>
            <TextField
              label="Latitude"
              unit="degrees north"
              value={typed.latitude}
              onChange={set('latitude')}
              fault={faults.latitude}
              inputMode="decimal"
            />
          </>
        )}
        <Button type="primary" htmlType="submit" loading={fetcher.state !== 'idle'}>
          Create and measure
        </Button>
      </form>
    </Modal>
  );
}
