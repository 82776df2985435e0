import { Button, InputNumber, Radio } from 'antd';
import { useState } from 'react';
import { reportAnalyteName } from '@core/reports/terms/names';
import { fixed, significant } from '@core/words/numbers';
import { WarnGlyph } from '../../ui/glyphs';
import type { ReadSummary } from '../../workers/report-intake';

type Asked = ReadSummary['slips'][number];

const SCALE_PX = 150;

/** A value that cannot be: how it may have come about, on one scale, and what is to be stored. */
export function SlipQuestion({ slip, onSay }: { slip: Asked; onSay: (value: number | null | 'as-printed') => void }) {
  const [chosen, setChosen] = useState(slip.likeliest ?? -1);
  const [typing, setTyping] = useState(false);
  const [typed, setTyped] = useState<number | null>(null);
  const most = Math.max(slip.cec ?? 0, ...slip.candidates.map(({ cmolcPerKg }) => cmolcPerKg ?? 0));
  const candidate = slip.candidates[chosen];
  return (
    <section className="slipbox" aria-label={`${reportAnalyteName(slip.analyte)}, ${slip.label}`}>
      <p className="sliphead">
        <WarnGlyph /> <b>{`${reportAnalyteName(slip.analyte)}, ${slip.label}`}</b>{' '}
        <span>
          printed {slip.text}: {slip.because.replace(/\.$/, '')}
        </span>
      </p>
      <Radio.Group value={chosen} onChange={(event) => setChosen(event.target.value as number)}>
        {slip.candidates.map((each, i) => (
          <Radio key={each.how + each.value} value={i}>
            <span className="cand">
              <b>{significant(each.value, 5)}</b> {slip.unit} {each.says}
            </span>
            {each.cmolcPerKg !== undefined && slip.cec !== undefined && most > 0 && (
              <svg
                width={SCALE_PX + 44}
                height="16"
                role="img"
                aria-label={`${fixed(each.cmolcPerKg, 1)} of ${fixed(slip.cec, 1)} cmolc/kg`}
              >
                <rect
                  className={each.fits ? 'bar is-fit' : 'bar'}
                  x="0"
                  y="3"
                  width={(SCALE_PX * each.cmolcPerKg) / most}
                  height="10"
                />
                <path
                  className="cec"
                  d={`M${(SCALE_PX * slip.cec) / most} 0V16M${(SCALE_PX * slip.cec) / most + 2.5} 0V16`}
                />
                <text x={(SCALE_PX * each.cmolcPerKg) / most + 8} y="13" fontSize="12">
                  {fixed(each.cmolcPerKg, 1)}
                </text>
              </svg>
            )}
            <span className="small">
              {each.fits
                ? 'fits'
                : slip.cec && each.cmolcPerKg
                  ? `${fixed(each.cmolcPerKg / slip.cec, 1)} times the CEC`
                  : 'does not fit'}
            </span>
          </Radio>
        ))}
      </Radio.Group>
      <div className="actions">
        <Button
          type="primary"
          size="small"
          disabled={!candidate || candidate.how === 'as-printed'}
          onClick={() => candidate && onSay(candidate.value)}
        >
          Take {candidate && candidate.how !== 'as-printed' ? significant(candidate.value, 5) : 'it'}
        </Button>
        {slip.candidates.some(({ how }) => how === 'as-printed') && (
          <Button size="small" onClick={() => onSay('as-printed')}>
            Keep as printed
          </Button>
        )}
        <Button size="small" onClick={() => onSay(null)}>
          Leave it out
        </Button>
        {typing ? (
          <>
            <InputNumber
              size="small"
              aria-label={`Value of ${reportAnalyteName(slip.analyte)}`}
              value={typed}
              min={0}
              onChange={setTyped}
            />
            <Button size="small" disabled={typed === null} onClick={() => typed !== null && onSay(typed)}>
              Take it
            </Button>
          </>
        ) : (
          <Button size="small" onClick={() => setTyping(true)}>
            Type it
          </Button>
        )}
        {slip.cec !== undefined && <span className="small">double line: CEC {fixed(slip.cec, 1)} cmolc/kg</span>}
      </div>
    </section>
  );
}
