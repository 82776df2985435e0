import type { Product } from '@core/records/case';
import type { BagCheck } from '@core/products/bag/bag-check';
import { faceOf } from '@core/products/label/face';
import { densityOf } from '@core/products/as-weighed';
import { useUnits } from '../../ui/format';
import { amountOf } from '../../work/amount-out';
import { packageWords } from '../../work/package-words';

const TOP = 42;
const BOTTOM = 352;

/** The bag to scale: hatched is taken for this lawn, the rest stays; the dashed line is what the label rate would leave. */
export function BagDrawing({ product, check, packageLb }: { product: Product; check: BagCheck; packageLb?: number }) {
  const units = useUnits();
  if (packageLb === undefined) return null;
  const y = (lb: number) => BOTTOM - (Math.min(packageLb, Math.max(0, lb)) / packageLb) * (BOTTOM - TOP);
  const left = check.prescribed?.leftLb;
  const labelLeft = check.label?.leftLb;
  const several = (check.prescribed?.packages ?? 1) > 1;
  const out = amountOf(units, product);
  const density = densityOf(product);
  // a bottle is marked by what it holds
  const ticks =
    density === undefined
      ? units.ticks('weight', 0, packageLb, 6)
      : units.ticks('volume', 0, packageLb / density, 6).map(({ us: gal, says }) => ({ us: gal * density, says }));
  const what = density === undefined ? 'bag' : 'bottle';
  return (
    <figure className="bagdrawing">
      <svg
        width="200"
        height="360"
        viewBox="0 0 200 360"
        role="img"
        aria-label={
          left === undefined
            ? 'the whole bag stays'
            : `${out.say(packageLb - left)} taken from ${several ? 'the last' : 'the'} ${what}, ${out.show(left)} left`
        }
      >
        <defs>
          <pattern id="bag-taken" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
            <path d="M0 0V5" stroke="var(--moss)" strokeOpacity="0.55" />
          </pattern>
        </defs>
        <path
          d="M4 356V22L10 16V4H144V16L150 22V356Z"
          fill="var(--sheet)"
          stroke="var(--loam)"
          strokeWidth="1.6"
          strokeLinejoin="round"
        />
        <path d="M12 14H142" stroke="var(--loam-2)" strokeDasharray="4 3" />
        {left !== undefined && (
          <>
            <rect x="5" y={y(packageLb)} width="144" height={y(left) - y(packageLb)} fill="url(#bag-taken)" />
            <rect x="5" y={y(left)} width="144" height={BOTTOM - y(left) + 3} fill="var(--lichen-2)" />
            <path d={`M4 ${y(left)}H150`} stroke="var(--moss)" strokeWidth="2" />
          </>
        )}
        {labelLeft !== undefined && check.label && (
          <path d={`M4 ${y(labelLeft)}H150`} stroke="var(--loam)" strokeWidth="1.5" strokeDasharray="4 3" />
        )}
        <rect x="16" y="262" width="122" height="72" fill="var(--sheet)" stroke="var(--loam-2)" />
        <text x="77" y="294" textAnchor="middle" style={{ font: '600 25px var(--serif)' }}>
          {faceOf(product)}
        </text>
        <text x="77" y="311" textAnchor="middle" style={{ fontSize: 12.5, fill: 'var(--loam-2)' }}>
          {product.name.length > 22 ? `${product.name.slice(0, 21)}…` : product.name}
        </text>
        <text x="77" y="326" textAnchor="middle" style={{ fontSize: 12, fill: 'var(--loam-2)' }}>
          {packageWords(product, units)}
        </text>
        {ticks.map(({ us: lb, says }) => (
          <g key={lb}>
            <path d={`M154 ${y(lb)}h7`} stroke="var(--loam-3)" />
            <text x="165" y={y(lb) + 4} style={{ fontSize: 12, fill: 'var(--loam-2)' }}>
              {says}
            </text>
          </g>
        ))}
      </svg>
      <figcaption>
        {left !== undefined && (
          <span>
            <i /> <b>{out.show(left)}</b> {out.unit} left, prescribed
            {several && `, of ${check.prescribed?.packages} ${what}s`}
          </span>
        )}
        {labelLeft !== undefined && (
          <span>
            <i className="dashed" /> <b>{out.show(labelLeft)}</b> {out.unit} left, label rate
          </span>
        )}
      </figcaption>
    </figure>
  );
}
