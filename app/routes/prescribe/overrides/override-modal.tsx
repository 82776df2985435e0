import { Button, Modal } from 'antd';
import { Fault, TextField } from '../../../ui/field';
import { Substances } from '../../../ui/substance';
import type { OwnAsk } from '../lines/line';
import type { Answer, Sent, TypedOwn } from '../prescribe-action';
import { Unsaved } from '../../../ui/unsaved';
import { usePropertyWork } from '../../../work/use-property-work';
import { useTypedSlip } from '../../../work/use-typed-slip';
import { useUnits } from '../../../ui/format';
import { FieldTexts } from '../../../work/typed-fields';

interface OwnModalProps {
  ask: OwnAsk;
  zoneId: string;
  by: string;
  onClose: () => void;
}

/** An override with its reason; the rule's own stays visible everywhere. */
export function OverrideModal({ ask, zoneId, by, onClose }: OwnModalProps) {
  const units = useUnits();
  const { file } = usePropertyWork();
  const { typed, type, faults, offered, send } = useTypedSlip<TypedOwn, Sent, Answer>(
    `${file.property.id}/override/${zoneId}/${ask.line}`,
    () => {
      const fields = new FieldTexts(units, file.zones.find((zone) => zone.id === zoneId)?.typed);
      return {
        value: fields.text(`own.${ask.line}`, ask.own?.value, ask.quantity),
        reason: ask.own?.reason ?? '',
        by: ask.own?.by ?? by,
        held: fields.first,
      };
    },
    onClose,
  );
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
            The rule gives {ask.quantity ? units.exact(ask.quantity, ask.rule) : units.plain(ask.rule, 3)}{' '}
            <Substances text={ask.unit} />.
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
        onChange={(value) => type({ value })}
        onEnter={keep}
      />
      <TextField
        label="Why"
        value={typed.reason}
        fault={faults.reason}
        onChange={(reason) => type({ reason })}
        onEnter={keep}
      />
      <TextField
        label="Name"
        unit="optional"
        value={typed.by}
        fault={faults.by}
        onChange={(name) => type({ by: name })}
        onEnter={keep}
      />
      <Fault>{faults.storage ?? faults.line}</Fault>
    </Modal>
  );
}
