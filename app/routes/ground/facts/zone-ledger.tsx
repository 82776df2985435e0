import type { Zone } from '@core/records/case';
import { errorsTogether } from '@core/ground/area-error';
import type { ZoneGround } from '@core/ground/zone-ground';
import { isPlaced, shapeKind } from '@core/ground/shape';
import { Fig } from '../../../ui/fig';
import { HatchSwatch } from '../../../ui/hatches';
import { useUnits } from '../../../ui/format';

interface LedgerProps {
  rows: readonly { zone: Zone; ground: ZoneGround | undefined }[];
  focusId: string | undefined;
  adding: boolean;
  onChoose: (id: string) => void;
  onAdd: () => void;
}

/** Every zone with its hatch, area and likely error; the total as a ledger has it. */
export function ZoneLedger({ rows, focusId, adding, onChoose, onAdd }: LedgerProps) {
  const units = useUnits();
  const area = (sqFt: number) => units.show('area', sqFt);
  const total = rows.reduce((sum, r) => sum + r.zone.areaSqFt, 0);
  const errors = rows.flatMap((r) => (r.ground?.error ? [r.ground.error.value] : []));
  return (
    <section className="ledger" aria-labelledby="zones">
      <h2 id="zones">Zones</h2>
      <table>
        <tbody>
          {rows.map(({ zone, ground }) => (
            <tr key={zone.id} aria-current={zone.id === focusId && !adding}>
              <td>
                <HatchSwatch grass={zone.grass} />
              </td>
              <th scope="row">
                <button type="button" className="link" onClick={() => onChoose(zone.id)}>
                  {zone.name}
                </button>
                {shapeKind(zone) && !isPlaced(zone) && <span className="small"> not on the sheet</span>}
              </th>
              <td>
                {ground?.toFeed ? (
                  <Fig figure={ground.toFeed} show={area} value={zone.areaSqFt} />
                ) : (
                  area(zone.areaSqFt)
                )}
              </td>
              <td>{ground?.error ? `± ${area(ground.error.value)}` : ''}</td>
            </tr>
          ))}
        </tbody>
        {rows.length > 0 && (
          <tfoot>
            <tr>
              <td />
              <th scope="row">All zones, {units.unit('area')}</th>
              <td>{area(total)}</td>
              <td>{errors.length > 0 ? `± ${area(errorsTogether(errors))}` : ''}</td>
            </tr>
          </tfoot>
        )}
      </table>
      <button type="button" className="link" aria-current={adding} onClick={onAdd}>
        Add a zone
      </button>
    </section>
  );
}
