import { Form, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import type { PlannedDose, Product, Zone } from '@core/records/case';
import { faceOf } from '@core/products/label/face';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { addDose } from '@core/season/edit/edit-plan';
import { leastRateLb } from '@core/products/least-rate';
import { usualSprayLb } from '@core/foliar/foliar-feeds';
import { densityOf } from '@core/products/as-weighed';
import { amountOf } from '../../../work/amount-out';
import { mondaysOf } from '@core/days/weeks';
import { Fault } from '../../../ui/field';
import { sayDay } from '@core/words/days';
import { roundedTo } from '@core/words/numbers';
import { useUnits } from '../../../ui/format';

/** Adds a dose by hand: zone, week, product, rate. The checks judge it once it stands. */
export function AddDose({
  zones,
  zoneId,
  products,
  year,
  phosphorusWanted,
  nitrogenClosed,
  doses,
  onAdd,
  onClose,
}: {
  zones: readonly Zone[];
  zoneId: string;
  products: readonly Product[];
  year: number;
  phosphorusWanted: boolean;
  /** Why a zone's week is closed to nitrogen; undefined where it is open, or closed to everything. */
  nitrogenClosed: (zoneId: string, date: string) => string | undefined;
  doses: readonly PlannedDose[];
  onAdd: (next: PlannedDose[] | Refusal, says: string) => void;
  onClose: () => void;
}) {
  const units = useUnits();
  const [zone, setZone] = useState(zoneId);
  // a liquid is measured out by its density; that it supplements and does not feed, the checks say
  const usable = products.filter(
    (p) => !p.pesticide && !p.unfinished && (p.form !== 'liquid' || densityOf(p) !== undefined),
  );
  const [date, setDate] = useState<string | undefined>();
  const [productId, setProductId] = useState<string | undefined>();
  const [rateLb, setRateLb] = useState<number | null>(null);
  const [fault, setFault] = useState<string | undefined>();
  const product = usable.find((p) => p.id === productId);
  const out = amountOf(units, product);
  const perLb = out.ratePerLb;
  // a spray goes out at its usual strength; what a spreader lays would burn
  const rateOf = (chosen: Product) =>
    usualSprayLb(chosen) ?? leastRateLb(chosen, zones.find((z) => z.id === zone) ?? {});
  const closed = date === undefined ? undefined : nitrogenClosed(zone, date);
  const bringsN = (chosen: Product) => (chosen.guaranteed.N ?? 0) > 0;
  // where nitrogen is closed, what brings none comes first: a visit of its own
  const offered = closed ? [...usable].sort((a, b) => Number(bringsN(a)) - Number(bringsN(b))) : usable;
  const add = () => {
    if (!date) return setFault('Choose the week it goes down.');
    if (!product) return setFault('Choose the product.');
    const rate = rateLb ?? rateOf(product);
    const next = addDose(doses, { zoneId: zone, date, product, rateLb: rate, phosphorusWanted });
    if (isRefusal(next)) return setFault(next.refused);
    onAdd(next, `${product.name} added on ${sayDay(date)}`);
  };
  return (
    <Modal title="Add a dose" open onOk={add} onCancel={onClose} okText="Add this dose" destroyOnHidden>
      <Form layout="vertical">
        <Form.Item label="Zone" htmlFor="add-zone">
          <Select
            id="add-zone"
            aria-label="Zone of the dose"
            value={zone}
            onChange={setZone}
            options={zones.map((z) => ({ value: z.id, label: z.name }))}
          />
        </Form.Item>
        <Form.Item label="Week of" htmlFor="add-week">
          <Select
            id="add-week"
            aria-label="Week of the new dose"
            value={date}
            onChange={setDate}
            options={mondaysOf(year).map((w) => ({ value: w.date, label: sayDay(w.date) }))}
          />
        </Form.Item>
        <Form.Item label="Product" htmlFor="add-product">
          <Select
            id="add-product"
            aria-label="Product of the new dose"
            value={productId}
            onChange={(id: string) => {
              setProductId(id);
              const chosen = usable.find((p) => p.id === id);
              if (chosen && rateLb === null) setRateLb(roundedTo(rateOf(chosen), 2));
            }}
            options={offered.map((p) => ({ value: p.id, label: `${p.name} ${faceOf(p)}` }))}
          />
        </Form.Item>
        {closed && (
          <p className="small">
            {closed}: nitrogen waits. What brings none (iron, potash, lime) may go out on a visit of its own.
          </p>
        )}
        <Form.Item label={`Rate, ${out.rateUnit}`} htmlFor="add-rate">
          <InputNumber
            id="add-rate"
            min={roundedTo(0.01 * perLb, 2)}
            max={200 * perLb}
            step={out.rateStep}
            decimalSeparator={units.decimalSign}
            value={rateLb === null ? null : roundedTo(rateLb * perLb, 2)}
            onChange={(value) => setRateLb(value === null ? null : value / perLb)}
          />
        </Form.Item>
      </Form>
      {fault && <Fault>{fault}</Fault>}
    </Modal>
  );
}
