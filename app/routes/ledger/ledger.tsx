import '../../ui/ruled-table.css';
import './ledger.css';
import { Button, Select } from 'antd';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { authorityLedger, COUNTED, PRINTED, yearsOfLog } from '@core/ledger/authority';
import { printAuthorityCsv } from '@core/files/authority-csv';
import { newId } from '@core/records/new-id';
import { sayDate, sayDay } from '@core/words/days';
import { useUnits } from '../../ui/format';
import { useKey } from '../../ui/keys';
import { makePdf } from '../../ui/make-pdf';
import { usePlace } from '../../ui/place';
import { saveFile, saveTextFile } from '../../ui/save-text-file';
import { Substances } from '../../ui/substance';
import { StageFault } from '../../work/stage-fault';
import { usePropertyWork } from '../../work/use-property-work';
import type { Route } from './+types/ledger';
import { capSays, countCells, inShown, lineCells, NAMES } from './ledger-cells';

/** The ledger of a year as an authority asks for it: lines, sums that add up to them, corrections in footnotes. */
export default function Ledger() {
  const units = useUnits();
  const { file, today, year: ofPlan } = usePropertyWork();
  const [place, setPlace] = usePlace();
  const location = useLocation();
  const years = useMemo(() => [...new Set([ofPlan, ...yearsOfLog(file)])].sort((a, b) => b - a), [file, ofPlan]);
  const asked = Number(place.get('year'));
  const year = years.includes(asked) ? asked : (yearsOfLog(file)[0] ?? ofPlan);
  const ledger = useMemo(() => authorityLedger(file, year, inShown(units)), [file, year, units]);
  useKey('print', () => window.print());
  const name = `${newId(file.property.name, [])}-ledger-${year}`;
  const exportPdf = async () => {
    const { ledgerDocument } = await import('./ledger-pdf');
    saveFile(await makePdf(ledgerDocument(file.property, ledger, today, units), `${name}.pdf`));
  };
  const isEmpty = ledger.lines.length + ledger.others.length + ledger.withdrawn.length === 0;
  return (
    <div className="ledger">
      <div className="pagehead">
        <h1>Ledger {year}</h1>
        <Select
          aria-label="Year"
          value={year}
          options={years.map((value) => ({ value, label: String(value) }))}
          onChange={(value) =>
            setPlace((before) => {
              before.set('year', String(value));
              return before;
            })
          }
        />
        <span className="sp" />
        <Link className="link" to={{ pathname: '..', hash: location.hash }} relative="path">
          Back to the log
        </Link>
        <Button
          disabled={isEmpty}
          onClick={() => saveTextFile(`${name}.csv`, printAuthorityCsv(authorityLedger(file, year)), 'text/csv')}
        >
          Export CSV
        </Button>
        <Button type="primary" disabled={isEmpty} onClick={() => void exportPdf()}>
          Export PDF
        </Button>
      </div>
      {isEmpty ? (
        <p className="lead nothing">Nothing was spread or sprayed in {year}, by the log.</p>
      ) : (
        <div className="ledgersheet" tabIndex={0} role="region" aria-label="The ledger, line by line">
          <table className="dosetable">
            <caption className="vh">What was spread in {year}</caption>
            <thead>
              <tr>
                <th scope="col" rowSpan={2}>
                  Day
                </th>
                <th scope="col" rowSpan={2}>
                  Zone
                </th>
                <th scope="col" rowSpan={2}>
                  What
                </th>
                <th scope="colgroup" colSpan={COUNTED.length} className="num">
                  In all
                </th>
                <th scope="colgroup" colSpan={COUNTED.length} className="num">
                  {units.perArea('nutrient-rate')}
                </th>
                <th scope="col" rowSpan={2}>
                  How and by whom
                </th>
              </tr>
              <tr>
                {[...COUNTED, ...COUNTED].map((each, i) => (
                  <th key={i} scope="col" className="num">
                    <Substances text={units.short('weight', NAMES[each])} />
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {ledger.lines.map((line, i) => {
                const cells = lineCells(line, units);
                return (
                  <tr key={i}>
                    <th scope="row">{cells.when}</th>
                    <td>{cells.where}</td>
                    <td>
                      {cells.what} {cells.notes}
                    </td>
                    {[...cells.inAll, ...cells.per1000].map((text, n) => (
                      <td key={n} className="num">
                        {text}
                      </td>
                    ))}
                    <td>{[cells.how, cells.who].filter(Boolean).join('; ')}</td>
                  </tr>
                );
              })}
            </tbody>
            <tfoot>
              {ledger.zones.map(({ zone, inAll, per1000 }) => (
                <tr key={zone.id}>
                  <th scope="row" colSpan={3}>
                    Sum of {zone.name}
                  </th>
                  {[...countCells(units, inAll, PRINTED.inAll), ...countCells(units, per1000, PRINTED.per1000)].map(
                    (text, n) => (
                      <td key={n} className="num">
                        {text}
                      </td>
                    ),
                  )}
                  <td />
                </tr>
              ))}
              <tr>
                <th scope="row" colSpan={3}>
                  Sum of {file.property.name}
                </th>
                {countCells(units, ledger.property, PRINTED.inAll).map((text, n) => (
                  <td key={n} className="num">
                    {text}
                  </td>
                ))}
                <td colSpan={COUNTED.length + 1} />
              </tr>
            </tfoot>
          </table>
          {capSays(ledger, units).map((text) => (
            <p key={text}>
              <Substances text={text} />
            </p>
          ))}
          {ledger.others.length > 0 && (
            <>
              <h2>Pesticides and growth regulators</h2>
              <ul>
                {ledger.others.map(({ recordId, date, zones, body: { facts = {}, operator, licenseNumber } }) => (
                  <li key={recordId}>
                    <b>{sayDay(date)}</b> {zones}:{' '}
                    {[
                      facts.productName,
                      facts.registrationNumber,
                      facts.target && `against ${facts.target}`,
                      facts.amountAsTyped,
                      operator,
                      licenseNumber,
                    ]
                      .filter(Boolean)
                      .join(', ')}
                  </li>
                ))}
              </ul>
            </>
          )}
          {ledger.notes.length > 0 && (
            <>
              <h2>Corrections</h2>
              <ul>
                {ledger.notes.map(({ no, says, at, by }) => (
                  <li key={no}>
                    ({no}) {says}. {sayDate(at.slice(0, 10))}, {by}.
                  </li>
                ))}
              </ul>
            </>
          )}
          {ledger.withdrawn.length > 0 && (
            <>
              <h2>Withdrawn</h2>
              <ul>
                {ledger.withdrawn.map(({ date, what, reason, by, at }) => (
                  <li key={date + what + at}>
                    {sayDay(date)}, {what}: {reason}. {sayDate(at.slice(0, 10))}, {by}.
                  </li>
                ))}
              </ul>
            </>
          )}
          <p className="small">
            Sums are sums of what is printed. Records are kept as the law where the work was done asks.
          </p>
        </div>
      )}
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Ledger" />;
}
