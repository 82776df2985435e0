import { Button, Select } from 'antd';
import type { CodeTarget, ZoneTarget } from '@core/files/match-sample';
import { Fault } from '../../ui/field';
import { showArea } from '@core/words/numbers';
import { sayDate } from '@core/words/days';
import type { Intake, ReadSummary } from '../../workers/table-intake';

interface FoundProps {
  summary: ReadSummary;
  targets: { codes: CodeTarget[]; zones: ZoneTarget[] };
  fault: string | undefined;
  onAssign: (sample: string, to: Intake['assigned'][string]) => void;
  onBack: () => void;
  onCancel: () => void;
  onStore: () => void;
  onSaveRejected: () => void;
}

/** Zones a person may choose from; more than this are found by typing. */
const MOST_OPTIONS = 400;

/** Which sample goes to which zone, what has no zone, and what could not be read. */
export function Found({ summary, targets, fault, onAssign, onBack, onCancel, onStore, onSaveRejected }: FoundProps) {
  const nameOf = (propertyId: string, zoneId: string) => {
    const zone = targets.zones.find((z) => z.propertyId === propertyId && z.zoneId === zoneId);
    return zone ? `${zone.propertyName}, ${zone.zoneName}` : zoneId;
  };
  const options = [
    { value: 'leave-out', label: 'leave it out' },
    ...targets.zones
      .slice(0, MOST_OPTIONS)
      .map((z) => ({ value: `${z.propertyId}\n${z.zoneId}`, label: `${z.propertyName}, ${z.zoneName}` })),
  ];
  return (
    <div className="found">
      <p>
        <b>{showArea(summary.fresh)}</b> {summary.fresh === 1 ? 'report' : 'reports'} for {summary.properties}{' '}
        {summary.properties === 1 ? 'property' : 'properties'}
        {summary.known > 0 && <>, {summary.known} here already</>}
        {summary.rejectedCount > 0 && <>; {showArea(summary.rejectedCount)} lines not taken</>}.
      </p>
      {summary.unmatched.length > 0 && (
        <section aria-labelledby="unmatched">
          <h2 id="unmatched">Samples without a zone</h2>
          <table>
            <tbody>
              {summary.unmatched.map(({ sample, count, why }) => (
                <tr key={sample}>
                  <th scope="row">{sample || '(no name)'}</th>
                  <td className="small">
                    {count > 1 && `${count} lines, `}
                    {why}
                  </td>
                  <td>
                    <Select
                      size="small"
                      aria-label={`Zone of ${sample || 'the unnamed sample'}`}
                      placeholder="Choose its zone"
                      style={{ width: 280 }}
                      options={options}
                      showSearch={{ optionFilterProp: 'label' }}
                      virtual={false}
                      onChange={(value: string) => {
                        const [propertyId, zoneId] = value.split('\n');
                        onAssign(
                          sample,
                          value === 'leave-out'
                            ? 'leave-out'
                            : { propertyId: propertyId as string, zoneId: zoneId as string },
                        );
                      }}
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      {summary.shown.length > 0 && (
        <section aria-labelledby="tostore">
          <h2 id="tostore">To be stored</h2>
          <table>
            <thead>
              <tr>
                <th scope="col">Line</th>
                <th scope="col">Sample</th>
                <th scope="col">Zone</th>
                <th scope="col">Sampled</th>
                <th scope="col">Results</th>
              </tr>
            </thead>
            <tbody>
              {summary.shown.map((s) => (
                <tr key={`${s.line}${s.sample}`}>
                  <td>{s.line}</td>
                  <td>{s.sample}</td>
                  <td>{nameOf(s.propertyId, s.zoneId)}</td>
                  <td>{sayDate(s.sampledOn)}</td>
                  <td>{s.results}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {summary.fresh > summary.shown.length && (
            <p className="small">and {showArea(summary.fresh - summary.shown.length)} more</p>
          )}
        </section>
      )}
      {summary.rejected.length > 0 && (
        <section aria-labelledby="rejected">
          <h2 id="rejected">Not taken</h2>
          <table>
            <tbody>
              {summary.rejected.map((r) => (
                <tr key={`${r.line}${r.why}`}>
                  <td>line {r.line}</td>
                  <td>{r.why}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Button onClick={onSaveRejected}>Export the rejected lines</Button>
        </section>
      )}
      <Fault>{fault}</Fault>
      <p className="actions">
        <Button type="primary" disabled={summary.fresh === 0} onClick={onStore}>
          Save {showArea(summary.fresh)} {summary.fresh === 1 ? 'report' : 'reports'}
        </Button>
        <Button onClick={onBack}>Back to the columns</Button>
        <Button onClick={onCancel}>Cancel</Button>
      </p>
    </div>
  );
}
