import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { type FetcherWithComponents } from 'react-router';
import type { Product } from '@core/records/case';
import { FORMS_SLOW_FIRST, NITROGEN_FORM_TABLE } from '@core/nitrogen/forms';
import { NITROGEN_FORMS, type NitrogenForm } from '@core/records/vocabularies';
import { limeEcce } from '@core/lime/ecce';
import { checkLabel, formsShortBy, labelRateLb } from '@core/products/label/check-label';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { ChoiceField, Fault, TextField } from '../../ui/field';
import { showExact, showProductRate, showRate, fixed, roundedTo, trimmed } from '@core/words/numbers';
import { StopGlyph, WarnGlyph } from '../../ui/glyphs';
import { SulfurSign } from '../../ui/marks';
import { NitrogenStrip, nitrogenParts } from '../../ui/nitrogen-strip';
import { Substances } from '../../ui/substance';
import { CoverageRuler } from './coverage-ruler';
import { GradeEntry } from './grade-entry';
import { labelFrom, labelSoFar, type OtherGuarantee, type PlainNumber, type TypedLabel } from './typed-label';
import { sendBy } from '../../work/send';

export type LabelAnswer = { faults?: Record<string, string>; kept?: string };
export type LabelSent = { intent: 'keep'; typed: TypedLabel; draft: boolean };

const COMMON_FORMS = FORMS_SLOW_FIRST.filter((form) => NITROGEN_FORM_TABLE[form].common);
const LIME_KINDS = [
  { value: '', label: 'not a lime' },
  { value: 'calcitic', label: 'calcitic' },
  { value: 'dolomitic', label: 'dolomitic' },
  { value: 'hydrated', label: 'hydrated (caustic)' },
  { value: 'burnt', label: 'burnt (never on a lawn)' },
] as const;

interface LabelSlipProps {
  product?: Product;
  fetcher: FetcherWithComponents<LabelAnswer>;
  onClose: () => void;
  onRemove?: () => void;
}

/** A label entered as a bag is read: the three numbers first, then what stands under them. */
export function LabelSlip({ product, fetcher, onClose, onRemove }: LabelSlipProps) {
  const [typed, setTyped] = useState(() => labelFrom(product));
  const [allForms, setAllForms] = useState(false);
  const change = (over: Partial<TypedLabel>) => setTyped((before) => ({ ...before, ...over }));
  const faults = fetcher.state === 'idle' ? (fetcher.data?.faults ?? {}) : {};
  const soFar = labelSoFar(typed);
  const remarks = checkLabel(soFar);
  const stops = remarks.filter((remark) => remark.standing === 'stop');
  const short = formsShortBy(soFar);
  const total = soFar.guaranteed.N ?? 0;
  const unconfirmed = typed.typedGrade.trim() !== '' && !typed.grade;
  const waits = unconfirmed
    ? 'the three numbers'
    : typed.name.trim() === ''
      ? 'a name'
      : short > 0
        ? `${showExact(short, 2)} % N`
        : stops.length > 0
          ? 'what is marked above'
          : undefined;
  const send = (draft: boolean) => sendBy(fetcher, { intent: 'keep', typed, draft });
  const number = (key: PlainNumber, label: string, unit?: string) => (
    <TextField
      label={label}
      unit={unit}
      inputMode="decimal"
      value={typed.numbers[key] ?? ''}
      fault={faults[key]}
      onChange={(text) => change({ numbers: { ...typed.numbers, [key]: text } })}
    />
  );
  const other = (key: OtherGuarantee, label: string) => (
    <TextField
      label={label}
      unit="%"
      inputMode="decimal"
      value={typed.other[key] ?? ''}
      fault={faults[`guaranteed.${key}`]}
      onChange={(text) => change({ other: { ...typed.other, [key]: text } })}
    />
  );
  const closeGap = (form: NitrogenForm) => {
    const there = Number(typed.nitrogen[form] || 0);
    change({ nitrogen: { ...typed.nitrogen, [form]: trimmed(there + short, 2) } });
  };
  const sieved = evaluateEcce(soFar);
  const rate = labelRateLb(soFar);
  const forms = allForms ? NITROGEN_FORMS : COMMON_FORMS;
  return (
    <aside
      className="labelslip"
      aria-label={product ? `Label of ${product.name}` : 'New label'}
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.nativeEvent.stopImmediatePropagation();
          onClose();
        }
      }}
    >
      <div className="bar">
        <span className="note">{product ? (product.unfinished ? 'Half entered' : 'On the shelf') : 'New label'}</span>
        <Button size="small" onClick={onClose}>
          Close <span className="kbd">Esc</span>
        </Button>
      </div>
      <h2>{typed.name.trim() || 'Unnamed bag'}</h2>
      <TextField
        label="Name on the bag"
        value={typed.name}
        fault={faults.name}
        autoFocus={!product}
        onChange={(name) => change({ name })}
      />
      <GradeEntry
        typed={typed.typedGrade}
        grade={typed.grade}
        fault={faults.grade ?? faults.guaranteed}
        onType={(typedGrade) => change({ typedGrade, grade: undefined })}
        onConfirm={(grade) => change({ grade })}
      />
      {total > 0 && (
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
          {number('releaseDays', 'Feeds for', 'days')}
        </section>
      )}
      <section className="part" aria-label="Sulfur, chloride and others">
        <div className="two">
          <div className="signed">
            <SulfurSign kind="free" />
            {other('S-free', 'Sulfur, free')}
          </div>
          <div className="signed">
            <SulfurSign kind="combined" />
            {other('S-combined', 'Sulfur, combined')}
          </div>
          {other('Cl', 'Chloride, at most')}
          {other('Mg', 'Magnesium')}
          {other('Ca', 'Calcium')}
          {other('Fe', 'Iron')}
        </div>
        <details>
          <summary>Manganese, zinc, copper, boron</summary>
          <div className="two">
            {other('Mn', 'Manganese')}
            {other('Zn', 'Zinc')}
            {other('Cu', 'Copper')}
            {other('B', 'Boron')}
          </div>
        </details>
      </section>
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
              <TextField
                label="Jug"
                unit="gal"
                inputMode="decimal"
                value={typed.package.gal}
                fault={faults['package.gal']}
                onChange={(gal) => change({ package: { ...typed.package, gal } })}
              />
              {number('lbPerGal', 'Density', 'lb/gal')}
            </>
          ) : (
            <TextField
              label="A bag of"
              unit={typed.limeKind ? 'lb lime' : 'lb product'}
              inputMode="decimal"
              value={typed.package.lb}
              fault={faults['package.lb']}
              onChange={(lb) => change({ package: { ...typed.package, lb } })}
            />
          )}
          {number('coverageSqFt', 'covers', 'sq ft')}
          <TextField
            label={typed.form === 'liquid' ? 'Price a jug' : 'Price a bag'}
            unit="$"
            inputMode="decimal"
            value={typed.package.price}
            fault={faults['package.price']}
            onChange={(price) => change({ package: { ...typed.package, price } })}
          />
          {number('onHandLb', 'On hand', 'lb product')}
          {typed.form === 'granular' && number('sizeGuideNumber', 'Size guide no.')}
          {typed.form === 'granular' && number('granuleDensity', 'Granule density', 'g/cm³')}
          <TextField label="Lot" value={typed.lot} fault={faults.lot} onChange={(lot) => change({ lot })} />
        </div>
        <Checkbox checked={typed.pesticide} onChange={(event) => change({ pesticide: event.target.checked })}>
          It also holds a pesticide
        </Checkbox>
        {rate !== undefined && (
          <p className="implied">
            <b>{showProductRate(rate)}</b> lb product per 1000 sq ft:{' '}
            {(['N', 'P2O5', 'K2O'] as const).map((nutrient, i) => (
              <span key={nutrient}>
                {i > 0 && ', '}
                <b>{showRate((rate * (soFar.guaranteed[nutrient] ?? 0)) / 100)}</b> lb <Substances text={nutrient} />
              </span>
            ))}
            .
          </p>
        )}
        <CoverageRuler product={soFar} />
      </section>
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
              {number('ccePercent', 'CCE', '%')}
              {number('eccePercent', 'ECCE', '%')}
              <span />
              {number('over8MeshPercent', 'Over 8 mesh', '%')}
              {number('mesh8to20Percent', '8 to 20 mesh', '%')}
              {number('mesh20to60Percent', '20 to 60 mesh', '%')}
              {number('under60MeshPercent', 'Under 60 mesh', '%')}
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
      {remarks.length > 0 && (
        <ul className="remarks" aria-label="Label checks">
          {remarks.map((remark) => (
            <li key={remark.id} className={remark.standing}>
              {remark.standing === 'stop' ? <StopGlyph /> : <WarnGlyph />}
              <span>
                <Substances text={remark.says} />
              </span>
            </li>
          ))}
        </ul>
      )}
      <Fault>{faults.storage ?? faults.id}</Fault>
      {Object.keys(faults).length > 0 && !faults.storage && <Fault>Not stored: {Object.values(faults)[0]}</Fault>}
      <div className="foot">
        <Button type="primary" disabled={waits !== undefined} onClick={() => void send(false)}>
          {product && !product.unfinished ? 'Save label' : 'Save to the shelf'}
        </Button>
        {waits !== undefined && <span className="note">waits for {waits}</span>}
        {waits !== undefined && typed.name.trim() !== '' && <Button onClick={() => void send(true)}>Save draft</Button>}
        {onRemove && <Button onClick={onRemove}>Delete label</Button>}
      </div>
    </aside>
  );
}

/** ECCE from CCE and sieves, where all of them are given. */
function evaluateEcce(product: Product): number | undefined {
  const { ccePercent, over8MeshPercent, mesh8to20Percent, mesh20to60Percent, under60MeshPercent } = product;
  if (ccePercent === undefined || under60MeshPercent === undefined) return undefined;
  const value = evaluate(limeEcce, {
    ccePercent,
    over8MeshPercent: over8MeshPercent ?? 0,
    mesh8to20Percent: mesh8to20Percent ?? 0,
    mesh20to60Percent: mesh20to60Percent ?? 0,
    under60MeshPercent,
  });
  return isRefusal(value) ? undefined : value;
}
