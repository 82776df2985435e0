import { Button, Input, Segmented } from 'antd';
import { type ReactNode, useEffect, useId, useRef, useState } from 'react';
import type { Climate } from '@core/records/case';
import { readClimateCsv } from '@core/files/climate-csv';
import { CLIMATE_PRESETS } from '@core/packs/starter-shelf';
import { isRefusal } from '@core/reckoning/refusal';
import { ChoiceField, Fault, TextField } from '../../ui/field';
import { climateFromText } from '../../work/climate-text';
import { listStations, type StationEntry } from '../../work/weather-service';
import { stationNormals } from './station';
import { readFile } from '../../workers/read-file';
import { grouped } from '@core/words/numbers';
import { PlaceField } from '../../ui/place-field';
import { FilePicker } from '../../ui/file-picker';
import { type Units, useUnits } from '../../ui/format';

/** A climate that is looked at and not yet stored. */
export interface ClimateDraft {
  climate: Climate;
  latitudeDeg?: number;
}

interface SourceProps {
  now: ClimateDraft | undefined;
  /** Longitude and latitude of the property, where they are known. */
  origin?: readonly [number, number];
  today: string;
  onDraft: (draft: ClimateDraft) => void;
}

const WAYS = [
  { value: 'place', label: 'Place' },
  { value: 'station', label: 'Station' },
  { value: 'table', label: 'Table' },
  { value: 'typed', label: 'Typed' },
  { value: 'region', label: 'Region' },
] as const;
type Way = (typeof WAYS)[number]['value'];

/** Letters of a file that the field shows; all of it was read. */
const MOST_SHOWN = 20_000;

const YEARS = [10, 20, 30].map((years) => ({ value: String(years), label: `${years} years` }));

function FromStation({ now, today, onDraft }: SourceProps) {
  const [stations, setStations] = useState<StationEntry[]>([]);
  const [station, setStation] = useState<string | undefined>();
  const [years, setYears] = useState('30');
  const [fault, setFault] = useState<string | undefined>();
  const [busy, setBusy] = useState(false);
  const leaving = useRef(new AbortController());
  useEffect(() => {
    const here = leaving.current;
    void listStations().then((answer) => {
      if (here.signal.aborted) return;
      if (typeof answer === 'string') setFault(answer);
      else setStations(answer);
    });
    return () => here.abort();
  }, []);
  const fetchIt = async () => {
    if (!station) return setFault('Choose a station first.');
    setBusy(true);
    const answer = await stationNormals(station, Number(years), today);
    setBusy(false);
    if (typeof answer === 'string') return setFault(answer);
    setFault(undefined);
    onDraft({
      latitudeDeg: now?.latitudeDeg ?? answer.latitudeDeg,
      climate: {
        ...answer.climate,
        source: `${answer.name}, ${grouped(answer.days, 0)} days, ${answer.firstDay.slice(0, 4)} to ${answer.lastDay.slice(0, 4)}`,
      },
    });
  };
  return (
    <>
      <p className="small">
        Daily highs, lows and rain of a simulated weather station that comes with Ubertas. Normals and the middle of its
        frost dates are drawn from them.
      </p>
      <ChoiceField
        label="Weather station"
        placeholder="Choose the nearest in kind"
        value={station}
        options={stations.map((s) => ({ value: s.id, label: `${s.name}, ${s.latitudeDeg}° N` }))}
        onChange={setStation}
      />
      <ChoiceField label="Years" value={years} options={YEARS} onChange={setYears} />
      <Fault>{fault}</Fault>
      <Button type="primary" loading={busy} onClick={() => void fetchIt()}>
        Fetch its days
      </Button>
    </>
  );
}

function FromTable({ now, onDraft }: SourceProps) {
  const id = useId();
  const [text, setText] = useState('');
  const [name, setName] = useState('a pasted table');
  const [fault, setFault] = useState<string | undefined>();
  const read = (source: string, of: string) => {
    take(readClimateCsv(source), of);
  };
  const take = (answer: ReturnType<typeof readClimateCsv>, of: string) => {
    if (isRefusal(answer)) return setFault(answer.refused);
    setFault(undefined);
    const { lastFrost, firstFrost } = now?.climate ?? {};
    onDraft({
      latitudeDeg: now?.latitudeDeg,
      // twelve months know nothing of frost: the dates that stand here stay
      climate: {
        ...(answer.kind === 'monthly' ? { lastFrost, firstFrost } : {}),
        ...answer.climate,
        source: `${of}: ${answer.says}`.slice(0, 200),
      },
    });
  };
  const choose = async (file: File) => {
    const answer = await readFile(file, (reading) => reading.climate(file));
    if (isRefusal(answer)) return setFault(answer.refused);
    setName(file.name);
    setText(answer.source.slice(0, MOST_SHOWN));
    take(answer.read, file.name);
  };
  return (
    <>
      <p className="small">
        Twelve months or days of weather, with a header: month or date, high, low and, where known, rain. deg C and mm
        in the header are understood.
      </p>
      <div className="field">
        <label className="label" htmlFor={id}>
          <span>Table</span>
          <span>CSV, tabs or semicolons</span>
        </label>
        <Input.TextArea
          id={id}
          rows={7}
          value={text}
          placeholder={'month,high F,low F,rain in\nJan,40,24,2.6\nFeb,45,27,2.5'}
          onChange={(event) => {
            setText(event.target.value);
            setName('a pasted table');
          }}
        />
        <Fault>{fault}</Fault>
      </div>
      <p className="links">
        <Button type="primary" onClick={() => read(text, name)}>
          Read the table
        </Button>
        <FilePicker
          label="Climate table"
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          onFile={(file) => void choose(file)}
        >
          Choose a file
        </FilePicker>
      </p>
    </>
  );
}

const inARow = (
  values: readonly (number | undefined)[] | undefined,
  quantity: 'temperature' | 'depth',
  units: Units,
): string =>
  (values ?? [])
    .map((value) => units.plain(units.inShown(quantity, value ?? 0), 1))
    .join(units.decimalSign === '.' ? ', ' : '; ');

function Typed({ now, onDraft }: SourceProps) {
  const units = useUnits();
  const [typed, setTyped] = useState({
    highs: inARow(now?.climate.meanHighF, 'temperature', units),
    lows: inARow(now?.climate.meanLowF, 'temperature', units),
    rain: inARow(now?.climate.rainIn, 'depth', units),
    lastFrost: now?.climate.lastFrost ?? '',
    firstFrost: now?.climate.firstFrost ?? '',
    latitude: now?.latitudeDeg === undefined ? '' : String(now.latitudeDeg),
  });
  const [fault, setFault] = useState<{ field: string; refused: string } | undefined>();
  const of = (field: keyof typeof typed) => ({
    value: typed[field],
    onChange: (value: string) => setTyped((before) => ({ ...before, [field]: value })),
    fault: fault?.field === field ? fault.refused : undefined,
  });
  const read = () => {
    const climate = climateFromText(typed, units);
    if (isRefusal(climate)) return setFault(climate);
    const latitudeDeg = units.readPlain(typed.latitude, 'Latitude', 'latitude');
    if (isRefusal(latitudeDeg)) return setFault(latitudeDeg);
    if (latitudeDeg !== undefined && Math.abs(latitudeDeg) > 90)
      return setFault({ field: 'latitude', refused: 'Latitude must be between -90 and 90 degrees.' });
    setFault(undefined);
    onDraft({ climate: { ...climate, source: 'typed' }, latitudeDeg });
  };
  return (
    <>
      <TextField label="Mean highs, January to December" unit={units.unit('temperature')} {...of('highs')} />
      <TextField label="Mean lows, January to December" unit={units.unit('temperature')} {...of('lows')} />
      <TextField label="Rain, January to December" unit={`${units.unit('depth')}, may stay empty`} {...of('rain')} />
      <div className="pair">
        <TextField label="Last frost" unit="04-15" {...of('lastFrost')} />
        <TextField label="First frost" unit="10-25" {...of('firstFrost')} />
      </div>
      <TextField label="Latitude" unit="degrees north" inputMode="decimal" {...of('latitude')} />
      <Button type="primary" onClick={read}>
        Preview
      </Button>
    </>
  );
}

function FromRegion({ onDraft }: SourceProps) {
  return (
    <ChoiceField
      label="Region"
      placeholder="Choose the nearest"
      value={undefined}
      options={CLIMATE_PRESETS.map((p) => ({ value: p.id, label: p.name }))}
      onChange={(id) => {
        const preset = CLIMATE_PRESETS.find((p) => p.id === id);
        if (preset) onDraft({ climate: { ...preset.climate, source: preset.name }, latitudeDeg: preset.latitudeDeg });
      }}
    />
  );
}

function FromPlace({ origin, onDraft }: SourceProps) {
  return (
    <PlaceField
      origin={origin}
      unit="or a position: 40.1, -83.0"
      onChoose={({ climate, latitudeDeg }) => onDraft({ climate, latitudeDeg })}
    />
  );
}

const FORMS: Record<Way, (props: SourceProps) => ReactNode> = {
  place: FromPlace,
  station: FromStation,
  table: FromTable,
  typed: Typed,
  region: FromRegion,
};

/** Where a climate may come from; what is found is looked at before it is stored. */
export function ClimateSource(props: SourceProps) {
  const [way, setWay] = useState<Way>('place');
  const Form = FORMS[way];
  return (
    <section className="source" aria-labelledby="source-h">
      <h2 id="source-h">{props.now ? 'Another climate' : 'Give it a climate'}</h2>
      <Segmented size="small" aria-label="Where from" options={[...WAYS]} value={way} onChange={setWay} />
      <Form key={way} {...props} />
    </section>
  );
}
