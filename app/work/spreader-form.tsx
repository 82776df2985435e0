import { Button } from 'antd';
import { useState } from 'react';
import { type Spreader, SPREADER_KINDS } from '@core/records/spreader-schema';
import { isRefusal } from '@core/reckoning/refusal';
import { ChoiceField, TextField } from '../ui/field';
import { useUnits } from '../ui/format';

export type TypedSpreader = Pick<Spreader, 'name' | 'dialStep' | 'kind' | 'hopperLb' | 'swathFt'>;

/** A spreader of one's own: its name, the step of its dial, what it holds, how wide it lays. */
export function SpreaderForm({
  spreader,
  onSave,
}: {
  spreader: Spreader | undefined;
  onSave: (typed: TypedSpreader) => Promise<boolean>;
}) {
  const units = useUnits();
  const [name, setName] = useState(spreader?.name ?? '');
  const [kind, setKind] = useState<(typeof SPREADER_KINDS)[number]>(spreader?.kind ?? 'rotary');
  const [step, setStep] = useState(spreader ? String(spreader.dialStep) : '');
  const [hopper, setHopper] = useState(() => units.field('weight', spreader?.hopperLb));
  const [swath, setSwath] = useState(() => units.field('length', spreader?.swathFt));
  const [tried, setTried] = useState(false);
  const dialStep = units.readPlain(step, 'Step of the dial', 'step');
  const hopperLb = units.value('weight', hopper, 'Hopper', 'hopper');
  const swathFt = units.value('length', swath, 'Swath', 'swath');
  const faults = {
    name: tried && name.trim() === '' ? 'A spreader needs a name.' : undefined,
    step: isRefusal(dialStep)
      ? dialStep.refused
      : tried && (dialStep === undefined || dialStep <= 0 || dialStep > 100)
        ? 'Type the smallest step of its dial: 1, 0.5 or 0.25.'
        : undefined,
    hopper: isRefusal(hopperLb)
      ? hopperLb.refused
      : hopperLb !== undefined && (hopperLb <= 0 || hopperLb > 10_000)
        ? 'Type what the hopper takes, above nothing.'
        : undefined,
    swath: isRefusal(swathFt)
      ? swathFt.refused
      : swathFt !== undefined && (swathFt <= 0 || swathFt > 200)
        ? `A swath is above nothing and at most ${units.say('length', 200)}.`
        : undefined,
  };
  const save = async () => {
    setTried(true);
    if (name.trim() === '' || typeof dialStep !== 'number' || dialStep <= 0 || dialStep > 100) return;
    if (faults.hopper || faults.swath) return;
    const saved = await onSave({
      name: name.trim(),
      dialStep,
      kind,
      hopperLb: typeof hopperLb === 'number' ? hopperLb : undefined,
      swathFt: typeof swathFt === 'number' ? swathFt : undefined,
    });
    if (saved && !spreader) {
      setName('');
      setStep('');
      setHopper('');
      setSwath('');
      setTried(false);
    }
  };
  return (
    <>
      <div className="kitfields">
        <TextField label="Name of the spreader" value={name} fault={faults.name} onChange={setName} />
        <ChoiceField
          label="Kind"
          value={kind}
          options={SPREADER_KINDS.map((value) => ({ value, label: value }))}
          onChange={setKind}
        />
        <TextField label="Step of the dial" inputMode="decimal" value={step} fault={faults.step} onChange={setStep} />
        <TextField
          label="Hopper takes"
          unit={units.unit('weight', 'product')}
          inputMode="decimal"
          value={hopper}
          fault={faults.hopper}
          onChange={setHopper}
        />
        <TextField
          label="Swath"
          unit={units.unit('length')}
          inputMode="decimal"
          value={swath}
          fault={faults.swath}
          onChange={setSwath}
          onEnter={() => void save()}
        />
      </div>
      <Button onClick={() => void save()}>{spreader ? 'Save' : 'Save spreader'}</Button>
    </>
  );
}
