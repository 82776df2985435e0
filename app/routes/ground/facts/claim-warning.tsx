import { Button } from 'antd';
import type { Site, Zone } from '@core/records/case';
import { type ClaimedTwice, givenAway } from '@core/ground/claimed-twice';
import { groundOf } from '@core/ground/zone-ground';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { WarnGlyph } from '../../../ui/glyphs';
import type { Sent } from '../ground-action';
import { useUnits } from '../../../ui/format';

/** Ground claimed twice, with the ways to settle it. */
export function ClaimWarning({
  claim,
  focus,
  onGiveAway,
  onSend,
  site,
}: {
  claim: ClaimedTwice;
  focus: Zone | undefined;
  onGiveAway: (left: Pair[]) => void;
  onSend: (sent: Sent) => void;
  site: Site | undefined;
}) {
  const units = useUnits();
  const [first, second] = claim.b.id === focus?.id ? [claim.b, claim.a] : [claim.a, claim.b];
  const giveStored = (from: Zone, to: Zone) => {
    const left = givenAway(from, to);
    if (!left) return;
    const { rectangle: _r, triangle: _t, ellipse: _e, offsets: _o, ring: _g, atFt: _a, turnDeg: _d, ...rest } = from;
    const changed: Zone = { ...(rest as Zone), cornersFt: left as [number, number][] };
    const ground = groundOf(changed, site);
    if (!isRefusal(ground))
      onSend({
        intent: 'zones',
        zones: [{ ...changed, areaSqFt: ground.areaSqFt }],
        says: `${from.name} gave the shared ground to ${to.name}.`,
      });
  };
  const [leftOfFirst, leftOfSecond] = [givenAway(first, second), givenAway(second, first)];
  const drafted = first.id === focus?.id;
  return (
    <div className="claim caution">
      <WarnGlyph />
      <div>
        <p>
          <b>Warn</b> {units.say('area', claim.sqFt)} claimed twice
        </p>
        <p className="small">
          {first.name} and {second.name} share it: it would be fed in both plans.
        </p>
        {leftOfFirst && (
          <Button size="small" onClick={() => (drafted ? onGiveAway(leftOfFirst) : giveStored(first, second))}>
            Give to {second.name}
          </Button>
        )}{' '}
        {leftOfSecond && (
          <Button size="small" onClick={() => giveStored(second, first)}>
            Give to {first.name}
          </Button>
        )}
        {!leftOfFirst && !leftOfSecond && (
          <p className="small">Giving it away would cut either zone in two: move a corner instead.</p>
        )}
      </div>
    </div>
  );
}
