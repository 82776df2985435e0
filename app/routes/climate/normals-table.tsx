import type { Climate } from '@core/records/case';
import { MONTHS } from '../../ui/year-plot';
import type { ClimateDraft } from './climate-source';
import { type QuantityId, useUnits } from '../../ui/format';

/** Twelve months of a climate; beside a draft what stands now, where it differs. */
export function NormalsTable({ shown, before }: { shown: ClimateDraft; before?: ClimateDraft }) {
  const units = useUnits();
  const shownAs = (quantity: QuantityId) => (value: number | undefined) =>
    value === undefined ? '–' : units.show(quantity, value);
  const [degrees, rain] = [shownAs('temperature'), shownAs('rain')];
  const cell = (of: (climate: Climate) => number | undefined, say: (value: number | undefined) => string) => {
    const [is, was] = [say(of(shown.climate)), before && say(of(before.climate))];
    return (
      <td>
        {is}
        {was !== undefined && was !== is && <s>{was}</s>}
      </td>
    );
  };
  return (
    <table className="normals">
      <thead>
        <tr>
          <th scope="col">Month</th>
          <th scope="col">High, {units.unit('temperature')}</th>
          <th scope="col">Low, {units.unit('temperature')}</th>
          <th scope="col">Rain, {units.unit('rain')}</th>
        </tr>
      </thead>
      <tbody>
        {MONTHS.map((month, m) => (
          <tr key={month}>
            <th scope="row">{month}</th>
            {cell((c) => c.meanHighF[m], degrees)}
            {cell((c) => c.meanLowF[m], degrees)}
            {cell((c) => c.rainIn?.[m], rain)}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
