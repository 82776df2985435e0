import { WEEKDAYS, type Weekday } from '@core/records/case';
import type { DaysOf, TypedCode } from './typed-code';

const NAMES: Record<DaysOf, string> = { odd: 'odd', even: 'even', all: 'all' };
const LONG: Record<Weekday, string> = {
  Mon: 'Monday',
  Tue: 'Tuesday',
  Wed: 'Wednesday',
  Thu: 'Thursday',
  Fri: 'Friday',
  Sat: 'Saturday',
  Sun: 'Sunday',
};
const MINUTES_A_DAY = 1440;

/** Minutes since midnight of a time that can be read. */
const minutesOf = (clock: string): number | undefined => {
  const [, hours, minutes] = /^(\d{2}):(\d{2})$/.exec(clock) ?? [];
  return hours === undefined ? undefined : Number(hours) * 60 + Number(minutes);
};

/** The week of days on which a place lets lawns be watered, by the number of the house: a drop is an allowed day. */
export function WateringWeek({
  watering,
  onChange,
}: {
  watering: TypedCode['watering'];
  onChange: (days: TypedCode['watering']['days']) => void;
}) {
  const { days, closedHours } = watering;
  const byNumber = days.odd !== undefined || days.even !== undefined;
  const rows: DaysOf[] = byNumber ? ['odd', 'even'] : ['all'];
  const toggle = (who: DaysOf, day: Weekday) => {
    const now = days[who] ?? [];
    const next = now.includes(day) ? now.filter((each) => each !== day) : [...now, day];
    const { [who]: _none, ...others } = days;
    onChange(
      next.length === 0 && (who === 'all' || !Object.values(others).some((each) => (each as Weekday[]).length > 0))
        ? others
        : { ...days, [who]: next },
    );
  };
  return (
    <div className="wateringweek">
      <table>
        <thead>
          <tr>
            <td />
            {WEEKDAYS.map((day) => (
              <th key={day} scope="col">
                {day}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((who) => (
            <tr key={who}>
              <th scope="row">{NAMES[who]}</th>
              {WEEKDAYS.map((day) => {
                const on = days[who]?.includes(day) ?? false;
                return (
                  <td key={day}>
                    <button
                      type="button"
                      className="wday"
                      aria-pressed={on}
                      aria-label={`${LONG[day]}, ${NAMES[who]} numbers`}
                      onClick={() => toggle(who, day)}
                    >
                      {on && (
                        <svg width="12" height="14" viewBox="0 0 12 14" aria-hidden="true">
                          <path
                            d="M6 1C8.500 4.500 10.500 6.800 10.500 9a4.500 4.500 0 0 1-9 0C1.500 6.800 3.500 4.500 6 1Z"
                            fill="var(--slate)"
                          />
                        </svg>
                      )}
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <svg
        className="hours"
        width="100%"
        height="16"
        viewBox="0 0 276 16"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <rect x=".5" y=".5" width="275" height="15" fill="var(--slate-wash)" stroke="var(--edge)" />
        {closedHours.flatMap(({ from, to }, i) => {
          const [a, b] = [minutesOf(from), minutesOf(to)];
          if (a === undefined || b === undefined || a === b) return [];
          const parts =
            a < b
              ? [[a, b]]
              : [
                  [0, b],
                  [a, MINUTES_A_DAY],
                ];
          return parts.map(([left = 0, right = 0]) => (
            <rect
              key={`${i}-${left}`}
              x={(left / MINUTES_A_DAY) * 276}
              y=".5"
              width={((right - left) / MINUTES_A_DAY) * 276}
              height="15"
              fill="var(--lichen)"
              stroke="var(--loam)"
            />
          ));
        })}
      </svg>
      <p className="ends small">
        <span>midnight</span>
        <span>{closedHours.length > 0 ? 'blank: no water' : 'water at any hour'}</span>
        <span>midnight</span>
      </p>
    </div>
  );
}
