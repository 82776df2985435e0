import { useId } from 'react';
import type { Zone } from '@core/records/case';

export interface Hatch {
  width: number;
  height: number;
  path: string;
  stroke: number;
}

/**
 * A hatch a grass, in one ink: cool-season grass stands up, warm-season grass lies along its runner, the stroke follows the
 * width of the blade. Never the only sign: the name stands beside it.
 */
export const HATCHES: Record<Zone['grass'], Hatch> = {
  'kentucky-bluegrass': {
    width: 20,
    height: 16,
    stroke: 1,
    path: 'M2 8H9M4 8L3 3M7 8L8 3M12 15.5H19M14 15.5L13 10.5M17 15.5L18 10.5',
  },
  'perennial-ryegrass': {
    width: 14,
    height: 14,
    stroke: 1,
    path: 'M3.5 7L2 1.5M3.5 7L5.5 1.5M10.5 14L9 8.5M10.5 14L12.5 8.5',
  },
  'tall-fescue': {
    width: 20,
    height: 18,
    stroke: 1,
    path: 'M5 8.5L2.6 3.2M5 8.5V2M5 8.5L7.4 3.2M15 17.5L12.6 12.2M15 17.5V11M15 17.5L17.4 12.2',
  },
  'fine-fescue': { width: 7, height: 12, stroke: 0.9, path: 'M1.5 0V5M5 6V11' },
  'creeping-bentgrass': { width: 12, height: 8, stroke: 0.7, path: 'M0 4H12M1.5 4V1.5M4.5 4V1.5M7.5 4V1.5M10.5 4V1.5' },
  bermudagrass: {
    width: 18,
    height: 14,
    stroke: 1,
    path: 'M0 4H13M3 4V1.5M7 4V6.5M11 4V1.5M9 11H22M-9 11H4M12 11V8.5M16 11V13.5M2 11V8.5',
  },
  zoysiagrass: {
    width: 22,
    height: 14,
    stroke: 1,
    path: 'M1 5.5H14M4 5.5V2.5M10 5.5V2.5M12 12.5H25M-10 12.5H3M15 12.5V9.5M21 12.5V9.5M-1 12.5V9.5',
  },
  centipedegrass: {
    width: 18,
    height: 12,
    stroke: 0.9,
    path: 'M0 6H18M2 6L0.5 3M2 6L0.5 9M8 6L6.5 3M8 6L6.5 9M14 6L12.5 3M14 6L12.5 9',
  },
  'st-augustinegrass': {
    width: 24,
    height: 18,
    stroke: 1.9,
    path: 'M1 7H16M5 7L3 2.5M11 7L13 2.5M13 16H28M-11 16H4M17 16L15 11.5M23 16L25 11.5M-1 16L1 11.5',
  },
  bahiagrass: {
    width: 18,
    height: 16,
    stroke: 1.1,
    path: 'M4.5 8V5L2 1.5M4.5 5L7 1.5M13.5 16V13L11 9.5M13.5 13L16 9.5',
  },
  buffalograss: { width: 16, height: 14, stroke: 1.1, path: 'M2 6C2 1 8 1 7.5 5M10 13C10 8 16 8 15.5 12' },
  'seashore-paspalum': { width: 16, height: 10, stroke: 1.1, path: 'M0 5Q4 1 8 5T16 5' },
};

/** The ledger's swatch of a grass, 28 by 14. */
export function HatchSwatch({ grass }: { grass: Zone['grass'] }) {
  const id = useId();
  const { width, height, path, stroke } = HATCHES[grass];
  return (
    <svg className="swatch" width="28" height="14" viewBox="0 0 28 14" aria-hidden="true">
      <defs>
        <pattern id={id} width={width} height={height} patternUnits="userSpaceOnUse">
          <path d={path} fill="none" stroke="var(--growth-line)" strokeWidth={stroke} />
        </pattern>
      </defs>
      <rect x="0.6" y="0.6" width="26.8" height="12.8" fill="var(--sheet)" />
      <rect x="0.6" y="0.6" width="26.8" height="12.8" fill={`url(#${id})`} stroke="var(--loam)" strokeWidth="1.2" />
    </svg>
  );
}
