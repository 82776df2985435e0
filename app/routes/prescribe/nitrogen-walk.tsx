import { Checkbox } from 'antd';
import { SWITCHABLE_LINES, type SwitchableLine } from '@core/nitrogen/zone-nitrogen';
import type { NitrogenPrescription } from '@core/prescription/prescription';
import { Fig } from '../../ui/fig';
import { showExact } from '../../ui/format';

interface WalkProps {
  nitrogen: NitrogenPrescription;
  ceilingLb: number;
  codeLb?: number;
  onSwitch: (line: SwitchableLine, on: boolean) => void;
}

const isSwitchable = (id: string): id is SwitchableLine => (SWITCHABLE_LINES as readonly string[]).includes(id);

/** From the grass's base to the year's nitrogen, a term a row, list and bars on the same lines. Each adjustment can be switched off. */
export function NitrogenWalk({ nitrogen, ceilingLb, codeLb, onSwitch }: WalkProps) {
  const most = ceilingLb * 1.3;
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
  return (
    <ul className="walk">
      {rows.map(({ step, from, to }) => {
        const kind = step.off ? 'off' : step.id === 'base' ? 'base' : step.lb < 0 ? 'less' : 'plus';
        return (
          <li key={step.id} className={step.off ? 'off' : undefined}>
            <span className="term">
              {isSwitchable(step.id) ? (
                <Checkbox
                  checked={!step.off}
                  onChange={(event) => onSwitch(step.id as SwitchableLine, event.target.checked)}
                >
                  {step.says}
                </Checkbox>
              ) : (
                <span className="indent">{step.says}</span>
              )}
            </span>
            <span className="size">
              {step.off
                ? 'off'
                : step.id === 'base'
                  ? showExact(step.lb)
                  : `${step.lb > 0 ? '+' : ''}${showExact(step.lb)}`}
            </span>
            <span className={`bar ${kind}`}>
              <span style={{ left: at(from), width: `calc(${at(to)} - ${at(from)})` }} />
            </span>
          </li>
        );
      })}
      <li className="year">
        <span className="term">
          <span className="indent">Year, lb N per 1000</span>
        </span>
        <span className="size">
          <Fig figure={nitrogen.year} show={(v) => showExact(v)} />
        </span>
        <span className="bar">
          <span style={{ left: 0, width: at(nitrogen.year.value) }} />
        </span>
      </li>
      <li className="axis">
        <span />
        <span />
        <span className="bar limits">
          {codeLb !== undefined && (
            <em className="code" style={{ left: at(codeLb) }}>
              code {showExact(codeLb)}
            </em>
          )}
          <em style={{ left: at(ceilingLb) }}>ceiling {showExact(ceilingLb)}</em>
        </span>
      </li>
    </ul>
  );
}
