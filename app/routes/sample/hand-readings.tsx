import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { CURVE_DEPTH_IN } from '@core/climate/soil-readings';
import { isIsoDay } from '@core/days/day';
import type { Property, Zone } from '@core/records/case';
import type { Instrument } from '@core/records/vocabularies';
import { isRefusal } from '@core/reckoning/refusal';
import { sayDate } from '@core/words/days';
import { trimmed } from '@core/words/numbers';
import { TextField } from '../../ui/field';
import { dipInstrument } from './simulated';
import { type Units, useUnits } from '../../ui/format';

type Reading = NonNullable<Zone['readings']>[number];

const WORDS: Record<
  Instrument,
  { name: string; quantity: 'temperature' | undefined; least: number; most: number; says: string }
> = {
  'ph-pen': {
    name: 'pH pen',
    quantity: undefined,
    least: 2,
    most: 11,
    says: 'A pen is good to a few tenths; it never limes a lawn.',
  },
  'soil-thermometer': {
    name: 'Soil thermometer',
    quantity: 'temperature',
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
  units: Units,
): { reading: Reading } | { faults: Partial<Record<'value' | 'on' | 'depth', string>> } {
  const { name, quantity, least, most } = WORDS[instrument];
  const bound = (each: number) => (quantity ? units.say(quantity, each) : units.plain(each));
  const faults: Partial<Record<'value' | 'on' | 'depth', string>> = {};
  const value = quantity
    ? units.value(quantity, typed.value, name, 'value')
    : units.readPlain(typed.value, name, 'value');
  if (isRefusal(value)) faults.value = value.refused;
  else if (value === undefined) faults.value = 'Type what it shows.';
  else if (value < least || value > most)
    faults.value = `${name} must be between ${bound(least)} and ${bound(most)}; ${bound(value)} is not.`;
  if (!isIsoDay(typed.on)) faults.on = 'Choose the day.';
  else if (typed.on > today) faults.on = 'This day is still to come.';
  const depth = units.value('depth', typed.depth, 'Depth', 'depth');
  const depthIn = isRefusal(depth) ? undefined : depth;
  if (instrument === 'soil-thermometer' && (depthIn === undefined || depthIn <= 0 || depthIn > DEEPEST_IN))
    faults.depth = `Type how deep it stood, up to ${units.said(`${DEEPEST_IN} in`)}.`;
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
  const units = useUnits();
  const [instrument, setInstrument] = useState<Instrument>('ph-pen');
  const [typed, setTyped] = useState({ value: '', on: today, depth: units.field('depth', CURVE_DEPTH_IN) });
  const [faults, setFaults] = useState<Partial<Record<'value' | 'on' | 'depth', string>>>({});
  const [shown, setShown] = useState<number | string>();
  const [dips, setDips] = useState(0);
  const { quantity, says } = WORDS[instrument];
  const unit = quantity ? units.unit(quantity) : 'pH';
  /** A reading with its unit, to a tenth. */
  const shows = (of: Instrument, value: number) => {
    const measures = WORDS[of].quantity;
    return measures
      ? `${units.number(units.inShown(measures, value), 1)} ${units.unit(measures)}`
      : `${units.number(value, 1)} pH`;
  };
  const readings = zone.readings ?? [];
  const change = (over: Partial<typeof typed>) => setTyped((before) => ({ ...before, ...over }));
  const save = () => {
    const read = readingFrom(typed, instrument, today, units);
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
            unit={units.unit('depth')}
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
            <output className="serif">{shows(instrument, shown)}</output>
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
            <span className="small">{sayDate(reading.on)}</span> <b>{shows(reading.instrument, reading.value)}</b>{' '}
            <span className="small">
              {WORDS[reading.instrument].name.toLowerCase()}
              {reading.depthIn === undefined ? '' : units.said(` at ${trimmed(reading.depthIn, 1)} in`)}
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
