import { Radio } from 'antd';
import type { Choices, Product } from '@core/records/case';
import { compareAcidifiers } from '@core/prescription/acidifiers';
import { type Figure, sureFigure, traced } from '@core/reckoning/figure';
import { ecceOf, limeKindOf } from '@core/lime/lime-label';
import type { PhPrescription, ZonePrescription } from '@core/prescription/prescription';
import { highPhAnswers } from '@core/prescription/school-answers';
import type { ZoneFacts } from '@core/prescription/zone-facts';
import { limeDoses } from '@core/lime/doses';
import { limeMaterial } from '@core/lime/material';
import { groupOfTexture } from '@core/ground/texture-groups';
import { nitrogenAcidity } from '@core/nitrogen/acidity';
import { isRefusal } from '@core/reckoning/refusal';
import { evaluate } from '@core/reckoning/define';
import { sulfurForCarbonate } from '@core/sulfur/carbonate';
import { zoneBulkDensity } from '@core/soil/report';
import type { PhFinding } from '@core/soil/interpret';
import { Fig } from '../../../ui/fig';
import { showExact, showMoney, showPh } from '@core/words/numbers';
import { WarnGlyph } from '../../../ui/glyphs';
import { Said, Substances } from '../../../ui/substance';
import { Track } from '../../../ui/track';
import { useUnits } from '../../../ui/format';

/** Where the pH stands against the window of the grass, short. */
export function PhTrack({ finding, ph }: { finding: PhFinding; ph: PhPrescription }) {
  const units = useUnits();
  return (
    <div className="prx">
      <Track
        scale={{
          from: Math.min(4.5, finding.low - 1),
          enough: finding.low,
          high: finding.high,
          to: Math.max(8.5, finding.high + 0.5),
        }}
        value={finding.ph}
        shown={showPh(finding.ph)}
        width={352}
        label={units.said(finding.says)}
        window={{ name: 'window', aim: ph.targetPh ?? finding.aim }}
      />
    </div>
  );
}

/** The limes of the shelf for this need, each with its rate, its doses and its hazard; one of them is taken. */
export function LimeMaterials({
  facts,
  ph,
  onChoose,
}: {
  facts: ZoneFacts;
  ph: PhPrescription;
  onChoose: (id: string) => void;
}) {
  const units = useUnits();
  const need = ph.requirement;
  const limes = facts.products.filter((p) => {
    const kind = p.unfinished ? undefined : limeKindOf(p);
    return kind !== undefined && kind !== 'burnt' && kind !== 'asked';
  });
  const basis = (ph.byRule ?? ph.material)?.inputs.basisEccePercent;
  // lime as spread, the laboratory's or a first dose, has no other material to be turned into
  if (!need || limes.length === 0 || typeof basis !== 'number') return null;
  const { zone } = facts;
  const rateOf = (lime: Product): Figure =>
    sureFigure(
      limeMaterial,
      {
        requirementLb: traced(need.value, 'lime requirement', need),
        eccePercent: traced(ecceOf(lime), `label, ${lime.name}`),
        basisEccePercent: traced(basis, 'lime that the method means'),
      },
      { title: `${lime.name}, rate`, unit: 'lb lime per 1000 ft2', usedIn: 'Prescribe: the limes compared.' },
    );
  return (
    <table className="materials">
      <caption>The limes on the shelf, for this need</caption>
      <thead>
        <tr>
          <th scope="col">Lime</th>
          <th scope="col">ECCE</th>
          <th scope="col">{units.heading('product-rate', 'lime')}</th>
          <th scope="col">Doses</th>
          <th scope="col">Brings</th>
          <th scope="col">Here</th>
        </tr>
      </thead>
      <tbody>
        {limes.map((lime) => {
          const rate = rateOf(lime);
          const split = evaluate(limeDoses, {
            materialLb: rate.value,
            turf: zone.turf ?? 'established',
            textureGroup: groupOfTexture(zone.texture),
            ...(limeKindOf(lime) === 'hydrated' ? { material: 'hydrated' as const } : {}),
          });
          const doses = isRefusal(split) ? [] : split.doses;
          const price = lime.package?.price;
          const cost =
            price !== undefined && lime.package?.lb !== undefined
              ? (((rate.value * zone.areaSqFt) / 1000) * price) / lime.package.lb
              : undefined;
          return (
            <tr key={lime.id} aria-current={lime.id === ph.productId}>
              <th scope="row">
                <Radio checked={lime.id === ph.productId} onChange={() => onChoose(lime.id)}>
                  {lime.name}
                </Radio>
              </th>
              <td>{showExact(ecceOf(lime), 1)}</td>
              <td>
                <Fig figure={rate} show={units.productRate} />
              </td>
              <td>{doses.length === 1 ? 'one' : `${doses.length} of ${units.productRate(doses[0] ?? 0)}`}</td>
              <td>
                {limeKindOf(lime) === 'dolomitic'
                  ? `${units.rate((rate.value * (lime.guaranteed.Mg ?? 0)) / 100)} ${units.short('nutrient-rate', 'Mg')}`
                  : limeKindOf(lime) === 'hydrated'
                    ? 'burns skin and eyes'
                    : 'calcium'}
              </td>
              <td>{cost === undefined ? 'no price' : showMoney(cost)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Ways to lower pH, in lime undone a year: how little a light dose of ammonium does stands beside the sulfur. */
export function Acidifiers({ facts, prescription }: { facts: ZoneFacts; prescription: ZonePrescription }) {
  const units = useUnits();
  const material = (lb: number) => units.show('material-rate', lb);
  const { zone } = facts;
  const { ph, nitrogen } = prescription;
  const percent = zone.calciumCarbonatePercent;
  const carbonate =
    percent === undefined
      ? undefined
      : sureFigure(
          sulfurForCarbonate,
          {
            calciumCarbonatePercent: traced(percent, 'zone, calcium carbonate'),
            depthIn: traced(ph.treatedDepthIn ?? 4, 'depth to treat'),
            bulkDensity: traced(zoneBulkDensity(zone), 'soil of the zone'),
          },
          { title: 'Sulfur to dissolve the free lime', unit: 'lb S per 1000 ft2', usedIn: 'Prescribe.' },
        );
  const comparison = compareAcidifiers(
    zone,
    nitrogen.year,
    carbonate ?? (ph.action === 'sulfur' ? ph.requirement : undefined),
  );
  return (
    <table className="materials">
      <caption>
        Ways to lower pH, as lime undone in a year
        {comparison.need && (
          <>
            ; the soil is <Fig figure={comparison.need} show={material} />{' '}
            <Substances text={units.short('material-rate', 'CaCO3')} /> away
            {carbonate && (
              <>
                {' '}
                (<Fig figure={carbonate} show={material} /> {units.short('material-rate', 'S')} for its free lime alone)
              </>
            )}
          </>
        )}
      </caption>
      <thead>
        <tr>
          <th scope="col">With</th>
          <th scope="col">A year of it</th>
          <th scope="col">
            <Substances text={`${units.short('material-rate', 'CaCO3')} undone`} />
          </th>
          <th scope="col">Years</th>
        </tr>
      </thead>
      <tbody>
        {comparison.rows.map((row) => (
          <tr key={row.id}>
            <th scope="row">{row.name}</th>
            <td>
              <Said text={row.aYear} />
            </td>
            <td>
              <Fig figure={row.undoes} show={material} />
            </td>
            <td>{row.years === undefined ? '–' : row.years < 1 ? 'under 1' : showExact(row.years, 0)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The schools on a pH that is too high, each with what it would do here. */
export function HighPhSchools({
  facts,
  onChoose,
}: {
  facts: ZoneFacts;
  onChoose: (id: NonNullable<Choices['highPh']>) => void;
}) {
  const units = useUnits();
  return (
    <fieldset className="highph">
      <legend>What to do about a high pH</legend>
      {highPhAnswers(facts).map((each) => (
        <div key={each.id}>
          <Radio checked={each.chosen} onChange={() => onChoose(each.id)}>
            {each.title}
            {each.ph.action === 'sulfur' && each.ph.requirement && (
              <>
                : <b>{units.rate(each.ph.requirement.value)}</b> {units.short('nutrient-rate', 'S')}
              </>
            )}
          </Radio>
          <p className="small">
            <Said text={each.because} /> <i>Against:</i> <Said text={each.against} />
          </p>
        </div>
      ))}
    </fieldset>
  );
}

/** To hold a pH and to correct it are two things: what the year's nitrogen takes from it. */
export function HoldingPh({ prescription }: { prescription: ZonePrescription }) {
  const units = useUnits();
  const material = (lb: number) => units.show('material-rate', lb);
  const { year } = prescription.nitrogen;
  if (year.value === 0) return null;
  const acid = (source: 'urea' | 'ammonium-sulfate') =>
    sureFigure(
      nitrogenAcidity,
      { nitrogenLb: traced(year.value, 'nitrogen for the year', year), source: traced(source, 'the source compared') },
      {
        title: `Lime that the year’s nitrogen undoes, as ${source.replace('-', ' ')}`,
        unit: 'lb CaCO3 per 1000 ft2',
        usedIn: 'Prescribe: holding the pH.',
      },
    );
  return (
    <p className="small">
      To hold the pH is another matter: the year’s nitrogen undoes <Fig figure={acid('urea')} show={material} />{' '}
      <Substances text={units.heading('material-rate', 'CaCO3')} /> as urea,{' '}
      <Fig figure={acid('ammonium-sulfate')} show={material} /> as ammonium sulfate.
    </p>
  );
}

/** One sentence with the caution sign before it. */
export function Caution({ children }: { children: string }) {
  return (
    <p className="caution small">
      <WarnGlyph />
      <span>
        <b>Caution</b> <Said text={children} />
      </span>
    </p>
  );
}
