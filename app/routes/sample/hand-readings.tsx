import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { CURVE_DEPTH_IN } from '@core/climate/soil-readings';
import { isIsoDay } from '@core/days/day';
import type { Property, Zone } from '@core/records/case';
import type { Instrument } from '@core/records/vocabularies';
import { isRefusal } from '@core/reckoning/refusal';
import { depthFrom } from '@core/typed/typed-depth';
import { typedNumber } from '@core/typed/typed-number';
import { sayDate } from '@core/words/days';
import { fixed, trimmed } from '@core/words/numbers';
import { TextField } from '../../ui/field';
import { dipInstrument } from './simulated';

type Reading = NonNullable<Zone['readings']>[number];

const WORDS: Record<Instrument, { name: string; unit: string; least: number; most: number; says: string }> = {
  'ph-pen': {
    name: 'pH pen',
    unit: 'pH',
    least: 2,
    most: 11,
    says: 'A pen is good to a few tenths; it never limes a lawn.',
  },
  'soil-thermometer': {
    name: 'Soil thermometer',
    unit: 'deg F',
    least: -20,
    most: 140,
    says: 'A typed reading moves the climate’s soil curve, less from day to day, for six weeks.',
  },
};
const INSTRUMENTS = Object.keys(WORDS) as Instrument[];
/** Deepest that a hand thermometer reaches, in. */
const DEEPEST_IN = 24;

interface HandReadingsProps {
  property: Property;
  /** The property as files know it: its ground is the same in every browser. */
  fileId: string;
  zone: Zone;
  today: string;
  onTake: (reading: Reading) => void;
  onForget: (index: number) => void;
}

/** What was typed as a reading, or what is wrong with it by field. */
export function readingFrom(
  typed: { value: string; on: string; depth: string },
  instrument: Instrument,
  today: string,
): { reading: Reading } | { faults: Partial<Record<'value' | 'on' | 'depth', string>> } {
  const { name, unit, least, most } = WORDS[instrument];
  const faults: Partial<Record<'value' | 'on' | 'depth', string>> = {};
  const value = typedNumber(typed.value, name, 'value');
  if (isRefusal(value)) faults.value = value.refused;
  else if (value === undefined) faults.value = 'Type what it shows.';
  else if (value < least || value > most)
    faults.value = `${name} must be between ${least} and ${most} ${unit}; ${value} is not.`;
  if (!isIsoDay(typed.on)) faults.on = 'Choose the day.';
  else if (typed.on > today) faults.on = 'This day is still to come.';
  const depthIn = depthFrom(typed.depth);
  if (instrument === 'soil-thermometer' && (depthIn === undefined || depthIn <= 0 || depthIn > DEEPEST_IN))
    faults.depth = `Type how deep it stood, up to ${DEEPEST_IN} in.`;
  if (Object.keys(faults).length > 0) return { faults };
  return {
    reading: {
      on: typed.on,
      instrument,
      value: value as number,
      ...(instrument === 'soil-thermometer' ? { depthIn } : {}),
    },
  };
}

/** Readings of hand instruments, typed or shown by the simulated ones. A hand reading never stands in for a laboratory's. */
export function HandReadings({ property, fileId, zone, today, onTake, onForget }: HandReadingsProps) {
  const [instrument, setInstrument] = useState<Instrument>('ph-pen');
  const [typed, setTyped] = useState({ value: '', on: today, depth: String(CURVE_DEPTH_IN) });
  const [faults, setFaults] = useState<Partial<Record<'value' | 'on' | 'depth', string>>>({});
  const [shown, setShown] = useState<number | string>();
  const [dips, setDips] = useState(0);
  const { unit, says } = WORDS[instrument];
  const readings = zone.readings ?? [];
  const change = (over: Partial<typeof typed>) => setTyped((before) => ({ ...before, ...over }));
  const save = () => {
    const read = readingFrom(typed, instrument, today);
    if ('faults' in read) return setFaults(read.faults);
    setFaults({});
    change({ value: '' });
    onTake(read.reading);
  };
  const dip = async () => {
    setShown(await dipInstrument({ property, fileId }, zone, instrument, today, readings.length * 100 + dips));
    setDips((n) => n + 1);
  };
  return (
    <section className="readings" aria-labelledby="readings">
      <h2 id="readings">Hand instruments</h2>
      <p className="small">
        On {zone.name}. {says}
      </p>
      <Segmented<Instrument>
        aria-label="Instrument"
        value={instrument}
        onChange={(value) => {
          setInstrument(value);
          setShown(undefined);
          setFaults({});
        }}
        options={INSTRUMENTS.map((value) => ({ value, label: WORDS[value].name }))}
      />
      <div className="typed">
        <TextField
          label="It shows"
          unit={unit}
          inputMode="decimal"
          value={typed.value}
          fault={faults.value}
          onChange={(value) => change({ value })}
          onEnter={save}
        />
        {instrument === 'soil-thermometer' && (
          <TextField
            label="Depth"
            unit="in"
            inputMode="decimal"
            value={typed.depth}
            fault={faults.depth}
            onChange={(depth) => change({ depth })}
            onEnter={save}
          />
        )}
        <TextField
          label="Day"
          type="date"
          value={typed.on}
          fault={faults.on}
          onChange={(on) => change({ on })}
          onEnter={save}
        />
        <Button type="primary" onClick={save}>
          Save
        </Button>
      </div>
      <p className="do">
        <span className="small">Or simulated:</span> <Button onClick={() => void dip()}>Put it in the ground</Button>
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
              {reading.depthIn === undefined ? '' : ` at ${trimmed(reading.depthIn, 1)} in`}
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
