import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { ecceBySieves } from '@core/lime/lime-label';
import { FORMS_SLOW_FIRST, NITROGEN_FORM_TABLE } from '@core/nitrogen/forms';
import { labelRateLb } from '@core/products/label/check-label';
import { NITROGEN_FORMS, type NitrogenForm } from '@core/records/vocabularies';
import { fixed, roundedTo, showExact, trimmed } from '@core/words/numbers';
import { ChoiceField, Fault, TextField } from '../../ui/field';
import { StopGlyph } from '../../ui/glyphs';
import { SulfurSign } from '../../ui/marks';
import { NitrogenStrip, nitrogenParts } from '../../ui/nitrogen-strip';
import { Substances } from '../../ui/substance';
import { CoverageRuler } from './coverage-ruler';
import type { LabelSlipState } from './use-label-slip';
import { useUnits } from '../../ui/format';

const COMMON_FORMS = FORMS_SLOW_FIRST.filter((form) => NITROGEN_FORM_TABLE[form].common);
const LIME_KINDS = [
  { value: '', label: 'not a lime' },
  { value: 'calcitic', label: 'calcitic' },
  { value: 'dolomitic', label: 'dolomitic' },
  { value: 'hydrated', label: 'hydrated (caustic)' },
  { value: 'burnt', label: 'burnt (never on a lawn)' },
] as const;

/** What the nitrogen is made of, until the forms add up to the first of the three numbers. */
export function NitrogenPart({ slip: { typed, change, faults, soFar, short, number } }: { slip: LabelSlipState }) {
  const [allForms, setAllForms] = useState(false);
  const total = soFar.guaranteed.N ?? 0;
  const forms = allForms ? NITROGEN_FORMS : COMMON_FORMS;
  const closeGap = (form: NitrogenForm) => {
    const there = Number(typed.nitrogen[form] || 0);
    change({ nitrogen: { ...typed.nitrogen, [form]: trimmed(there + short, 2) } });
  };
  return (
    <section className="part" aria-labelledby="forms">
      <h3 id="forms">
        What the nitrogen is made of
        <span className={short === 0 ? 'quiet' : 'off'}>
          {showExact(total - short, 2)} of {showExact(total, 2)} %
        </span>
      </h3>
      <NitrogenStrip parts={nitrogenParts(soFar)} width={352} of={Math.max(total, total - short)} height={15} />
      <div className="three">
        {forms.map((form) => (
          <TextField
            key={form}
            label={NITROGEN_FORM_TABLE[form].word}
            unit="% N"
            inputMode="decimal"
            value={typed.nitrogen[form] ?? ''}
            fault={faults[`nitrogen.${form}`]}
            onChange={(text) => change({ nitrogen: { ...typed.nitrogen, [form]: text } })}
          />
        ))}
      </div>
      {!allForms && (
        <button type="button" className="link" onClick={() => setAllForms(true)}>
          Other forms
        </button>
      )}
      {soFar.nitrogen && short > 0 && (
        <p className="gap">
          <StopGlyph /> <b>Short by {showExact(short, 2)} % N.</b> The rest is{' '}
          {(['polymer-coated-urea', 'urea', 'other-soluble'] as const).map((form) => (
            <Button key={form} size="small" onClick={() => closeGap(form)}>
              {NITROGEN_FORM_TABLE[form].word}
            </Button>
          ))}
        </p>
      )}
      <Fault>{faults.nitrogen}</Fault>
      <TextField label="Feeds for" unit="days" {...number('releaseDays')} />
    </section>
  );
}

/** Sulfur of both kinds, chloride, and what else is guaranteed. */
export function OtherPart({ slip: { other } }: { slip: LabelSlipState }) {
  return (
    <section className="part" aria-label="Sulfur, chloride and others">
      <div className="two">
        <div className="signed">
          <SulfurSign kind="free" />
          <TextField label="Sulfur, free" {...other('S-free')} />
        </div>
        <div className="signed">
          <SulfurSign kind="combined" />
          <TextField label="Sulfur, combined" {...other('S-combined')} />
        </div>
        <TextField label="Chloride, at most" {...other('Cl')} />
        <TextField label="Magnesium" {...other('Mg')} />
        <TextField label="Calcium" {...other('Ca')} />
        <TextField label="Iron" {...other('Fe')} />
      </div>
      <details>
        <summary>Manganese, zinc, copper, boron</summary>
        <div className="two">
          <TextField label="Manganese" {...other('Mn')} />
          <TextField label="Zinc" {...other('Zn')} />
          <TextField label="Copper" {...other('Cu')} />
          <TextField label="Boron" {...other('B')} />
        </div>
      </details>
    </section>
  );
}

/** The package: size, price, stock, what it is said to cover, and the rate that this means. */
export function PackagePart({ slip: { typed, change, faults, soFar, number, packed } }: { slip: LabelSlipState }) {
  const units = useUnits();
  const rate = labelRateLb(soFar);
  return (
    <section className="part" aria-label="Package">
      <div className="two">
        <ChoiceField
          label="Form"
          value={typed.form}
          options={[
            { value: 'granular', label: 'granular' },
            { value: 'liquid', label: 'liquid' },
          ]}
          onChange={(form) => change({ form })}
        />
        {typed.form === 'liquid' ? (
          <>
            <TextField label="Jug" unit={units.unit('volume')} {...packed('gal')} />
            <TextField label="Density" unit={units.unit('liquid-density')} {...number('lbPerGal')} />
          </>
        ) : (
          <TextField
            label="A bag of"
            unit={units.unit('weight', typed.limeKind ? 'lime' : 'product')}
            {...packed('lb')}
          />
        )}
        <TextField label="covers" unit={units.unit('area')} {...number('coverageSqFt')} />
        <TextField label={typed.form === 'liquid' ? 'Price a jug' : 'Price a bag'} unit="$" {...packed('price')} />
        <TextField label="On hand" unit={units.unit('weight', 'product')} {...number('onHandLb')} />
        {typed.form === 'granular' && <TextField label="Size guide no." {...number('sizeGuideNumber')} />}
        {typed.form === 'granular' && <TextField label="Granule density" unit="g/cm³" {...number('granuleDensity')} />}
        <TextField label="Lot" value={typed.lot} fault={faults.lot} onChange={(lot) => change({ lot })} />
      </div>
      <details className="labellimits">
        <summary>What its label says of the hour</summary>
        <div className="two">
          <TextField label="Most wind" unit={units.unit('speed')} {...number('mostWindMph')} />
          <TextField label="Rainfast after" unit="h" {...number('rainfastHours')} />
          <TextField label="Air at least" unit={units.unit('temperature')} {...number('leastAirF')} />
          <TextField label="Air at most" unit={units.unit('temperature')} {...number('mostAirF')} />
        </div>
      </details>
      <Checkbox checked={typed.pesticide} onChange={(event) => change({ pesticide: event.target.checked })}>
        It also holds a pesticide
      </Checkbox>
      {rate !== undefined && (
        <p className="implied">
          <b>{units.productRate(rate)}</b> {units.unit('product-rate', 'product')}:{' '}
          {(['N', 'P2O5', 'K2O'] as const).map((nutrient, i) => (
            <span key={nutrient}>
              {i > 0 && ', '}
              <b>{units.rate((rate * (soFar.guaranteed[nutrient] ?? 0)) / 100)}</b>{' '}
              <Substances text={units.short('nutrient-rate', nutrient)} />
            </span>
          ))}
          .
        </p>
      )}
      <CoverageRuler product={soFar} />
    </section>
  );
}

/** Whether it is a lime, and how fine. */
export function LimePart({ slip: { typed, change, soFar, number } }: { slip: LabelSlipState }) {
  const sieved = ecceBySieves(soFar);
  return (
    <section className="part" aria-label="Lime">
      <div className="two">
        <ChoiceField
          label="Lime"
          value={typed.limeKind}
          options={LIME_KINDS}
          onChange={(limeKind) => change({ limeKind })}
        />
        {typed.limeKind !== '' && (
          <>
            <TextField label="CCE" unit="%" {...number('ccePercent')} />
            <TextField label="ECCE" unit="%" {...number('eccePercent')} />
            <span />
            <TextField label="Over 8 mesh" unit="%" {...number('over8MeshPercent')} />
            <TextField label="8 to 20 mesh" unit="%" {...number('mesh8to20Percent')} />
            <TextField label="20 to 60 mesh" unit="%" {...number('mesh20to60Percent')} />
            <TextField label="Under 60 mesh" unit="%" {...number('under60MeshPercent')} />
          </>
        )}
      </div>
      {sieved !== undefined && (
        <p className="small">
          By its sieves the ECCE is <b>{showExact(sieved, 1)}</b> %.{' '}
          {Number(typed.numbers.eccePercent) !== roundedTo(sieved, 1) && (
            <Button
              size="small"
              onClick={() => change({ numbers: { ...typed.numbers, eccePercent: fixed(sieved, 1) } })}
            >
              Take it
            </Button>
          )}
        </p>
      )}
    </section>
  );
}
