import { Button, Checkbox, Select } from 'antd';
import { useId, useState } from 'react';
import { isIsoDay } from '@core/days/day';
import { doseKey } from '@core/season/plan/dose-key';
import type { Dose } from '@core/season/plan/dose';
import { sayWeekday } from '@core/words/days';
import { densityOf } from '@core/products/as-weighed';
import { faceOf } from '@core/products/label/face';
import { type Product, RECORD_KINDS, type RecordBody, type RecordFacts, type Zone } from '@core/records/case';
import { KINDS, spreadsProduct } from '@core/log/kinds';
import { ChoiceField, Fault, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { amountOut } from '../../work/amount-out';
import { bodyFrom, EXTRA, FACT_FIELDS, type TypedRecord } from './typed-record';

type Fact = keyof RecordFacts;

const KIND_OPTIONS = [
  { value: 'product' as const, label: 'Product put down' },
  ...RECORD_KINDS.filter((kind) => !spreadsProduct(kind)).map((kind) => ({ value: kind, label: KINDS[kind].title })),
];

function FactInput({
  fact,
  text,
  fault,
  onChange,
}: {
  fact: Fact;
  text: string;
  fault: string | undefined;
  onChange: (text: string) => void;
}) {
  const units = useUnits();
  const id = useId();
  const field = FACT_FIELDS[fact];
  switch (field.is) {
    case 'number':
      return (
        <TextField
          label={field.label}
          unit={field.quantity ? units.unit(field.quantity, field.unit ?? '') : field.unit}
          inputMode="decimal"
          value={text}
          fault={fault}
          onChange={onChange}
        />
      );
    case 'text':
      return <TextField label={field.label} value={text} fault={fault} onChange={onChange} />;
    case 'word':
      return (
        <ChoiceField
          label={field.label}
          value={text || undefined}
          fault={fault}
          options={field.options.map((value) => ({ value, label: value.replaceAll('-', ' ') }))}
          onChange={onChange}
        />
      );
    case 'words':
      return (
        <div className="field">
          <label className="label" htmlFor={id}>
            {field.label}
          </label>
          <Select
            id={id}
            mode="multiple"
            value={text === '' ? [] : text.split('|')}
            options={field.options.map((value) => ({ value, label: value }))}
            onChange={(values: string[]) => onChange(values.join('|'))}
            virtual={false}
          />
          <Fault>{fault}</Fault>
        </div>
      );
    case 'yes':
      return (
        <Checkbox checked={text === 'true'} onChange={({ target }) => onChange(target.checked ? 'true' : '')}>
          {field.label}
        </Checkbox>
      );
  }
}

/** A record typed or corrected: its kind first, then only what that kind has. */
export function RecordForm({
  start,
  before,
  products,
  zones,
  offered: offersOf,
  faults: answered,
  onSave,
  onCancel,
}: {
  start: TypedRecord;
  /** The record that is corrected, which needs a reason. */
  before?: RecordBody;
  products: readonly Product[];
  zones: readonly Zone[];
  /** Doses of the plan that something put down may have carried out. */
  offered: (of: { zoneId: string; date: string; product: Product }) => readonly Dose[];
  faults: Readonly<Record<string, string>>;
  onSave: (body: RecordBody, reason: string) => Promise<unknown>;
  onCancel: () => void;
}) {
  const units = useUnits();
  const id = useId();
  const [typed, setTyped] = useState(start);
  const [reason, setReason] = useState('');
  const [own, setOwn] = useState<Readonly<Record<string, string>>>({});
  const faults = { ...answered, ...own };
  const change = (part: Partial<TypedRecord>) => {
    setTyped((all) => ({ ...all, ...part }));
    setOwn({});
  };
  const isProduct = typed.kind === 'product';
  const offered = products.filter(({ unfinished }) => !unfinished);
  const product = products.find(({ id: each }) => each === typed.productId);
  const [zoneId, ...more] = typed.zoneIds;
  const doses =
    isProduct && product && zoneId !== undefined && more.length === 0 && isIsoDay(typed.date)
      ? offersOf({ zoneId, date: typed.date, product })
      : [];
  const tiedTo = before?.planned && typed.doseKey !== EXTRA && !doses.some((dose) => doseKey(dose) === typed.doseKey);
  const out = amountOut(units, before?.product?.lbPerGal ?? (product && densityOf(product)));
  const did = out.isLiquid ? 'Measured out' : 'Weighed out';
  const facts = typed.kind === 'product' ? [] : [...KINDS[typed.kind].needs, ...KINDS[typed.kind].takes];
  const save = () => {
    const { body, faults: found } = bodyFrom(typed, { products, zones, units, doses, ...(before ? { before } : {}) });
    const all = {
      ...found,
      ...(before && reason.trim().length < 3 ? { reason: 'Say why: what counted before stays in the record.' } : {}),
    };
    setOwn(all);
    if (body && Object.keys(all).length === 0) void onSave(body, reason);
  };
  const shown = [
    'date',
    'zoneIds',
    'product',
    'weighed',
    'back',
    'wind',
    'air',
    'reason',
    ...facts.map((fact) => `facts.${fact}`),
  ];
  const others = Object.entries(faults).filter(([field]) => !shown.includes(field));
  return (
    <section className="recordform" aria-labelledby="recordform">
      <h2 id="recordform">{before ? 'Edit the record' : 'Add a record'}</h2>
      <div className="recordfields">
        {!before && (
          <ChoiceField
            label="Kind"
            value={typed.kind}
            options={KIND_OPTIONS}
            onChange={(kind) => change({ kind, facts: {} })}
          />
        )}
        <TextField
          label="Day"
          type="date"
          value={typed.date}
          fault={faults.date}
          onChange={(date) => change({ date })}
        />
        <div className="field">
          <label className="label" htmlFor={id}>
            Zones
          </label>
          <Select
            id={id}
            mode="multiple"
            value={[...typed.zoneIds]}
            options={zones.map((zone) => ({ value: zone.id, label: zone.name }))}
            onChange={(zoneIds: string[]) => change({ zoneIds })}
            virtual={false}
          />
          <Fault>{faults.zoneIds}</Fault>
        </div>
        {isProduct && (
          <>
            <ChoiceField
              label="Product"
              value={typed.productId || undefined}
              fault={faults.product}
              options={[
                ...(before?.product && !offered.some(({ id: each }) => each === before.product?.id)
                  ? [{ value: before.product.id, label: `${before.product.name}, not on the shelf any more` }]
                  : []),
                ...offered.map((each) => ({ value: each.id, label: `${each.name} ${faceOf(each)}` })),
              ]}
              onChange={(productId) => change({ productId })}
            />
            <TextField
              label={did}
              unit={out.unit}
              inputMode="decimal"
              value={typed.weighed}
              fault={faults.weighed}
              onChange={(weighed) => change({ weighed })}
            />
            <TextField
              label="Left over"
              unit={out.unit}
              inputMode="decimal"
              value={typed.back}
              fault={faults.back}
              onChange={(back) => change({ back })}
            />
            {(doses.length > 0 || tiedTo) && (
              <ChoiceField
                label="Dose of the plan"
                value={typed.doseKey || (doses[0] ? doseKey(doses[0]) : EXTRA)}
                options={[
                  ...(tiedTo && before?.planned
                    ? [{ value: typed.doseKey, label: `${sayWeekday(before.planned.date)}, as it was tied` }]
                    : []),
                  ...doses.map((dose) => ({
                    value: doseKey(dose),
                    label: `${sayWeekday(dose.date)}, ${out.say(dose.zoneLb)}`,
                  })),
                  { value: EXTRA, label: 'none: one more' },
                ]}
                onChange={(key) => change({ doseKey: key })}
              />
            )}
            <TextField label="Lot" value={typed.lot} onChange={(lot) => change({ lot })} />
            <TextField
              label="Wind"
              unit={units.unit('speed')}
              inputMode="decimal"
              value={typed.wind}
              fault={faults.wind}
              onChange={(wind) => change({ wind })}
            />
            <TextField
              label="Air"
              unit={units.unit('temperature')}
              inputMode="decimal"
              value={typed.air}
              fault={faults.air}
              onChange={(air) => change({ air })}
            />
          </>
        )}
        {facts.map((fact) => (
          <FactInput
            key={fact}
            fact={fact}
            text={typed.facts[fact] ?? ''}
            fault={faults[`facts.${fact}`]}
            onChange={(text) => change({ facts: { ...typed.facts, [fact]: text } })}
          />
        ))}
        <TextField label="Who" value={typed.operator} onChange={(operator) => change({ operator })} />
        <TextField label="Notes" value={typed.notes} onChange={(notes) => change({ notes })} />
        {before && <TextField label="Why it is corrected" value={reason} fault={faults.reason} onChange={setReason} />}
      </div>
      {others.map(([field, says]) => (
        <Fault key={field}>{says}</Fault>
      ))}
      <div className="recordacts">
        <Button type="primary" onClick={save}>
          Save record
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </section>
  );
}
