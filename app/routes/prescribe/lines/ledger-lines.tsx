import type { Ledger } from '@core/prescription/ledger';
import { sayDate } from '@core/words/days';
import { Fig } from '../../../ui/fig';
import { Substances } from '../../../ui/substance';
import { useUnits } from '../../../ui/format';

/** What went down since the sample, against what the report asked: a column of numbers that adds up. */
export function LedgerLines({ ledger, substance }: { ledger: Ledger | undefined; substance: string }) {
  const units = useUnits();
  if (!ledger) return null;
  const of = units.short('material-rate', substance);
  const material = (lb: number) => units.show('material-rate', lb);
  return (
    <table className="ledger">
      <caption>Since the sample of {sayDate(ledger.since)}</caption>
      <tbody>
        <tr>
          <th scope="row">Asked by the report</th>
          <td>
            {material(ledger.requiredLb)} <Substances text={of} />
          </td>
        </tr>
        {ledger.lines.map((line) => (
          <tr key={`${line.date}-${line.product}`}>
            <th scope="row">
              {sayDate(line.date)}, {line.product}
            </th>
            <td>
              −{units.exact('material-rate', line.lb, 1)} <Substances text={of} />
            </td>
          </tr>
        ))}
        <tr className="left">
          <th scope="row">Outstanding</th>
          <td>
            <Fig figure={ledger.outstanding} show={material} /> <Substances text={of} />
          </td>
        </tr>
      </tbody>
    </table>
  );
}
