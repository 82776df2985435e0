import type { Ledger } from '@core/prescription/ledger';
import { sayDate } from '@core/words/days';
import { showExact, showWeight } from '@core/words/numbers';
import { Fig } from '../../../ui/fig';
import { Substances } from '../../../ui/substance';

/** What went down since the sample, against what the report asked: a column of numbers that adds up. */
export function LedgerLines({ ledger, substance }: { ledger: Ledger | undefined; substance: string }) {
  if (!ledger) return null;
  const lb = `lb ${substance}`;
  return (
    <table className="ledger">
      <caption>Since the sample of {sayDate(ledger.since)}</caption>
      <tbody>
        <tr>
          <th scope="row">Asked by the report</th>
          <td>
            {showWeight(ledger.requiredLb)} <Substances text={lb} />
          </td>
        </tr>
        {ledger.lines.map((line) => (
          <tr key={`${line.date}-${line.product}`}>
            <th scope="row">
              {sayDate(line.date)}, {line.product}
            </th>
            <td>
              −{showExact(line.lb, 1)} <Substances text={lb} />
            </td>
          </tr>
        ))}
        <tr className="left">
          <th scope="row">Outstanding</th>
          <td>
            <Fig figure={ledger.outstanding} show={showWeight} /> <Substances text={lb} />
          </td>
        </tr>
      </tbody>
    </table>
  );
}
