import { cornerLetter, sideName } from '@core/ground/crossing';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { useUnits } from '../../../ui/format';

interface CornerTableProps {
  corners: readonly Pair[];
  onMove: (corner: number, to: Pair) => void;
  onRemove: (corner: number) => void;
  onTypeSide: (side: number) => void;
}

/** The sheet's twin: every corner and side as figures that can be typed. */
export function CornerTable({ corners, onMove, onRemove, onTypeSide }: CornerTableProps) {
  const units = useUnits();
  const unit = units.unit('length');
  const shown = (ft: number) => units.plain(units.inShown('length', ft), 2);
  return (
    <details className="corners">
      <summary>Corners as a table</summary>
      <table>
        <thead>
          <tr>
            <th scope="col">Corner</th>
            <th scope="col">East, {unit}</th>
            <th scope="col">South, {unit}</th>
            <th scope="col">Side to the next, {unit}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {corners.map((corner, i) => {
            const next = corners[(i + 1) % corners.length] as Pair;
            return (
              <tr key={`${i}-${corner.join()}`}>
                <th scope="row">
                  <i>{cornerLetter(i)}</i>
                </th>
                {[0, 1].map((axis) => (
                  <td key={axis}>
                    <input
                      aria-label={`Corner ${cornerLetter(i)}, ${axis === 0 ? 'east' : 'south'}, ${unit}`}
                      defaultValue={shown(corner[axis] as number)}
                      onBlur={(event) => {
                        const value = units.value('length', event.target.value, 'Corner', 'corner');
                        if (isRefusal(value) || value === undefined) event.target.value = shown(corner[axis] as number);
                        else if (shown(value) !== shown(corner[axis] as number))
                          onMove(i, axis === 0 ? [value, corner[1]] : [corner[0], value]);
                      }}
                    />
                  </td>
                ))}
                <td>
                  <button
                    type="button"
                    className="link"
                    aria-label={`Type the length of side ${sideName(i, corners.length)}`}
                    onClick={() => onTypeSide(i)}
                  >
                    {units.show('length', Math.hypot(next[0] - corner[0], next[1] - corner[1]))}
                  </button>
                </td>
                <td>
                  <button type="button" className="link" onClick={() => onRemove(i)}>
                    Delete
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </details>
  );
}
