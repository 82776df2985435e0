import './nitrogen-walk.css';
import { Checkbox } from 'antd';
import { useState } from 'react';
import { SWITCHABLE_LINES, type SwitchableLine } from '@core/prescription/prescribe-nitrogen';
import { alternativeValue } from '@core/reckoning/figure';
import type { NitrogenPrescription } from '@core/prescription/prescription';
import { isRefusal } from '@core/reckoning/refusal';
import { Fig } from '../../../ui/fig';
import { Said } from '../../../ui/substance';
import { useUnits } from '../../../ui/format';

interface WalkProps {
  nitrogen: NitrogenPrescription;
  ceilingLb: number;
  codeLb?: number;
  /** A step whose switch is still being stored: it shows as it was set. */
  switching?: { line: string; on: boolean };
  onSwitch: (line: SwitchableLine, on: boolean) => void;
}

const isSwitchable = (id: string): id is SwitchableLine => (SWITCHABLE_LINES as readonly string[]).includes(id);
const NAMES: Record<SwitchableLine, string> = {
  shade: 'shade',
  dry: 'dry ground',
  'organic-matter': 'organic matter',
  clippings: 'clippings',
  young: 'a young stand',
  wear: 'heavy wear',
};

/** From the grass's base to the year's nitrogen: list and bars on the same lines, each step can be switched off. */
export function NitrogenWalk({ nitrogen, ceilingLb, codeLb, switching, onSwitch }: WalkProps) {
  const units = useUnits();
  const exact = (lb: number) => units.exact('nutrient-rate', lb, 4);
  // a box shows what was clicked at once: the router tells of it a moment later, and a second click in between would ask the same again
  const [clicked, setClicked] = useState<Partial<Record<SwitchableLine, boolean>>>({});
  const [heard, setHeard] = useState(switching);
  if (heard !== switching) {
    setHeard(switching);
    if (!switching) setClicked({});
  }
  const rule = nitrogen.byRule ?? nitrogen.year;
  const most = Math.max(ceilingLb, nitrogen.year.value, rule.value) * 1.12;
  const at = (lb: number) => `${(Math.max(0, lb) / most) * 100}%`;
  // where each bar starts and ends: the running total before and after its term
  const rows = nitrogen.steps.reduce<
    { step: (typeof nitrogen.steps)[number]; from: number; to: number; total: number }[]
  >((done, step) => {
    const before = done.at(-1)?.total ?? 0;
    const after = before + step.lb;
    return [
      ...done,
      { step, from: Math.min(before, after), to: Math.max(before, after), total: step.off ? before : after },
    ];
  }, []);
  const marks = (
    <>
      {codeLb !== undefined && <i className="code" style={{ left: at(codeLb) }} />}
      <i className="ceiling" style={{ left: at(ceilingLb) }} />
    </>
  );
  const there = new Set(nitrogen.steps.map((step) => step.id as string));
  // a seeding's year is no walk from the grass's base
  const absent = there.has('base')
    ? SWITCHABLE_LINES.filter((line) => !there.has(line)).map((line) => NAMES[line])
    : [];
  const ticks = units.ticks('nutrient-rate', 0, most, 8);
  return (
    <>
      <ul className="walk" aria-label="From the base of the grass to the year">
        <li className="axis" aria-hidden="true">
          <span />
          <span>{units.short('nutrient-rate', 'N')}</span>
          <span className="bar">
            {ticks.map((tick) => (
              <em key={tick.us} style={{ left: at(tick.us) }}>
                {tick.says}
              </em>
            ))}
          </span>
        </li>
        {rows.map(({ step, from, to }) => {
          const kind = step.off
            ? 'off'
            : step.id === 'base' || step.id === 'starter'
              ? 'base'
              : step.lb < 0
                ? 'less'
                : 'plus';
          return (
            <li key={step.id} className={step.off ? 'off' : undefined}>
              <span className="term">
                {isSwitchable(step.id) ? (
                  <Checkbox
                    checked={clicked[step.id] ?? (switching?.line === step.id ? switching.on : !step.off)}
                    onChange={(event) => {
                      const line = step.id as SwitchableLine;
                      setClicked((before) => ({ ...before, [line]: event.target.checked }));
                      onSwitch(line, event.target.checked);
                    }}
                  >
                    <Said text={step.says} />
                  </Checkbox>
                ) : (
                  <span className="indent">
                    <Said text={step.says} />
                  </span>
                )}
              </span>
              <span className="size">
                {step.off ? 'off' : step.id === 'base' ? exact(step.lb) : `${step.lb > 0 ? '+' : ''}${exact(step.lb)}`}
              </span>
              <span className={`bar ${kind}`}>
                <span style={{ left: at(from), width: `calc(${at(to)} - ${at(from)})` }} />
                {marks}
              </span>
            </li>
          );
        })}
        <li className="year">
          <span className="term">
            <span className="indent">Year, by the rule</span>
          </span>
          <span className="size">
            {nitrogen.own ? (
              <s>
                <Fig figure={rule} show={exact} />
              </s>
            ) : (
              <Fig figure={rule} show={exact} />
            )}
          </span>
          <span className={nitrogen.own ? 'bar struck' : 'bar solid'}>
            <span style={{ left: 0, width: at(rule.value) }} />
            {marks}
          </span>
        </li>
        {nitrogen.own && (
          <li className="mine">
            <span className="term">
              <span className="indent">Year, override</span>
            </span>
            <span className="size">
              <Fig figure={nitrogen.year} show={exact} />
            </span>
            <span className="bar solid">
              <span style={{ left: 0, width: at(nitrogen.year.value) }} />
              {marks}
            </span>
          </li>
        )}
        <li className="limits" aria-label="Limits">
          <span />
          <span />
          <span className="bar">
            {codeLb !== undefined && (
              <em className="code" style={{ left: at(codeLb) }}>
                local code {exact(codeLb)}
              </em>
            )}
            <em className="ceiling" style={{ left: at(ceilingLb) }}>
              ceiling {exact(ceilingLb)}
            </em>
          </span>
        </li>
      </ul>
      <p className="small caresays">
        {rule.alternatives.map((each) => {
          const value = alternativeValue(rule, each);
          return isRefusal(value) ? null : (
            <span key={each.says}>
              <Said text={each.says} /> <b>{units.exact('nutrient-rate', value)}</b> {units.short('nutrient-rate', 'N')}
            </span>
          );
        })}
        {absent.length > 0 && <span>not asked here: {absent.join(', ')}</span>}
      </p>
    </>
  );
}
