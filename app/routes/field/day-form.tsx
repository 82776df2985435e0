import { Checkbox, Segmented } from 'antd';
import type { ReadyHints } from '@core/field/readiness';
import { Said } from '../../ui/substance';
import type { Material } from '@core/field/go';
import { TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { type TypedDay, WEATHER, WEATHER_KEYS, type WeatherKey } from './day-words';

const LOOKED = [
  {
    key: 'ground',
    title: 'The ground',
    asks: 'Does a screwdriver go in, and does it spring back under the foot?',
    options: ['firm', 'soft', 'saturated', 'frozen', 'hard'],
  },
  {
    key: 'turf',
    title: 'The turf',
    asks: 'Green and growing, footprints rise again?',
    options: ['growing', 'dormant', 'drought-stressed', 'waking', 'newly-sown'],
  },
  {
    key: 'disease',
    title: 'The disease',
    asks: 'It was seen lately: does it still spread?',
    options: ['over', 'spreading'],
  },
  { key: 'leaf', title: 'The leaf', asks: 'Wipe it with the hand.', options: ['dry', 'wet', 'frosted'] },
] as const;

/** What only somebody standing there knows, and the weather as it is typed where no forecast is. */
export function DayForm({
  typed,
  faults,
  material,
  told,
  hints,
  asksLabel,
  asksDisease,
  onChange,
}: {
  typed: TypedDay;
  faults: Partial<Record<WeatherKey, string>>;
  material: Material;
  /** What the forecast has for this hour, shown where nothing is typed. */
  told: Partial<Record<WeatherKey, number>>;
  /** What the season of a usual year says of the questions. */
  hints: ReadyHints;
  /** Of a pesticide its own label decides. */
  asksLabel: boolean;
  /** The log has one of these two weeks. */
  asksDisease: boolean;
  onChange: (day: TypedDay) => void;
}) {
  const units = useUnits();
  return (
    <section className="dayform" aria-labelledby="dayform">
      <h2 id="dayform">Look, and type the weather</h2>
      {LOOKED.filter(({ key }) =>
        key === 'leaf' ? material !== 'hose-end' && !asksLabel : key !== 'disease' || asksDisease,
      ).map(({ key, title, asks, options }) => (
        <div key={key} className="looked">
          <p>
            <b>{title}</b> <span className="small">{asks}</span>
            {(key === 'ground' || key === 'turf') && hints[key] && (
              <span className="small hint">
                {' '}
                <Said text={hints[key]} />
              </span>
            )}
          </p>
          <Segmented<string>
            aria-label={title}
            value={typed[key] ?? ''}
            options={options.map((value) => ({ value, label: value.replaceAll('-', ' ') }))}
            onChange={(value) => onChange({ ...typed, [key]: value })}
          />
        </div>
      ))}
      {asksLabel && (
        <Checkbox
          className="withlabel"
          checked={typed.label === 'with-me'}
          onChange={({ target }) => {
            const { label: _before, ...rest } = typed;
            onChange(target.checked ? { ...rest, label: 'with-me' } : rest);
          }}
        >
          I have the label with me: it holds a pesticide, and its label and the license decide
        </Checkbox>
      )}
      <div className="weather">
        {WEATHER_KEYS.map((key) => (
          <TextField
            key={key}
            label={WEATHER[key].label}
            unit={units.unit(WEATHER[key].quantity)}
            inputMode="decimal"
            value={typed.numbers[key] ?? ''}
            fault={faults[key]}
            placeholder={told[key] === undefined ? undefined : units.show(WEATHER[key].quantity, told[key])}
            onChange={(text) => onChange({ ...typed, numbers: { ...typed.numbers, [key]: text } })}
          />
        ))}
      </div>
      <p className="small">
        {Object.keys(told).length > 0 && 'In gray the forecast of this hour; what is typed stands before it. '}
        Wind as it blows at chest height. A label’s own limits come first where they are stricter.
      </p>
    </section>
  );
}
