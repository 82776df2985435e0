import type { Product } from '@core/records/case';
import { formsShortBy, labelRateLb } from '@core/products/label/check-label';
import { slowShare } from '@core/nitrogen/forms';
import { SOLUBLE_N } from '@core/season/rules/dose-ceilings';
import { NitrogenStrip } from '../../ui/nitrogen-strip';
import { useUnits } from '../../ui/format';

const WIDTH = 352;
const LEFT = 4;
/** One dose of soluble nitrogen, lb N/1000 ft2. */
const LIMIT_LB = SOLUBLE_N.usual;

/** What the stated coverage means in N on the ground: slow, fast, missing, against the pound of one dose. */
export function CoverageRuler({ product }: { product: Product }) {
  const units = useUnits();
  const rate = labelRateLb(product);
  const N = product.guaranteed.N ?? 0;
  if (rate === undefined || N === 0) return null;
  const total = (rate * N) / 100;
  const missing = (rate * Math.max(0, formsShortBy(product))) / 100;
  const slow = total * slowShare(product);
  const fast = Math.max(0, total - slow - missing);
  const most = Math.max(1.5, Math.ceil(total * 2) / 2);
  const px = (lb: number) => LEFT + (lb / most) * (WIDTH - 2 * LEFT);
  const ticks = units.ticks('nutrient-rate', 0, most, 6);
  const parts = [
    { pattern: 'coated' as const, word: 'slow', percent: slow },
    { pattern: 'urea' as const, word: 'fast', percent: fast },
    { pattern: 'undeclared' as const, word: 'missing', percent: missing },
  ].filter((part) => part.percent > 0.001);
  return (
    <div className="coverageruler">
      <p>
        {parts.map((part) => (
          <span key={part.word}>
            {part.word} <b>{units.rate(part.percent)}</b>
          </span>
        ))}
        <span>
          in all <b>{units.rate(total)}</b> {units.heading('nutrient-rate', 'N')}
        </span>
      </p>
      <div style={{ marginLeft: LEFT }}>
        <NitrogenStrip parts={parts} of={total} width={px(total) - LEFT} height={12} />
      </div>
      <svg width={WIDTH} height="32" viewBox={`0 0 ${WIDTH} 32`} aria-hidden="true">
        <path d={`M${LEFT} 2H${WIDTH - LEFT}`} stroke="var(--loam)" strokeWidth="1.2" />
        {ticks.map(({ us: lb, says }) => (
          <g key={lb}>
            <path d={`M${px(lb)} 2v6`} stroke="var(--loam-3)" />
            {Math.abs(lb - LIMIT_LB) > most / 12 && (
              <text x={px(lb)} y="20" textAnchor="middle" style={{ fontSize: 11.5, fill: 'var(--loam-3)' }}>
                {says}
              </text>
            )}
          </g>
        ))}
        <path d={`M${px(LIMIT_LB)} -16V10`} stroke="var(--loam)" strokeWidth="1.6" />
        <text x={px(LIMIT_LB)} y="21" textAnchor="middle" style={{ fontSize: 11.5, fontWeight: 600 }}>
          {units.rate(LIMIT_LB)} limit
        </text>
      </svg>
    </div>
  );
}
