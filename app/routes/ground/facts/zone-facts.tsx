import { Button } from 'antd';
import { CARBONATES, DRAINAGE, LIGHT, MEASURED_BY, TURF, WEAR, ZONE_STATES } from '@core/records/case';
import { CARE_LEVELS } from '@core/records/vocabularies';
import { ALL_GRASSES, type Grass, grassOf } from '@core/packs/grasses';
import { classByHand } from '@core/ground/hand-test';
import { TEXTURE_CLASSES } from '@core/records/vocabularies';
import { ChoiceField, optionsOf, TextField } from '../../../ui/field';
import { showPh } from '@core/words/numbers';
import { sayDate } from '@core/words/days';
import { HatchSwatch } from '../../../ui/hatches';
import { TextureTriangle } from '../../../ui/texture-triangle';
import { fractionsFrom, type TypedFacts } from '../draft/zone-from-typed';
import { useUnits } from '../../../ui/format';

const LIKELY_ERROR = {
  tape: '± 1 %',
  wheel: '± 2-3 %',
  pacing: '± 5-10 %',
  plan: 'as good as the plan',
  walk: 'by its scatter',
} as const;

const DAY_OF = {
  'new-seeding': 'Day of the seeding',
  renovation: 'Day of the renovation',
  sod: 'Day of the sodding',
} as const;

const WINTER_GRASSES = ALL_GRASSES.filter((grass) => grass.season === 'cool').map(({ id, name }) => ({
  value: id,
  label: name,
}));

interface FactsProps {
  typed: TypedFacts;
  faults: Record<string, string>;
  onChange: (change: Partial<TypedFacts>) => void;
  onHandTest: () => void;
}

/** A bar on a small scale, with a ring for the aim. */
function MiniScale({ from, to, low, high, aim }: { from: number; to: number; low: number; high: number; aim: number }) {
  const x = (value: number) => 3 + ((value - from) / (to - from)) * 60;
  return (
    <svg width="66" height="12" viewBox="0 0 66 12" aria-hidden="true">
      <path d="M1 8H65M3 5v5M63 5v5" stroke="var(--loam-3)" />
      <rect x={x(low)} y="6" width={x(high) - x(low)} height="4" fill="var(--moss)" />
      <circle cx={x(aim)} cy="5" r="3.2" fill="var(--paper)" stroke="var(--loam)" strokeWidth="1.4" />
    </svg>
  );
}

function GrassWindows({ grass, care }: { grass: Grass; care: TypedFacts['care'] }) {
  const units = useUnits();
  const rate = (lb: number) => units.exact('nutrient-rate', lb);
  const { nitrogenLb } = grass;
  return (
    <div className="windows">
      <p>
        <MiniScale from={4.5} to={8.5} low={grass.phLow} high={grass.phHigh} aim={grass.phAim} />
        <span>
          pH <b>{showPh(grass.phLow)}</b> to <b>{showPh(grass.phHigh)}</b>, aim <b>{showPh(grass.phAim)}</b>
        </span>
      </p>
      <p>
        <MiniScale from={0} to={6} low={nitrogenLb.low} high={nitrogenLb.high} aim={nitrogenLb[care]} />
        <span>
          N <b>{rate(nitrogenLb.low)}</b> to <b>{rate(nitrogenLb.high)}</b> {units.short('nutrient-rate', 'N')} a year,
          at <b>{rate(nitrogenLb[care])}</b>
        </span>
      </p>
      <p className="small">
        Mow at {units.said(`${grass.mowIn.join(' to ')} in.`)} {units.said(grass.note)}
      </p>
    </div>
  );
}

function Soil({ typed, faults, onChange, onHandTest }: FactsProps) {
  const units = useUnits();
  const measured = fractionsFrom(typed, {}, units);
  const byHand = typed.handTest && classByHand(typed.handTest);
  const texture = measured?.texture ?? typed.texture;
  return (
    <div className="soil">
      <ChoiceField
        label="Soil texture"
        unit={measured ? 'by the laboratory' : byHand && byHand === texture ? 'by hand' : undefined}
        placeholder="Choose the texture"
        value={texture}
        options={optionsOf(TEXTURE_CLASSES)}
        onChange={(value) => onChange({ texture: value, sand: '', silt: '', clay: '' })}
        fault={faults.texture}
      />
      <div className="soilrow">
        <div>
          {(['sand', 'silt', 'clay'] as const).map((part) => (
            <TextField
              key={part}
              label={part[0]?.toUpperCase() + part.slice(1)}
              unit="%"
              value={typed[part]}
              onChange={(text) => onChange({ [part]: text })}
              fault={faults[part]}
              inputMode="decimal"
            />
          ))}
        </div>
        <div>
          <TextureTriangle
            side={108}
            chosen={texture ? [texture] : []}
            point={measured && { sand: measured.fractions.sandPercent, clay: measured.fractions.clayPercent }}
            ring={byHand}
            label={
              measured
                ? `Texture triangle: sand ${measured.fractions.sandPercent}, clay ${measured.fractions.clayPercent} percent, ${texture?.replaceAll('-', ' ')}`
                : `Texture triangle${texture ? `: ${texture.replaceAll('-', ' ')}` : ''}`
            }
          />
          <Button onClick={onHandTest}>
            Hand test <span className="kbd">H</span>
          </Button>
          {typed.handTest?.on && byHand && (
            <p className="small">
              by hand, {sayDate(typed.handTest.on)}: {byHand.replaceAll('-', ' ')}
            </p>
          )}
        </div>
      </div>
    </div>
  );
}

/** What grows on the zone, on what soil, under what care. */
export function ZoneFacts({ typed, faults, onChange, onHandTest }: FactsProps) {
  const units = useUnits();
  const grass = typed.grass && grassOf(typed.grass);
  const choice = <
    K extends 'care' | 'clippings' | 'irrigated' | 'light' | 'wear' | 'turf' | 'state' | 'carbonates' | 'drainage',
  >(
    key: K,
    label: string,
    words: readonly NonNullable<TypedFacts[K]>[],
  ) => (
    <ChoiceField
      label={label}
      value={typed[key] as string}
      options={optionsOf(words as readonly string[])}
      onChange={(value) => onChange({ [key]: value })}
    />
  );
  const text = (
    key: 'age' | 'slope' | 'waterDistance' | 'lastYear' | 'overseedFrom' | 'overseedTo',
    label: string,
    unit: string,
  ) => (
    <TextField
      label={label}
      unit={unit}
      value={typed[key]}
      onChange={(value) => onChange({ [key]: value })}
      fault={faults[key]}
      inputMode={unit === 'mm-dd' ? undefined : 'decimal'}
    />
  );
  return (
    <>
      <ChoiceField
        label="Grass"
        placeholder="Choose the grass"
        value={typed.grass}
        options={ALL_GRASSES.map((g) => ({ value: g.id, label: g.name }))}
        // only warm-season turf is overseeded for the winter
        onChange={(value) =>
          onChange({ grass: value, ...(grassOf(value).season === 'cool' ? { overseed: 'no' } : {}) })
        }
        fault={faults.grass}
      />
      {grass && (
        <>
          <p className="small grassname">
            <HatchSwatch grass={grass.id} /> {grass.season === 'cool' ? 'cool-season' : 'warm-season'}
          </p>
          <GrassWindows grass={grass} care={typed.care} />
        </>
      )}
      <Soil typed={typed} faults={faults} onChange={onChange} onHandTest={onHandTest} />
      <div className="pair">
        {choice('care', 'Care', CARE_LEVELS)}
        {choice('clippings', 'Clippings', ['returned', 'bagged', 'mulched'])}
        {choice('irrigated', 'Irrigated', ['yes', 'no'])}
        {choice('light', 'Light', LIGHT)}
        {choice('wear', 'Wear', WEAR)}
        {choice('turf', 'Turf', TURF)}
        {choice('state', 'Stand', ZONE_STATES)}
        {typed.state !== 'established' && (
          <TextField
            label={DAY_OF[typed.state]}
            unit="usual day if empty"
            type="date"
            value={typed.seededOn}
            onChange={(seededOn) => onChange({ seededOn })}
            fault={faults.seededOn}
          />
        )}
        {grass?.season === 'warm' && (
          <ChoiceField
            label="Overseeded for winter"
            value={typed.overseed}
            options={[{ value: 'no', label: 'no' }, ...WINTER_GRASSES]}
            onChange={(overseed) => onChange({ overseed: overseed as TypedFacts['overseed'] })}
          />
        )}
        {grass?.season === 'warm' && typed.overseed !== 'no' && (
          <>
            {text('overseedFrom', 'Overseeded on', 'mm-dd')}
            {text('overseedTo', 'Spring transition', 'mm-dd')}
          </>
        )}
        {choice('carbonates', 'Fizz with acid', CARBONATES)}
        {choice('drainage', 'Drainage', DRAINAGE)}
        {text('age', 'Age', 'years')}
        {text('slope', 'Slope', '%')}
        {text('waterDistance', 'To open water', units.unit('length'))}
        {text('lastYear', 'N given last year', units.heading('nutrient-rate', 'N'))}
      </div>
      <ChoiceField
        label="Measured by"
        unit={typed.measuredBy && LIKELY_ERROR[typed.measuredBy]}
        value={typed.measuredBy}
        options={optionsOf(MEASURED_BY)}
        onChange={(value) => onChange({ measuredBy: value })}
      />
    </>
  );
}
