import { Button, Modal, Segmented } from 'antd';
import { useState } from 'react';
import { type Decision, usualDecision } from '@core/files/compare-cases';
import { grouped } from '@core/words/numbers';
import type { Asked, Survey } from '../../workers/case-intake';

/** Rows shown; what is not shown is decided as usual, or by the buttons for all. */
const MOST_ROWS = 200;

const STANDING: Record<Asked['standing'], string> = {
  same: 'the same',
  new: 'not here',
  'newer-here': 'changed later here',
  'newer-there': 'changed later in the file',
  differs: 'different; which is newer is not known',
};
const WHAT: Record<Asked['kind'], string> = {
  property: 'Its name, climate, water and codes',
  zones: 'Zone',
  soilTests: 'Soil report',
  samples: 'Sample',
  plans: 'Plan',
  runs: 'Run in the field',
  records: 'Record of the log',
  products: 'On the shelf',
};

interface ImportDialogProps {
  survey: Survey;
  onStore: (decisions: Record<string, Decision>) => void;
  onCancel: () => void;
}

/** A file whose records are not those that stand here: what is to stand, record by record. */
export function ImportDialog({ survey, onStore, onCancel }: ImportDialogProps) {
  const { asked, backup, same, fresh, own } = survey;
  const usual = () => Object.fromEntries(asked.map((each) => [each.key, usualDecision(each, backup)]));
  const [decisions, setDecisions] = useState<Record<string, Decision>>(usual);
  const all = (decision: Decision) => setDecisions(Object.fromEntries(asked.map((each) => [each.key, decision])));
  const takes = Object.values(decisions).filter((each) => each !== 'leave').length;
  return (
    <Modal
      title="Some of this is here already"
      open
      width={720}
      onCancel={onCancel}
      footer={[
        <Button key="cancel" onClick={onCancel}>
          Cancel
        </Button>,
        <Button key="import" type="primary" onClick={() => onStore(decisions)}>
          Import
        </Button>,
      ]}
    >
      <p>
        {grouped(asked.length, 0)} {asked.length === 1 ? 'record differs' : 'records differ'} from what is here: choose
        what is to stand.{' '}
        {same > 0 && `${grouped(same, 0)} ${same === 1 ? 'is' : 'are'} the same and ${same === 1 ? 'stays' : 'stay'}. `}
        {fresh > 0 && `${grouped(fresh, 0)} ${fresh === 1 ? 'is new and is' : 'are new and are'} added. `}
        Whatever is only here stays.
        {own &&
          own.newer + own.older > 0 &&
          ` Of own codes, packs, people and settings ${own.newer} here ${own.newer === 1 ? 'gives' : 'give'} way to a newer one, ${own.older} ${own.older === 1 ? 'stays' : 'stay'} as newer.`}
      </p>
      <p className="links">
        <Button onClick={() => setDecisions(usual())}>Take what is newer</Button>
        <Button onClick={() => all('leave')}>Keep all that is here</Button>
        <Button onClick={() => all('take')}>Take all from the file</Button>
      </p>
      <ul className="brought">
        {asked.slice(0, MOST_ROWS).map((each) => (
          <li key={each.key}>
            <span>
              <b>{each.kind === 'property' ? each.property : each.name}</b>
              <span className="small">
                {WHAT[each.kind]}
                {each.kind !== 'property' && each.kind !== 'products' && ` of ${each.property}`},{' '}
                {STANDING[each.standing]}
              </span>
            </span>
            <Segmented<Decision>
              aria-label={`What is to stand of ${each.name}`}
              value={decisions[each.key]}
              onChange={(to) => setDecisions((before) => ({ ...before, [each.key]: to }))}
              options={[
                { value: 'leave', label: 'Keep here' },
                { value: 'take', label: 'From the file' },
                ...(each.kind === 'products' ? [{ value: 'both' as const, label: 'Both' }] : []),
              ]}
            />
          </li>
        ))}
      </ul>
      {asked.length > MOST_ROWS && (
        <p className="small">The first {MOST_ROWS} are shown; the buttons above decide for all of them.</p>
      )}
      {takes === 0 && fresh === 0 && <p className="small">As chosen, nothing will change.</p>}
    </Modal>
  );
}
