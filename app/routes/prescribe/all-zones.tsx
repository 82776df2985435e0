import './all-zones.css';
import { Link } from 'react-router';
import type { OwnFigure } from '@core/records/case';
import { grassOf } from '@core/packs/grasses';
import type { Figure } from '@core/reckoning/figure';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { Fig } from '../../ui/fig';
import { type QuantityId, useUnits } from '../../ui/format';
import { ownWords } from '../../work/own-words';
import { Substances } from '../../ui/substance';
import { placeHash } from '../../ui/place';

interface Cell {
  figure?: Figure;
  value: number;
  own?: OwnFigure;
  byRule?: Figure;
  word?: string;
}

const lineOf = (line: ZoneSeason['prescription']['potassium']): Cell => ({
  figure: line.year,
  value: line.yearLb,
  own: line.own,
  byRule: line.byRule,
  word: line.level === 'not-tested' ? 'not tested' : 'none',
});

const ROWS: readonly {
  name: string;
  substance: string;
  quantity: QuantityId;
  of: (zone: ZoneSeason) => Cell;
}[] = [
  {
    name: 'Lime',
    substance: 'lime',
    quantity: 'product-rate',
    of: ({ prescription: { ph } }) =>
      ph.action === 'lime' && ph.material
        ? { figure: ph.material, value: ph.material.value, own: ph.own, byRule: ph.byRule }
        : { value: 0, word: 'none' },
  },
  {
    name: 'Free sulfur',
    substance: 'S',
    quantity: 'nutrient-rate',
    of: ({ prescription: { ph } }) =>
      ph.action === 'sulfur' && ph.material
        ? { figure: ph.material, value: ph.material.value, own: ph.own, byRule: ph.byRule }
        : { value: 0, word: ph.action === 'leave' ? 'leave' : 'none' },
  },
  {
    name: 'Nitrogen',
    substance: 'N',
    quantity: 'nutrient-rate',
    of: ({ prescription: { nitrogen } }) => ({
      figure: nitrogen.year,
      value: nitrogen.year.value,
      own: nitrogen.own,
      byRule: nitrogen.byRule,
    }),
  },
  {
    name: 'Phosphorus',
    substance: 'P2O5',
    quantity: 'nutrient-rate',
    of: ({ prescription }) => lineOf(prescription.phosphorus),
  },
  {
    name: 'Potassium',
    substance: 'K2O',
    quantity: 'nutrient-rate',
    of: ({ prescription }) => lineOf(prescription.potassium),
  },
  {
    name: 'Magnesium',
    substance: 'Mg',
    quantity: 'nutrient-rate',
    of: ({ prescription }) => lineOf(prescription.magnesium),
  },
  {
    name: 'Sulfur, combined',
    substance: 'S',
    quantity: 'nutrient-rate',
    of: ({ prescription }) => lineOf(prescription.sulfur),
  },
];

/** Every zone of the property side by side, in the order of judgement: per 1000, and what the whole zone takes. */
export function AllZones({ zones }: { zones: readonly ZoneSeason[] }) {
  const units = useUnits();
  const owns = zones.flatMap(({ zone }) => (zone.own ?? []).map((own) => ({ zone, own })));
  return (
    <div className="allzones">
      <table aria-label="The prescription of every zone">
        <thead>
          <tr>
            <th scope="col">For the year, per {units.areaOf('nutrient-rate')}</th>
            {zones.map(({ zone, prescription }) => (
              <th key={zone.id} scope="col">
                <Link className="link" to={{ hash: placeHash({ zone: zone.id }) }}>
                  {zone.name}
                </Link>
                <span>
                  {grassOf(zone.grass).name}, {units.say('area', zone.areaSqFt)}
                  {!prescription.tested && ', no report'}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ROWS.map((row) => {
            const cells = zones.map((zone) => ({ zone, cell: row.of(zone) }));
            if (cells.every(({ cell }) => cell.value === 0) && row.name !== 'Phosphorus') return null;
            return (
              <tr key={row.name}>
                <th scope="row">
                  {row.name}
                  <span>
                    <Substances text={units.short(row.quantity, row.substance)} />
                  </span>
                </th>
                {cells.map(({ zone, cell }) => (
                  <td key={zone.zone.id}>
                    {cell.figure && cell.value > 0 ? (
                      <>
                        <b className={cell.own ? 'mine' : undefined}>
                          <Fig figure={cell.figure} show={(lb) => units.show(row.quantity, lb)} />
                        </b>
                        {cell.own && (
                          <span className="was">
                            <s>{units.show(row.quantity, cell.byRule?.value ?? 0)}</s> by the rule
                          </span>
                        )}
                        <span>
                          {units.weight((cell.value * zone.zone.areaSqFt) / 1000)}{' '}
                          <Substances text={units.unit('weight', row.substance)} /> here
                        </span>
                      </>
                    ) : (
                      <span className="quiet">{cell.word}</span>
                    )}
                  </td>
                ))}
              </tr>
            );
          })}
          <tr>
            <th scope="row">Trips</th>
            {zones.map(({ zone, doses }) => (
              <td key={zone.id}>
                {new Set(doses.map((dose) => dose.date)).size || <span className="quiet">not dated</span>}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      {owns.length > 0 && (
        <section className="ownlist">
          <h2>Overrides</h2>
          <ul>
            {owns.map(({ zone, own }) => (
              <li key={zone.id + own.line}>
                <b>
                  {zone.name}, {own.line.replaceAll('-', ' ')} {ownWords(own, units)}
                </b>{' '}
                <i>{own.reason}</i> {[own.by, own.on].filter(Boolean).join(', ')}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
