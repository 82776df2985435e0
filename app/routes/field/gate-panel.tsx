import { Button } from 'antd';
import { useState } from 'react';
import { type Gate, rateOfCatch, withoutCatch } from '@core/field/gate';
import { nextOpening } from '@core/field/opening';
import { Link } from 'react-router';
import type { Catch, Spreader } from '@core/records/spreader-schema';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { placeHash } from '../../ui/place';
import { ChoiceField, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { SpreaderForm, type TypedSpreader } from '../../work/spreader-form';
import { CatchVerdict, GateSaid } from '../../work/gate-said';

const NEW = 'new';

interface GatePanelProps {
  spreaders: readonly Spreader[];
  chosen: Spreader | undefined;
  onChoose: (id: string | undefined) => void;
  onSave: (spreader: Spreader | TypedSpreader) => Promise<boolean>;
  onDelete: (spreader: Spreader) => unknown;
  gate: Gate | undefined;
  /** What one pass is to lay, lb product/1000 ft2. */
  targetLb: number;
  /** What a catch made now is of. */
  stamp: Pick<Catch, 'productId' | 'on' | 'operator' | 'lot' | 'swathFt'>;
  productName: string;
}

/** One catch over a measured strip, with its arithmetic and what it means for the gate. */
function NewCatch({
  chosen,
  stamp,
  targetLb,
  gate,
  onSave,
  onDelete,
}: GatePanelProps & { chosen: Spreader; gate: Gate }) {
  const units = useUnits();
  const [opening, setOpening] = useState('');
  const [caught, setCaught] = useState('');
  const [strip, setStrip] = useState(() => units.field('length', 80));
  const [tried, setTried] = useState(false);
  const read = {
    opening: units.readPlain(opening, 'Opening', 'opening'),
    caught: units.value('weight', caught, 'Caught', 'caught'),
    strip: units.value('length', strip, 'Strip', 'strip'),
  };
  const faultOf = (value: (typeof read)[keyof typeof read], [least, most]: readonly [number, number], says: string) =>
    isRefusal(value)
      ? value.refused
      : value === undefined
        ? tried
          ? says
          : undefined
        : value < least || value > most
          ? says
          : undefined;
  const faults = {
    opening: faultOf(read.opening, [0, 1000], 'Type where the gate stood on the dial.'),
    caught: faultOf(read.caught, [1e-6, 1000], 'Type what was caught, above nothing.'),
    strip: faultOf(read.strip, [1, 10_000], 'Type how long the strip was that was walked.'),
  };
  const numbers =
    Object.values(read).every((value) => typeof value === 'number') && !Object.values(faults).some(Boolean);
  const made: Catch | undefined = numbers
    ? { ...stamp, opening: read.opening as number, caughtLb: read.caught as number, distanceFt: read.strip as number }
    : undefined;
  const rateLb = made && rateOfCatch(made);
  const next =
    made && rateLb !== undefined
      ? evaluate(nextOpening, {
          openings: [...gate.catches.map((each) => each.opening), made.opening],
          rates: [...gate.catches.map((each) => each.rateLb), rateLb],
          targetLb,
        })
      : undefined;
  const save = async () => {
    setTried(true);
    if (!made) return;
    if (await onSave({ ...chosen, catches: [...(chosen.catches ?? []), made] })) {
      setOpening('');
      setCaught('');
      setTried(false);
    }
  };
  return (
    <>
      <div className="catchfields">
        <TextField label="Opening" inputMode="decimal" value={opening} fault={faults.opening} onChange={setOpening} />
        <TextField
          label="Caught"
          unit={units.unit('weight', 'product')}
          inputMode="decimal"
          value={caught}
          fault={faults.caught}
          onChange={setCaught}
        />
        <TextField
          label="Strip"
          unit={units.unit('length')}
          inputMode="decimal"
          value={strip}
          fault={faults.strip}
          onChange={setStrip}
          onEnter={() => void save()}
        />
      </div>
      {made && rateLb !== undefined && <CatchVerdict next={next} rateLb={rateLb} targetLb={targetLb} />}
      <p className="small">Over the strip, across the swath of {units.say('length', stamp.swathFt)}.</p>
      <div className="gateacts">
        <Button onClick={() => void save()}>Save catch</Button>
        <Link
          to={{
            pathname: '/kit',
            hash: placeHash({ spreader: chosen.id, product: stamp.productId, rate: String(targetLb) }),
          }}
        >
          <Button tabIndex={-1}>Step by step, in the kit</Button>
        </Link>
        <Button danger onClick={() => onDelete(chosen)}>
          Delete spreader
        </Button>
      </div>
    </>
  );
}

/** Where the gate is set for this job: by what this spreader gave of this product, with what would make it surer. */
export function GatePanel(props: GatePanelProps) {
  const { spreaders, chosen, onChoose, onSave, gate, targetLb, productName } = props;
  return (
    <section className="gate" aria-labelledby="gate">
      <h2 id="gate">The gate</h2>
      <ChoiceField
        label="Spreader"
        value={chosen?.id ?? NEW}
        options={[
          ...spreaders.map(({ id, name }) => ({ value: id, label: name })),
          { value: NEW, label: spreaders.length === 0 ? 'none yet: enter one' : 'another one' },
        ]}
        onChange={(id) => onChoose(id === NEW ? undefined : id)}
      />
      {!chosen && <SpreaderForm spreader={undefined} onSave={onSave} />}
      {chosen && gate && (
        <>
          <GateSaid
            gate={gate}
            spreaderName={chosen.name}
            productName={productName}
            targetLb={targetLb}
            none={
              <p className="lead">
                Nothing was caught of {productName.toLowerCase()} yet: mark a strip, catch what falls on it, and weigh
                that.
              </p>
            }
            onDelete={(place) => void onSave(withoutCatch(chosen, props.stamp.productId, place))}
          />
          <NewCatch {...props} chosen={chosen} gate={gate} />
        </>
      )}
    </section>
  );
}
