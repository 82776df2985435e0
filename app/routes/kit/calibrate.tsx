import { Button } from 'antd';
import { useState } from 'react';
import { gateFor, rateOfCatch, withoutCatch } from '@core/field/gate';
import { nextOpening } from '@core/field/opening';
import type { Catch, Spreader } from '@core/records/spreader-schema';
import type { Product } from '@core/records/case';
import { evaluate } from '@core/reckoning/define';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { ChoiceField, Fault, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { StandingGlyph } from '../../ui/glyphs';
import { Keypad } from '../../ui/keypad';
import { Said } from '../../ui/substance';
import { CatchVerdict, GateSaid } from '../../work/gate-said';
import { caughtBySimulation } from './simulated-kit';

const STEPS = ['Catch', 'Strip', 'Weigh', 'Set'] as const;
type Step = (typeof STEPS)[number];
/** How what fell is weighed: in a box under the gate, or as what is missing from the hopper afterwards. */
const WAYS = {
  box: 'in a catch box',
  hopper: 'hopper before and after',
} as const;
type Way = keyof typeof WAYS;
const USUAL_STRIP_FT = 80;

interface CalibrateProps {
  spreader: Spreader;
  product: Product;
  targetLb: number;
  today: string;
  operator: string | undefined;
  onSave: (spreader: Spreader, says: string) => Promise<boolean>;
}

/** A spreader set by catching what it gives: one question a step, each answer with its arithmetic. */
export function Calibrate({ spreader, product, targetLb, today, operator, onSave }: CalibrateProps) {
  const units = useUnits();
  const wanted = {
    productId: product.id,
    targetLb,
    today,
    ...(operator ? { operator } : {}),
    ...(product.lot ? { lot: product.lot } : {}),
  };
  const gate = gateFor(spreader, wanted);
  const [step, setStep] = useState<Step>('Catch');
  const [way, setWay] = useState<Way>('box');
  const [opening, setOpening] = useState(gate.set === undefined ? '' : String(gate.set));
  const [strip, setStrip] = useState(() => units.field('length', USUAL_STRIP_FT));
  const [swath, setSwath] = useState(() => units.field('length', spreader.swathFt));
  const [caught, setCaught] = useState('');
  const [before, setBefore] = useState('');
  const [walks, setWalks] = useState(0);
  const [fault, setFault] = useState<string>();

  const within = (
    read: number | undefined | Refusal,
    text: string,
    [least, most]: readonly [number, number],
    says: string,
  ): { value?: number; fault?: string } =>
    isRefusal(read)
      ? { fault: read.refused }
      : read === undefined
        ? text.trim() === ''
          ? {}
          : { fault: says }
        : read < least || read > most
          ? { fault: says }
          : { value: read };
  const openingIs = within(
    units.readPlain(opening, 'Opening', 'opening'),
    opening,
    [1e-6, 1000],
    'Type where the gate stands on the dial, above nothing.',
  );
  const stripIs = within(
    units.value('length', strip, 'Strip', 'strip'),
    strip,
    [1, 10_000],
    'Type how long the strip is that is walked with the gate open.',
  );
  const swathIs = within(
    units.value('length', swath, 'Swath', 'swath'),
    swath,
    [1e-6, 200],
    'Type how wide one pass lays.',
  );
  const weighedIs = within(
    units.value('weight', caught, 'Weight', 'caught'),
    caught,
    [0, 1000],
    'Type what the scale shows.',
  );
  const beforeIs = within(
    units.value('weight', before, 'Weight before', 'before'),
    before,
    [0, 1000],
    'Type what the scale showed before the walk.',
  );
  const caughtLb =
    way === 'box'
      ? weighedIs.value
      : weighedIs.value === undefined || beforeIs.value === undefined
        ? undefined
        : beforeIs.value - weighedIs.value;
  const wrongWeight =
    caughtLb !== undefined && caughtLb <= 0
      ? way === 'hopper' && caughtLb < 0
        ? 'It weighs more after the walk than before: are the two mixed up?'
        : 'Nothing fell: is the hopper empty, or the gate shut?'
      : undefined;
  const made: Catch | undefined =
    openingIs.value !== undefined &&
    stripIs.value !== undefined &&
    swathIs.value !== undefined &&
    caughtLb !== undefined &&
    !wrongWeight
      ? {
          productId: product.id,
          on: today,
          opening: openingIs.value,
          caughtLb,
          swathFt: swathIs.value,
          distanceFt: stripIs.value,
          ...(operator ? { operator } : {}),
          ...(product.lot ? { lot: product.lot } : {}),
        }
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
  const stepDone: Record<Step, boolean> = {
    Catch: openingIs.value !== undefined,
    Strip: stripIs.value !== undefined && swathIs.value !== undefined,
    Weigh: made !== undefined,
    Set: gate.standing === 'line' || gate.standing === 'curve',
  };
  const toNext = () => setStep(STEPS[Math.min(STEPS.length - 1, STEPS.indexOf(step) + 1)] ?? 'Set');
  const fromScale = async () => {
    if (openingIs.value === undefined || stripIs.value === undefined || swathIs.value === undefined)
      return setFault('First the opening, the strip and the swath: the spreader is walked over them.');
    const lb = await caughtBySimulation(spreader.id, {
      opening: openingIs.value,
      sizeGuideNumber: product.sizeGuideNumber,
      swathFt: swathIs.value,
      distanceFt: stripIs.value,
      walk: (spreader.catches ?? []).length + walks,
    });
    setWalks(walks + 1);
    if (typeof lb === 'string') return setFault(lb);
    setFault(undefined);
    if (way === 'box') setCaught(units.field('weight', lb));
    else {
      const full = (spreader.hopperLb ?? 10) / 2 + lb;
      setBefore(units.field('weight', full));
      setCaught(units.field('weight', full - lb));
    }
  };
  const keep = async () => {
    if (!made) return;
    if (await onSave({ ...spreader, catches: [...(spreader.catches ?? []), made] }, 'The catch is saved.')) {
      setCaught('');
      setBefore('');
      setStep('Set');
    }
  };
  const again = () => {
    if (gate.set !== undefined) setOpening(String(gate.set));
    setStep('Weigh');
  };
  return (
    <section className="calibrate" aria-labelledby="calibrate">
      <h2 id="calibrate">Set the gate, {product.name.toLowerCase()}</h2>
      <div role="tablist" aria-label="Steps" className="steps">
        {STEPS.map((each) => (
          <button
            key={each}
            type="button"
            role="tab"
            id={`step-${each}`}
            aria-selected={each === step}
            aria-controls="step"
            tabIndex={each === step ? 0 : -1}
            onClick={() => setStep(each)}
            onKeyDown={({ key }) => {
              const by = key === 'ArrowRight' ? 1 : key === 'ArrowLeft' ? -1 : 0;
              const to = STEPS[STEPS.indexOf(step) + by];
              if (by === 0 || !to) return;
              setStep(to);
              document.getElementById(`step-${to}`)?.focus();
            }}
          >
            {stepDone[each] && <StandingGlyph standing="pass" />} {each}
          </button>
        ))}
      </div>
      <div id="step" role="tabpanel" aria-labelledby={`step-${step}`}>
        {step === 'Catch' && (
          <>
            <p>Set the gate and say how what falls is weighed. A guess is good enough for a first catch.</p>
            <div className="kitfields">
              <TextField
                label="Opening, on the dial"
                inputMode="decimal"
                value={opening}
                fault={openingIs.fault}
                onChange={setOpening}
                onEnter={toNext}
              />
              <ChoiceField
                label="Weighed"
                value={way}
                options={(Object.keys(WAYS) as Way[]).map((value) => ({ value, label: WAYS[value] }))}
                onChange={setWay}
              />
            </div>
          </>
        )}
        {step === 'Strip' && (
          <>
            <p>
              <Said text="Mark a strip of 50 ft to 100 ft on level ground. Start walking 10 ft before it, open the gate at its beginning, shut it at its end." />
            </p>
            <div className="kitfields">
              <TextField
                label="Strip"
                unit={units.unit('length')}
                inputMode="decimal"
                value={strip}
                fault={stripIs.fault}
                onChange={setStrip}
              />
              <TextField
                label="Swath"
                unit={units.unit('length')}
                inputMode="decimal"
                value={swath}
                fault={swathIs.fault}
                onChange={setSwath}
                onEnter={toNext}
              />
            </div>
          </>
        )}
        {step === 'Weigh' && (
          <>
            <div className="kitfields">
              {way === 'hopper' && (
                <TextField
                  label="Before the walk"
                  unit={units.unit('weight', 'product')}
                  inputMode="decimal"
                  value={before}
                  fault={beforeIs.fault}
                  onChange={setBefore}
                />
              )}
              <TextField
                label={way === 'box' ? 'Caught' : 'After the walk'}
                unit={units.unit('weight', 'product')}
                inputMode="decimal"
                value={caught}
                fault={weighedIs.fault ?? wrongWeight}
                onChange={setCaught}
                onEnter={() => void keep()}
              />
            </div>
            {made && rateLb !== undefined && (
              <>
                <ol className="arith">
                  <li>
                    <span>
                      {units.say('content', made.caughtLb, 'product')} ÷ ({units.say('length', made.distanceFt)} ×{' '}
                      {units.say('length', made.swathFt)})
                    </span>
                    <b>{units.say('product-rate', rateLb, 'product')}</b>
                  </li>
                </ol>
                <CatchVerdict next={next} rateLb={rateLb} targetLb={targetLb} />
              </>
            )}
            <Keypad value={caught} decimal={units.decimalSign} onChange={setCaught} />
            <Fault>{fault}</Fault>
          </>
        )}
        {step === 'Set' && (
          <GateSaid
            gate={gate}
            spreaderName={spreader.name}
            productName={product.name}
            targetLb={targetLb}
            none={<p>Nothing was caught of this product yet.</p>}
            onDelete={(place) => void onSave(withoutCatch(spreader, product.id, place), 'The catch is deleted.')}
          />
        )}
      </div>
      <div className="bigacts kitfoot">
        {step === 'Weigh' ? (
          <>
            <Button type="primary" disabled={!made} onClick={() => void keep()}>
              Save catch
            </Button>
            <Button onClick={() => void fromScale()}>From the simulated scale</Button>
          </>
        ) : step === 'Set' ? (
          <Button type="primary" onClick={again}>
            {gate.catches.length === 0 ? 'Make a catch' : 'Catch once more'}
          </Button>
        ) : (
          <Button type="primary" disabled={!stepDone[step]} onClick={toNext}>
            Next
          </Button>
        )}
      </div>
    </section>
  );
}
