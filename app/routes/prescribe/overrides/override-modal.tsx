import { Button, Modal } from 'antd';
import { useEffect, useState } from 'react';
import { Fault, TextField } from '../../../ui/field';
import { showExact } from '@core/words/numbers';
import { Substances } from '../../../ui/substance';
import type { OwnAsk } from '../lines/line';
import type { Answer, Sent } from '../prescribe-action';
import { Unsaved } from '../../../ui/unsaved';
import { usePropertyWork } from '../../../work/property-work';
import { useSend } from '../../../work/send';
import { useDraft } from '../../../work/use-draft';

interface OwnModalProps {
  ask: OwnAsk;
  zoneId: string;
  by: string;
  onClose: () => void;
}

/** An override with its reason; the rule's own stays visible everywhere. */
export function OverrideModal({ ask, zoneId, by, onClose }: OwnModalProps) {
  const [typed, setTyped] = useState({
    value: ask.own ? showExact(ask.own.value) : '',
    reason: ask.own?.reason ?? '',
    by: ask.own?.by ?? by,
  });
  const [first] = useState(typed);
  const { file } = usePropertyWork();
  const place = `${file.property.id}/override/${zoneId}/${ask.line}`;
  const { fetcher, send } = useSend<Sent, Answer>();
  const { offered } = useDraft({
    place,
    typed,
    dirty: JSON.stringify(typed) !== JSON.stringify(first),
    savedBy: fetcher.data && !fetcher.data.faults ? fetcher.data : undefined,
    load: setTyped,
  });
  const kept = fetcher.state === 'idle' && fetcher.data !== undefined && !fetcher.data.faults;
  useEffect(() => {
    if (kept) onClose();
  }, [kept, onClose]);
  const faults = fetcher.state === 'idle' ? (fetcher.data?.faults ?? {}) : {};
  const keep = () => send({ intent: 'own', zoneId, line: ask.line, typed });
  return (
    <Modal
      title={`Override: ${ask.name}`}
      open
      onCancel={onClose}
      footer={[
        ask.own && (
          <Button key="drop" onClick={() => send({ intent: 'drop-own', zoneId, line: ask.line })}>
            Back to the rule
          </Button>
        ),
        <Button key="cancel" onClick={onClose}>
          Cancel
        </Button>,
        <Button key="keep" type="primary" onClick={keep}>
          Save override
        </Button>,
      ]}
    >
      <Unsaved offered={offered} />
      <p className="small ownrule">
        {ask.rule === undefined ? (
          'The rule gives nothing here.'
        ) : (
          <>
            The rule gives {showExact(ask.rule, 3)} <Substances text={ask.unit} />.
          </>
        )}{' '}
        It stays beside yours on every sheet. A local code holds over both.
      </p>
      <TextField
        label="Your figure"
        unit={ask.unit}
        inputMode="decimal"
        value={typed.value}
        fault={faults.value}
        autoFocus
        onChange={(value) => setTyped((before) => ({ ...before, value }))}
        onEnter={keep}
      />
      <TextField
        label="Why"
        value={typed.reason}
        fault={faults.reason}
        onChange={(reason) => setTyped((before) => ({ ...before, reason }))}
        onEnter={keep}
      />
      <TextField
        label="Name"
        unit="optional"
        value={typed.by}
        fault={faults.by}
        onChange={(name) => setTyped((before) => ({ ...before, by: name }))}
        onEnter={keep}
      />
      <Fault>{faults.storage ?? faults.line}</Fault>
    </Modal>
  );
}
