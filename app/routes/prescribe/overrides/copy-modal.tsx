import './copy-modal.css';
import { Button, Checkbox, Modal, Select } from 'antd';
import { useState } from 'react';
import { type FetcherWithComponents, useFormAction } from 'react-router';
import type { Zone } from '@core/records/case';
import { type CopiedLine, differencesOf, linesToCopy } from '@core/prescription/copy-prescription';
import { latestTest } from '@core/soil/report';
import { Fault, TextField } from '../../../ui/field';
import { StopGlyph, WarnGlyph } from '../../../ui/glyphs';
import { Said, Substances } from '../../../ui/substance';
import { useDone } from '../../../work/use-done';
import type { PropertyWork } from '../../../work/property-work';
import type { Answer } from '../prescribe-action';
import { undoOf } from '../../../work/property-action';
import { sendBy } from '../../../work/send';
import { useUnits } from '../../../ui/format';

interface CopyModalProps {
  work: PropertyWork;
  from: Zone;
  by: string;
  fetcher: FetcherWithComponents<Answer>;
  onClose: () => void;
}

/** A prescription put on another zone: first the differences, then what would be copied and what may not be. */
export function CopyModal({ work, from, by, fetcher, onClose }: CopyModalProps) {
  const units = useUnits();
  const others = work.file.zones.filter((zone) => zone.id !== from.id);
  const [toId, setToId] = useState<string>();
  const [seen, setSeen] = useState(false);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [reason, setReason] = useState('');
  const [fault, setFault] = useState<string>();
  const done = useDone();
  const action = useFormAction();
  const tests = work.file.soilTests ?? [];
  const to = others.find((zone) => zone.id === toId);
  const of = (zone: Zone) => work.season.zones.find((each) => each.zone.id === zone.id)?.prescription;
  const [source, target] = [of(from), to && of(to)];
  const differences =
    to &&
    differencesOf(
      { zone: from, test: latestTest(tests, from.id) },
      { zone: to, test: latestTest(tests, to.id) },
      work.packs,
    );
  const lines: CopiedLine[] = source && target ? linesToCopy(source, target) : [];
  const copy = async () => {
    if (!to) return;
    if (reason.trim().length < 3) return setFault('Say why the same prescription fits there; the reason is printed.');
    const chosen = lines.filter((line) => !left.has(line.line));
    const sent = { zoneId: to.id, fromName: from.name, lines: chosen, reason: reason.trim(), ...(by ? { by } : {}) };
    const copied = await done(
      () => sendBy(fetcher, { intent: 'copy', ...sent }, action),
      `The prescription of ${from.name} stands on ${to.name} as overrides.`,
      (answer) => sendBy(fetcher, undoOf(answer), action),
    );
    if (copied) onClose();
  };
  return (
    <Modal
      title={`Copy the prescription of ${from.name}`}
      open
      width={640}
      onCancel={onClose}
      footer={[
        <Button key="cancel" onClick={onClose}>
          Cancel
        </Button>,
        <Button key="copy" type="primary" disabled={!to || !seen} onClick={() => void copy()}>
          Copy
        </Button>,
      ]}
    >
      <div className="copying">
        <Select
          aria-label="Onto the zone"
          placeholder="onto which zone?"
          value={toId}
          options={others.map((zone) => ({ value: zone.id, label: zone.name }))}
          onChange={(id) => {
            setToId(id);
            setSeen(false);
            setLeft(new Set());
          }}
          virtual={false}
        />
        {to && differences && (
          <>
            <h3>
              {differences.length === 0
                ? 'They differ in nothing that matters'
                : `${differences.length} ${differences.length === 1 ? 'difference' : 'differences'} first`}
            </h3>
            <table className="differences">
              <tbody>
                {differences.map((each) => (
                  <tr key={each.what}>
                    <th scope="row">{each.what}</th>
                    <td>{each.from}</td>
                    <td>
                      <WarnGlyph /> {each.to}
                    </td>
                    <td className="small">
                      <Said text={each.matters} />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <Checkbox checked={seen} onChange={(event) => setSeen(event.target.checked)}>
              {differences.length === 0 ? 'It fits there as well' : 'I have read them, and it fits there all the same'}
            </Checkbox>
            <h3>What would be copied, per {units.areaOf('nutrient-rate')}</h3>
            <ul className="copylines">
              {lines.map((line) => (
                <li key={line.line}>
                  {line.refused ? (
                    <>
                      <StopGlyph />
                      <span>
                        {line.name} is not copied: <Said text={line.refused} />
                      </span>
                    </>
                  ) : (
                    <Checkbox
                      checked={!left.has(line.line)}
                      onChange={(event) =>
                        setLeft((before) => {
                          const next = new Set(before);
                          if (event.target.checked) next.delete(line.line);
                          else next.add(line.line);
                          return next;
                        })
                      }
                    >
                      {line.name}, {units.rate(line.value)}{' '}
                      <Substances text={units.short('nutrient-rate', line.unit)} />
                    </Checkbox>
                  )}
                </li>
              ))}
            </ul>
            <TextField label="Why it fits there" value={reason} fault={fault} onChange={setReason} />
          </>
        )}
        <Fault>{fetcher.data?.faults?.storage}</Fault>
      </div>
    </Modal>
  );
}
