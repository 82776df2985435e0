import { Button, Select } from 'antd';
import { Link, useLocation } from 'react-router';
import { TextField } from '../../ui/field';
import { fixed, two } from '@core/words/numbers';
import { sayDay } from '@core/words/days';
import { Mark } from '../../ui/marks';
import { Said, Substances } from '../../ui/substance';
import { type MatchWork, TYPED_NEEDS, tripKey } from '../../work/match-work';
import { useUnits } from '../../ui/format';

const MARKED = { N: 'N', P2O5: 'P2O5', K2O: 'K2O', lime: 'lime', sulfur: 'sulfur' } as const;

/** What must go down, and by what the shelf is judged here. */
export function NeedMargin({ match }: { match: MatchWork }) {
  const units = useUnits();
  const { context, trip, trips, need, typed, faults, setTyped, setTrip } = match;
  const { zone, grass, prescription, soilPh, phosphorusSays } = context;
  const { hash } = useLocation();
  const { ph, phosphorus, potassium, sulfur } = prescription;
  const judges: { name: string; says: string }[] = [
    {
      name: soilPh === undefined ? 'No pH on a report' : `pH ${fixed(soilPh, 1)}`,
      says:
        ph.action === 'lime'
          ? 'too acid: no free sulfur, and acid N counts against the lime'
          : ph.action === 'sulfur'
            ? 'too alkaline: free sulfur is prescribed, acid N helps a little'
            : ph.action === 'leave'
              ? 'left as it is: no free sulfur'
              : 'no free sulfur, no lime',
    },
    {
      name: phosphorusSays ? `P ${phosphorusSays}, ${phosphorus.level.replace('-', ' ')}` : 'P not tested',
      says: phosphorus.yearLb > 0 ? `${two(phosphorus.yearLb)} lb P2O5 for the year` : 'nothing that holds P2O5',
    },
    {
      name: grass.name,
      says: `${grass.lowChloride ? 'wants the sulfate: no muriate' : 'bears chloride'}${context.salty ? '; the soil is salty' : ''}`,
    },
  ];
  return (
    <aside className="margin needmargin">
      <h2>The need</h2>
      <p className="small">
        {trip.date ? `On ${sayDay(trip.date)}` : 'A first dose, nothing is dated'}, {units.say('area', zone.areaSqFt)}
      </p>
      {trips.length > 1 && (
        <Select
          aria-label="Trip"
          value={tripKey(trip)}
          options={trips.map((each) => ({
            value: tripKey(each),
            label: `${each.date ? sayDay(each.date) : 'first'}: ${Object.entries(each.need)
              .map(
                ([key, lb]) =>
                  `${units.rate(lb)} ${units.short('nutrient-rate', key === 'lime' ? 'lime as CaCO3' : key === 'sulfur' ? 'free S' : key)}`,
              )
              .join(', ')}`,
          }))}
          onChange={(key) => {
            const to = trips.find((each) => tripKey(each) === key);
            if (to) setTrip(to);
          }}
          popupMatchSelectWidth={false}
          virtual={false}
        />
      )}
      <ul className="needs">
        {(Object.keys(need) as (keyof typeof need)[])
          .filter((key) => (need[key] ?? 0) > 0)
          .map((key) => (
            <li key={key}>
              <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
                <Mark purpose={MARKED[key]} x={10} y={10} d={13} />
              </svg>
              <span>
                <b>{units.rate(need[key] ?? 0)}</b>{' '}
                <Substances
                  text={units.heading('nutrient-rate', key === 'lime' ? 'CaCO3' : key === 'sulfur' ? 'free S' : key)}
                />
              </span>
              <span className="small">
                {units.weight(((need[key] ?? 0) * zone.areaSqFt) / 1000)}{' '}
                <Substances text={units.unit('weight', key === 'lime' ? 'CaCO3' : key === 'sulfur' ? 'S' : key)} />
              </span>
            </li>
          ))}
        {sulfur.yearLb > 0 && (
          <li>
            <span />
            <span>
              <b>{units.rate(sulfur.yearLb)}</b> {units.short('nutrient-rate', 'S')}, if it rides along
            </span>
            <span className="small">{units.say('weight', (sulfur.yearLb * zone.areaSqFt) / 1000, 'S')}</span>
          </li>
        )}
      </ul>
      {!need.lime && !need.sulfur && (
        <div className="typedneed">
          {TYPED_NEEDS.filter((key) => key !== 'P2O5' || phosphorus.yearLb > 0).map((key) => (
            <TextField
              key={key}
              label={key}
              unit={units.unit('nutrient-rate').replace(' per 1000 sq ft', ' / 1000')}
              inputMode="decimal"
              value={typed[key] ?? (need[key] ? units.rate(need[key]) : '')}
              fault={faults[key]}
              onChange={(text) => setTyped(key, text)}
            />
          ))}
        </div>
      )}
      {potassium.yearLb === 0 && need.K2O === undefined && (
        <p className="small">
          The test asks for no K<sub>2</sub>O.
        </p>
      )}
      <h3>What judges here</h3>
      <ul className="judges">
        {judges.map((each) => (
          <li key={each.name}>
            <b>
              <Substances text={each.name} />
            </b>
            <span>
              <Said text={each.says} />
            </span>
          </li>
        ))}
      </ul>
      <h3>How the shelf is ranked</h3>
      <ol className="ranked">
        <li>Every need met, to {units.setting.system === 'us' ? 'a tenth of a pound' : '50 g'}.</li>
        <li>Fewest things against; buying is one, so stock goes first.</li>
        <li>Lowest cost of this job.</li>
      </ol>
      <p className="small">
        Right of the line and filled is wanted; left and open is not: K<sub>2</sub>O over or short, combined S,{' '}
        {units.short('material-rate', 'lime')} undone. The thin lines stand at a whole need. Salt counts the fast part,
        as {units.short('nutrient-rate', 'sodium nitrate')}.
      </p>
      <p className="links">
        <Link to={{ pathname: '../prescribe/bag', hash }} relative="route">
          <Button tabIndex={-1}>Check a bag</Button>
        </Link>
      </p>
    </aside>
  );
}
