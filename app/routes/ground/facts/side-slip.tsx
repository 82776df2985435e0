import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { Input, type InputRef } from 'antd';
import { sideName } from '@core/ground/crossing';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { Fault } from '../../../ui/field';
import { withSideLength } from '../draft/draft-state';
import type { SidePreview } from '../draft/drafted-ground';
import { useUnits } from '../../../ui/format';

interface SideSlipProps {
  corners: readonly Pair[];
  side: number;
  at: Pair;
  preview: (corners: readonly Pair[]) => SidePreview;
  onKeep: (corners: readonly Pair[]) => void;
  onSide: (side: number) => void;
  onClose: () => void;
}

/** Types the exact length of one side: the near end stays, the far end moves along the side. */
export function SideSlip({ corners, side, at, preview, onKeep, onSide, onClose }: SideSlipProps) {
  const units = useUnits();
  const area = (sqFt: number) => units.show('area', sqFt);
  const [a, b] = [corners[side], corners[(side + 1) % corners.length]] as [Pair, Pair];
  const drawnFt = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const first = units.plain(units.inShown('length', drawnFt), units.setting.system === 'us' ? 1 : 2);
  const [text, setText] = useState(first);
  const [fixed, setFixed] = useState<'near' | 'far'>('near');
  const field = useRef<InputRef>(null);
  useEffect(() => field.current?.focus({ cursor: 'all' }), []);
  const value = units.value('length', text, 'Length', 'length');
  const wrong = isRefusal(value)
    ? value.refused
    : value === undefined || value <= 0
      ? `Type a length above 0 ${units.unit('length')}.`
      : undefined;
  const typed = wrong === undefined ? withSideLength(corners, side, value as number, fixed) : undefined;
  const [then, now] = [typed && preview(typed), preview(corners)];
  const keys = (event: KeyboardEvent) => {
    if (event.key === 'Enter' && typed && !then?.refused) onKeep(typed);
    else if (event.key === 'Escape') onClose();
    else if (event.key === 'Tab') {
      if (typed && !then?.refused && text !== first) onKeep(typed);
      onSide((side + (event.shiftKey ? corners.length - 1 : 1)) % corners.length);
    } else if (event.key.toLowerCase() === 'f') setFixed((end) => (end === 'near' ? 'far' : 'near'));
    else {
      event.nativeEvent.stopImmediatePropagation();
      event.stopPropagation();
      return;
    }
    event.preventDefault();
    event.nativeEvent.stopImmediatePropagation();
    event.stopPropagation();
  };
  const row = (label: string, typedValue: string | undefined, drawnValue: string | undefined) => (
    <tr>
      <th scope="row">{label}</th>
      <td>
        <b>{typedValue ?? '–'}</b>
      </td>
      <td>{drawnValue ?? '–'}</td>
    </tr>
  );
  return (
    <div
      className="sideslip"
      role="dialog"
      aria-label={`Length of side ${sideName(side, corners.length)}`}
      style={{ left: at[0], top: at[1] }}
      onKeyDown={keys}
    >
      <p>
        <b>Side {sideName(side, corners.length)}</b>{' '}
        <span className="small">{fixed === 'near' ? 'first' : 'second'} corner stays</span>
      </p>
      <Input
        ref={field}
        aria-label={`Length, ${units.unit('length')}`}
        suffix={units.unit('length')}
        value={text}
        inputMode="decimal"
        onChange={(event) => setText(event.target.value)}
        status={wrong ? 'error' : undefined}
      />
      <table>
        <thead>
          <tr>
            <td />
            <th scope="col">typed</th>
            <th scope="col">drawn</th>
          </tr>
        </thead>
        <tbody>
          {row(
            `area, ${units.unit('area')}`,
            then?.areaSqFt === undefined ? undefined : area(then.areaSqFt),
            now.areaSqFt === undefined ? undefined : area(now.areaSqFt),
          )}
          {now.weighOutLb !== undefined &&
            row(
              `weigh-out, ${units.unit('weight', 'product')}`,
              then?.weighOutLb === undefined ? undefined : units.weight(then.weighOutLb),
              units.weight(now.weighOutLb),
            )}
          {row(`claimed twice, ${units.unit('area')}`, then && area(then.claimedSqFt), area(now.claimedSqFt))}
        </tbody>
      </table>
      <Fault>{wrong ?? then?.refused}</Fault>
      <p className="small">
        <span className="kbd">Enter</span> keep <span className="kbd">Tab</span> next <span className="kbd">F</span>{' '}
        other end <span className="kbd">Esc</span>
      </p>
    </div>
  );
}
