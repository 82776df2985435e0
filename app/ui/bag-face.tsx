import type { Product } from '@core/records/case';
import { faceOf } from '@core/products/label/face';

/** The front of a bag: stitched top, the grade large; or the number that sells it. */
export function BagFace({ product }: { product: Product }) {
  const face = faceOf(product);
  return (
    <svg className="bagface" width="122" height="43" viewBox="0 0 122 43" role="img" aria-label={face}>
      <path
        d="M1 43V7.5L4.5 4.5V1H117.5V4.5L121 7.5V43"
        fill="var(--sheet)"
        stroke="var(--loam-2)"
        strokeWidth="1.2"
        strokeDasharray={product.unfinished ? '4 3' : undefined}
      />
      <path d="M6.5 4.5H116" stroke="var(--loam-2)" strokeDasharray="3 2" />
      <text
        x="61"
        y="33"
        textAnchor="middle"
        style={{ font: `600 ${face.length > 8 ? 22 : 26}px var(--serif)` }}
        textLength={face.length > 10 ? 106 : undefined}
        lengthAdjust="spacingAndGlyphs"
      >
        {face}
      </text>
    </svg>
  );
}

/** Small bags filled to their level: whole ones and the open one, three at most. */
export function BagsOnHand({ lb, packageLb }: { lb: number; packageLb?: number }) {
  const fills = packageLb === undefined || lb <= 0 ? (lb > 0 ? [1] : [0]) : levels(lb / packageLb);
  return (
    <span className="bagsonhand" aria-hidden="true">
      {fills.map((fill, i) => (
        <svg key={i} width="11" height="15" viewBox="0 0 11 15">
          <path
            d="M.7 14.3V3.2L2 2V.7H9V2l1.3 1.2V14.3Z"
            fill="var(--sheet)"
            stroke="var(--loam-2)"
            strokeWidth="1.1"
            strokeDasharray={fill === 0 ? '2 1.6' : undefined}
          />
          {fill > 0 && <rect x="1.7" y={13.3 - 9.5 * fill} width="7.6" height={9.5 * fill} fill="var(--loam)" />}
        </svg>
      ))}
    </span>
  );
}

const levels = (packages: number): number[] => {
  const whole = Math.min(3, Math.floor(packages + 1e-9));
  const open = packages - Math.floor(packages + 1e-9);
  const list = Array.from({ length: whole }, () => 1);
  return open > 0.005 && list.length < 3 ? [...list, open] : list;
};
