import { Radio } from 'antd';
import type { Choices } from '@core/records/case';
import { dayAt, dayOfYear } from '@core/days/day';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { COOL_SEASON_CHOICES, type CoolSeasonChoice } from '@core/season/rules/nitrogen-parts';
import { sayDay } from '@core/words/days';
import { Said } from '../../../ui/substance';
import { useUnits } from '../../../ui/format';

/** The year's nitrogen in its parts: what is aimed at in each, what the doses bring, and which way of sharing it is chosen. */
export function NitrogenPartsList({
  zoneSeason,
  year,
  onChoose,
}: {
  zoneSeason: ZoneSeason;
  year: number;
  onChoose: (choice: NonNullable<Choices['coolSeason']>) => void;
}) {
  const units = useUnits();
  const { parts, prescription, doses, season } = zoneSeason;
  const lb = prescription.nitrogen.year.value;
  if (!parts || !season || parts.parts.length === 0 || lb === 0 || prescription.establishment) return null;
  // the parts share out what the grass itself gets; a winter grass over it has a line of its own
  const winter = prescription.overseeding;
  const grownLb = lb - (winter?.yearLb ?? 0);
  const brought = (from: number, to: number) =>
    doses
      .filter((dose) => dayOfYear(dose.date) >= from && dayOfYear(dose.date) <= to)
      .reduce((sum, dose) => sum + (dose.delivers.N ?? 0), 0);
  const broughtInWinter = doses
    .filter((dose) => season.winter?.days[dayOfYear(dose.date)])
    .reduce((sum, dose) => sum + (dose.delivers.N ?? 0), 0);
  return (
    <>
      <table className="parts">
        <caption>Parts of the year</caption>
        <thead>
          <tr>
            <td />
            <th scope="col">aimed at</th>
            <th scope="col">doses bring</th>
          </tr>
        </thead>
        <tbody>
          {parts.parts.map((part) => (
            <tr key={part.id}>
              <th scope="row">
                {part.title}
                <span>
                  {sayDay(dayAt(year, part.from))} to {sayDay(dayAt(year, part.to))}
                </span>
              </th>
              <td>
                {units.rate(part.share * grownLb)} {units.short('nutrient-rate', 'N')}
              </td>
              <td>
                <b>{units.rate(brought(part.from, part.to))}</b> {units.short('nutrient-rate', 'N')}
              </td>
            </tr>
          ))}
          {winter && (
            <tr>
              <th scope="row">
                Winter grass
                <span>
                  <Said text={winter.says} />
                </span>
              </th>
              <td>
                {units.rate(winter.yearLb)} {units.short('nutrient-rate', 'N')}
              </td>
              <td>
                <b>{units.rate(broughtInWinter)}</b> {units.short('nutrient-rate', 'N')}
              </td>
            </tr>
          )}
        </tbody>
      </table>
      {parts.choice && (
        <details className="practice">
          <summary>
            How the year is shared out: {COOL_SEASON_CHOICES[parts.choice].title.toLowerCase()} here,{' '}
            {Object.keys(COOL_SEASON_CHOICES).length - 1} others
          </summary>
          <fieldset className="highph">
            <legend className="vh">How the year is shared out</legend>
            {(Object.keys(COOL_SEASON_CHOICES) as CoolSeasonChoice[]).map((id) => {
              const { title, because, against } = COOL_SEASON_CHOICES[id];
              return (
                <div key={id}>
                  <Radio checked={parts.choice === id} onChange={() => onChoose(id)}>
                    {title}
                  </Radio>
                  <p className="small">
                    {because} <i>Against:</i> {against}
                  </p>
                </div>
              );
            })}
          </fieldset>
        </details>
      )}
      <p className="small">
        <Said text={parts.because} />
        {prescription.nitrogen.steps.some((step) => step.id === 'part') &&
          ` Of the whole year ${units.exact('nutrient-rate', lb, 2)} ${units.short('nutrient-rate', 'N')} are left from ${sayDay(zoneSeason.from)} on.`}
      </p>
    </>
  );
}
