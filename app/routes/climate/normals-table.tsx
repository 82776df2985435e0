import type { Climate } from '@core/records/case';
import { MONTHS } from '../../ui/year-plot';
import type { ClimateDraft } from './climate-source';
import { fixed } from '@core/words/numbers';

const whole = (value: number | undefined): string => (value === undefined ? '–' : fixed(value, 0));
const tenth = (value: number | undefined): string => (value === undefined ? '–' : fixed(value, 1));

/** Twelve months of a climate; beside a draft what stands now, where it differs. */
export function NormalsTable({ shown, before }: { shown: ClimateDraft; before?: ClimateDraft }) {
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
          <th scope="col">High, °F</th>
          <th scope="col">Low, °F</th>
          <th scope="col">Rain, in</th>
        </tr>
      </thead>
      <tbody>
        {MONTHS.map((month, m) => (
          <tr key={month}>
            <th scope="row">{month}</th>
            {cell((c) => c.meanHighF[m], whole)}
            {cell((c) => c.meanLowF[m], whole)}
            {cell((c) => c.rainIn?.[m], tenth)}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
