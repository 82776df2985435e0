import { StandingGlyph } from '../ui/glyphs';
import { useNetwork, useOffline } from './offline';

/** Whether what is on this page goes on working without a network, and whether there is one. */
export function NetworkWord() {
  const { standing } = useOffline();
  const online = useNetwork();
  const says = {
    works: 'Works without network',
    preparing: 'Getting ready to work without network',
    unsafe: 'Without https this browser cannot work without a network',
    unable: 'This browser works only with a network',
  }[standing];
  return (
    <span className="networkword" role="status">
      {!online && <b>Offline </b>}
      {standing === 'works' && <StandingGlyph standing="pass" />} {says}
    </span>
  );
}
