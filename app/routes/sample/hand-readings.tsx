import { Button, Segmented } from 'antd';
import { useState } from 'react';
import type { Property, Zone } from '@core/records/case';
import type { Instrument } from '@core/records/vocabularies';
import { sayDate } from '@core/words/days';
import { dipInstrument } from './simulated';
import { fixed } from '@core/words/numbers';

const WORDS: Record<Instrument, { name: string; unit: string }> = {
  'ph-pen': { name: 'pH pen', unit: 'pH' },
  'soil-thermometer': { name: 'Soil thermometer', unit: 'deg F' },
};

interface HandReadingsProps {
  property: Property;
  /** The property as files know it: its ground is the same in every browser. */
  fileId: string;
  zone: Zone;
  today: string;
  onTake: (reading: NonNullable<Zone['readings']>[number]) => void;
  onForget: (index: number) => void;
}

/** The simulated hand instruments, and what was taken into the record. A hand reading never stands in for a laboratory's. */
export function HandReadings({ property, fileId, zone, today, onTake, onForget }: HandReadingsProps) {
  const [instrument, setInstrument] = useState<Instrument>('ph-pen');
  const [shown, setShown] = useState<number | string>();
  const [dips, setDips] = useState(0);
  const { unit } = WORDS[instrument];
  const readings = zone.readings ?? [];
  const dip = async () => {
    setShown(await dipInstrument({ property, fileId }, zone, instrument, today, readings.length * 100 + dips));
    setDips((n) => n + 1);
  };
  return (
    <section className="readings" aria-labelledby="readings">
      <h2 id="readings">Simulated hand instruments</h2>
      <p className="small">On {zone.name}. A pen is good to a few tenths; it never limes a lawn.</p>
      <Segmented<Instrument>
        aria-label="Instrument"
        value={instrument}
        onChange={(value) => {
          setInstrument(value);
          setShown(undefined);
        }}
        options={(Object.keys(WORDS) as Instrument[]).map((value) => ({ value, label: WORDS[value].name }))}
      />
      <p className="do">
        <Button onClick={() => void dip()}>Put it in the ground</Button>
        {typeof shown === 'number' && (
          <>
            <output className="serif">
              {fixed(shown, 1)} {unit}
            </output>
            <Button
              type="primary"
              onClick={() => {
                onTake({ on: today, instrument, value: shown, simulated: true });
                setShown(undefined);
              }}
            >
              Take it into the record
            </Button>
          </>
        )}
      </p>
      {typeof shown === 'string' && <p className="small">{shown}</p>}
      <ul>
        {readings.map((reading, i) => (
          <li key={i}>
            <span className="small">{sayDate(reading.on)}</span>{' '}
            <b>
              {fixed(reading.value, 1)} {WORDS[reading.instrument].unit}
            </b>{' '}
            <span className="small">
              {WORDS[reading.instrument].name.toLowerCase()}
              {reading.simulated ? ', simulated' : ''}
            </span>{' '}
            <button type="button" className="link small" onClick={() => onForget(i)}>
              Forget
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
