import { Button } from 'antd';
import { DEFAULT_BULK_DENSITY, groupOfTexture } from '@core/ground/texture-groups';
import { sureFigure, traced } from '@core/reckoning/figure';
import { soilMass } from '@core/soil/soil-mass';
import { Fig } from '../../../ui/fig';
import { ANSWERS } from './hand-question';
import type { HandTestState } from './use-hand-test';
import { unslug } from '@core/words/unslug';
import { useUnits } from '../../../ui/format';

/** What the answer that is pointed at would mean for the plan. */
export function HandMargin({ at: { question, focused, would, group, stopHere } }: { at: HandTestState }) {
  const units = useUnits();
  return (
    <aside className="margin">
      <h2>If {ANSWERS[question][focused]?.[0].toLowerCase()}</h2>
      <ul>
        {would.map((texture) => (
          <li key={texture} className="ledgerline">
            <b>{unslug(texture)}</b>
            <i className="leader" />
            <span>{groupOfTexture(texture)}</span>
          </li>
        ))}
      </ul>
      {group && would.length > 1 && (
        <>
          <p className="note">
            All {would.length} count as {group} in every table, so you may stop at this answer.
          </p>
          <Button onClick={stopHere}>Stop here, use {unslug(would[1] as string)}</Button>
        </>
      )}
      {group && (
        <>
          <h2>What the plan takes from it</h2>
          <p className="ledgerline">
            <span>Table row</span>
            <i className="leader" />
            <span>{group}</span>
          </p>
          <p className="ledgerline">
            <span>Bulk density, default</span>
            <i className="leader" />
            <b>{DEFAULT_BULK_DENSITY[group]} g/cm³</b>
          </p>
          <p className="ledgerline">
            <span>
              Soil to {units.said('4 in')}, per {units.areaOf('soil-mass')}
            </span>
            <i className="leader" />
            <span>
              <Fig
                figure={sureFigure(
                  soilMass,
                  {
                    depthIn: traced(4, 'root zone of turf, common practice'),
                    bulkDensity: traced(DEFAULT_BULK_DENSITY[group], `default for ${group}, common practice`),
                  },
                  {
                    title: 'Soil in the root zone',
                    unit: 'lb soil per 1000 ft2',
                    usedIn: 'Prescribe: every balance.',
                  },
                )}
                show={(lb) => units.show('soil-mass', lb)}
              />{' '}
              {units.short('soil-mass', 'soil')}
            </span>
          </p>
        </>
      )}
      <p className="small">
        A new hand test replaces the old one. It never overwrites a laboratory’s sand, silt and clay.
      </p>
    </aside>
  );
}
