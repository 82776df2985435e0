import type { WindowKind } from '@core/climate/closed-window';

/** The overprint of each kind of closed window. */
const PATTERN: Record<WindowKind, 'rest' | 'frost' | 'heat'> = {
  frozen: 'frost',
  rest: 'rest',
  heat: 'heat',
  code: 'rest',
  'cool-soil': 'frost',
  lime: 'rest',
  report: 'rest',
};

/** Fill of a closed window, from the patterns drawn with the same id. */
export const windowFill = (id: string, kind: WindowKind): string => `url(#${id}-${PATTERN[kind]})`;

/** The overprints for closed windows. Ids are the page's own, so that two ribbons do not share one. */
export function WindowPatterns({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}-rest`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V6" stroke="#54483B" strokeWidth="1.5" strokeOpacity=".4" />
      </pattern>
      <pattern id={`${id}-frost`} width="9" height="8" patternUnits="userSpaceOnUse">
        <path d="M0 2h5M4.5 6h5" stroke="#34567A" strokeWidth="1.2" strokeOpacity=".75" />
      </pattern>
      <pattern id={`${id}-heat`} width="7" height="7" patternUnits="userSpaceOnUse">
        <circle cx="1.75" cy="1.75" r="1" fill="#735500" fillOpacity=".8" />
        <circle cx="5.25" cy="5.25" r="1" fill="#735500" fillOpacity=".8" />
      </pattern>
    </defs>
  );
}
