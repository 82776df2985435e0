import { Fragment } from 'react';
import { useUnits } from './format';

/** Writes P2O5, K2O, CaCO3 and the like with their small figures. */
export function Substances({ text }: { text: string }) {
  return text
    .split(/(P2O5|K2O|CaCO3|CaCl2|ft2|cm3)/)
    .map((part, i) => (
      <Fragment key={i}>
        {/^(P2O5|K2O|CaCO3|CaCl2)$/.test(part)
          ? part.split(/(\d)/).map((c, j) => (/\d/.test(c) ? <sub key={j}>{c}</sub> : c))
          : part === 'ft2'
            ? 'sq ft'
            : part === 'cm3'
              ? 'cm³'
              : part}
      </Fragment>
    ));
}

/** A sentence of the core, with its amounts in the units of whoever reads it. */
export const Said = ({ text }: { text: string }) => <Substances text={useUnits().said(text)} />;
