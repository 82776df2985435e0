import { Button } from 'antd';
import { LEAF_SOURCE } from '@core/reports/water-and-leaves';
import { reportAnalyteName } from '@core/reports/terms/names';
import { significant } from '@core/words/numbers';
import { WarnGlyph } from '../../ui/glyphs';
import type { ReadSummary } from '../../workers/report-intake';

const PLACE = { low: 'under', enough: 'inside', high: 'over' } as const;

/** What a report of water or of leaves is for: the property's irrigation water, or a reading that gives no rate. */
export function OtherKind({
  summary,
  home,
  onSoil,
  onWater,
}: {
  summary: ReadSummary;
  home: string | undefined;
  onSoil: () => void;
  onWater: (at: number) => void;
}) {
  const { kind } = summary.facts;
  const isWater = kind.value === 'water';
  return (
    <section className="slipbox" aria-label="What the report is of">
      <p className="sliphead">
        <WarnGlyph /> <b>{isWater ? 'A report of water' : 'A report of leaves'}</b>{' '}
        <span>
          told by {kind.because}. It is not stored as a soil test
          {isWater && home ? `; ${home} can take it as its water` : ''}.
        </span>
      </p>
      {!isWater &&
        summary.leaves.map(({ label, findings }) => (
          <table key={label} className="leaves">
            <caption>
              {label}: against {LEAF_SOURCE}; leaves say what was taken up, not what to spread
            </caption>
            <tbody>
              {findings.map(({ analyte, value, unit, low, high, place }) => (
                <tr key={analyte}>
                  <th scope="row">{reportAnalyteName(analyte)}</th>
                  <td className="num">
                    {significant(value, 4)} {unit}
                  </td>
                  <td>
                    {PLACE[place]} {low} to {high}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        ))}
      <p className="actions">
        {isWater &&
          home &&
          summary.waters.map((label, i) => (
            <Button key={label} type="primary" size="small" onClick={() => onWater(i)}>
              {summary.waters.length > 1 ? `Use ${label} as irrigation water` : 'Use as irrigation water'}
            </Button>
          ))}
        {isWater && !home && (
          <span className="small">Open this page from a property to use it as its irrigation water.</span>
        )}
        <Button size="small" onClick={onSoil}>
          It is of soil
        </Button>
      </p>
    </section>
  );
}
