import { Button } from 'antd';
import { useState } from 'react';
import type { IrrigationWater as Water } from '@core/records/case';
import type { WaterFinding, WaterPrescription } from '@core/prescription/prescription';
import { sayDate } from '@core/words/days';
import { Said, Substances } from '../../../ui/substance';
import { Fig } from '../../../ui/fig';
import { handedWater, letGoOfWater } from '../../../work/handed-water';
import { usePropertyWork } from '../../../work/use-property-work';
import { WaterModal } from './water-modal';
import { useUnits } from '../../../ui/format';

const NAME: Record<WaterFinding['of'], { title: string; unit: string; quantity?: 'nutrient-rate' | 'material-rate' }> =
  {
    nitrate: { title: 'Nitrate', unit: 'N', quantity: 'nutrient-rate' },
    salinity: { title: 'Salinity', unit: 'dS/m in the soil' },
    sodium: { title: 'Sodium', unit: '' },
    bicarbonate: { title: 'Bicarbonate', unit: 'CaCO3', quantity: 'material-rate' },
    chloride: { title: 'Chloride', unit: '' },
    boron: { title: 'Boron', unit: '' },
  };

/** What the irrigation water of the property brings to this zone, and the form of its analysis (A13). */
export function IrrigationWater({
  water,
  prescribed,
  irrigated,
}: {
  water: Water | undefined;
  prescribed: WaterPrescription | undefined;
  irrigated: boolean;
}) {
  const units = useUnits();
  const { file } = usePropertyWork();
  // a water report that was read in opens the form filled with it
  const [handed] = useState(() => handedWater(file.property.id));
  const [editing, setEditing] = useState(handed !== undefined);
  return (
    <section className="water" aria-labelledby="water-h">
      <div className="waterhead">
        <h2 id="water-h">Irrigation water</h2>
        {water?.sampledOn && <span className="small">{sayDate(water.sampledOn)}</span>}
        <span className="sp" />
        <Button size="small" onClick={() => setEditing(true)}>
          {water ? 'Edit' : 'Type a water report'}
        </Button>
      </div>
      {!water && <p className="small">No analysis: its nitrate, salt and lime are not counted.</p>}
      {water && !irrigated && <p className="small">This zone is not irrigated: the water does not count here.</p>}
      {prescribed && (
        <ul className="waterlines">
          {prescribed.findings.map(({ of, standing, figure, says }) => {
            const measures = NAME[of].quantity;
            return (
              <li key={of} className={standing}>
                <b>
                  {NAME[of].title}
                  {figure && (
                    <>
                      {' '}
                      <Fig
                        figure={figure}
                        show={(value) => (measures ? units.exact(measures, value, 2) : units.plain(value, 2))}
                      />{' '}
                      <small>
                        <Substances
                          text={measures ? `${units.short(measures, NAME[of].unit)} a year` : NAME[of].unit}
                        />
                      </small>
                    </>
                  )}
                </b>
                <span>
                  <Said text={says} />
                </span>
              </li>
            );
          })}
        </ul>
      )}
      {editing && (
        <WaterModal
          water={water}
          read={handed}
          onClose={() => {
            letGoOfWater();
            setEditing(false);
          }}
        />
      )}
    </section>
  );
}
