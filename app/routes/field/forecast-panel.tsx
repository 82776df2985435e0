import { Button } from 'antd';
import { type ReactNode, useState } from 'react';
import type { GoWindow, HourVerdict } from '@core/field/hours';
import { sayHour, sayWeekday } from '@core/words/days';
import { ChoiceField, Fault } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { listStations, type StationEntry } from '../../work/weather-service';
import type { ForecastNow } from '@core/field/forecast-now';
import { HoursStrip } from './hours-strip';

const sayMoment = (hour: string): string => `${sayWeekday(hour.slice(0, 10))}, ${sayHour(Number(hour.slice(11, 13)))}`;

/** A window in words: 'Thu 10 Sep, 7 am to 11 am: wind about 5 mph'. */
export const sayWindow = ({ from, to }: GoWindow): string =>
  `${sayMoment(from)} to ${sayHour(Number(to.slice(11, 13)) + 1)}`;

interface ForecastPanelProps {
  forecast: ForecastNow | undefined;
  verdicts: readonly HourVerdict[];
  windows: readonly GoWindow[];
  /** Whether ground and turf were taken as good because nobody has looked yet. */
  assumed: boolean;
  weekEnds: string;
  lastDay: string;
  fault: string | undefined;
  onGet: (station: string) => Promise<boolean>;
  /** Takes a window along as a calendar file. */
  onRemind: (window: GoWindow) => void;
  /** What stands in for a forecast where there is none. */
  children?: ReactNode;
}

/** The forecast of the simulated weather service, and where in its ten days the job is open. */
export function ForecastPanel({
  forecast,
  verdicts,
  windows,
  assumed,
  weekEnds,
  lastDay,
  fault,
  onGet,
  onRemind,
  children,
}: ForecastPanelProps) {
  const units = useUnits();
  const [stations, setStations] = useState<StationEntry[]>([]);
  const [picked, setPicked] = useState<string>();
  const station = picked ?? forecast?.station.id ?? stations[0]?.id;
  const [unreached, setUnreached] = useState<string>();
  const [getting, setGetting] = useState(false);
  // asked for when somebody wants one: without a network the page goes on without
  const open = async () => {
    const found = await listStations();
    if (typeof found === 'string') setUnreached(found);
    else {
      setUnreached(undefined);
      setStations(found);
    }
  };
  const get = async () => {
    if (station === undefined) return;
    setGetting(true);
    await onGet(station);
    setGetting(false);
  };
  return (
    <section className="forecast" aria-labelledby="forecast">
      <h2 id="forecast">The hours</h2>
      {forecast && (
        <p className={forecast.standing === 'fresh' ? 'small' : 'caution small'}>
          {forecast.station.name}, forecast of {sayMoment(forecast.issued)}
          {forecast.standing === 'old' && ': over 12 h old, get a new one'}
          {forecast.standing === 'too-old' && ': over 24 h old, nothing of it counts'}
        </p>
      )}
      <div className="gateacts">
        {stations.length > 0 && (
          <ChoiceField
            label="Station"
            value={station ?? ''}
            options={stations.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={setPicked}
          />
        )}
        {stations.length === 0 && !forecast ? (
          <Button onClick={() => void open()}>Choose a weather station</Button>
        ) : (
          <>
            <Button loading={getting} onClick={() => void get()}>
              Get the forecast
            </Button>
            {stations.length === 0 && <Button onClick={() => void open()}>Another station</Button>}
          </>
        )}
      </div>
      <Fault>{unreached ?? fault}</Fault>
      {children}
      {verdicts.length > 0 && (
        <>
          <HoursStrip verdicts={verdicts} weekEnds={weekEnds} />
          {windows.length > 0 ? (
            <ol className="windows">
              {windows.slice(0, 3).map((window) => (
                <li key={window.from}>
                  <b>{sayWindow(window)}</b>: wind about {units.say('speed', window.meanWindMph)}
                  {window.from.slice(0, 10) > weekEnds && ', after the week of this dose'}{' '}
                  <button
                    type="button"
                    className="link"
                    aria-label={`Remind me of ${sayWindow(window)}`}
                    onClick={() => onRemind(window)}
                  >
                    Remind me
                  </button>
                </li>
              ))}
            </ol>
          ) : (
            <p className="caution small">
              {lastDay < (verdicts.at(-1)?.at ?? '').slice(0, 10)
                ? `No open hour before ${sayWeekday(lastDay)}, the last day of this dose: look at the plan.`
                : 'No open hour in these ten days.'}
            </p>
          )}
          <p className="small">
            {assumed
              ? 'If the ground is firm and the turf grows on the day: that is looked at, not forecast.'
              : 'The ground and the turf as they are now count for today; later days are looked at then.'}
          </p>
        </>
      )}
    </section>
  );
}
