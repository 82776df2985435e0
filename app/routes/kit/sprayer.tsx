import { useState } from 'react';
import { isRefusal } from '@core/reckoning/refusal';
import { ChoiceField, Fault, TextField } from '../../ui/field';
import { useUnits, type Units } from '../../ui/format';
import { Said } from '../../ui/substance';
import { SPRAY_TESTS, type SprayInput, type SprayTest } from './spray-tests';

/** What was typed for an input as its number, or numbers; a sentence where it cannot be read. */
function readInput(
  { key, label, quantity, many, optional }: SprayInput,
  text: string,
  units: Units,
): { value?: number | number[]; fault?: string } {
  if (text.trim() === '') return optional ? {} : { fault: '' };
  const pieces = many ? text.trim().split(/[\s;]+/) : [text];
  const numbers: number[] = [];
  for (const piece of pieces) {
    const read = quantity === undefined ? units.readPlain(piece, label, key) : units.value(quantity, piece, label, key);
    if (isRefusal(read)) return { fault: read.refused };
    if (read !== undefined) numbers.push(read);
  }
  return { value: many ? numbers : numbers[0] };
}

/** One test of a sprayer: what is typed, what it comes to, what is wrong with it. */
function OneTest({ test }: { test: SprayTest }) {
  const units = useUnits();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const read = test.inputs.map((input) => ({ input, ...readInput(input, typed[input.key] ?? '', units) }));
  const ready = read.every(({ fault }) => fault === undefined);
  const found = ready
    ? test.reckon(
        Object.fromEntries(read.flatMap(({ input, value }) => (value === undefined ? [] : [[input.key, value]]))),
      )
    : undefined;
  const refused = found && isRefusal(found) ? found : undefined;
  const value = found && !isRefusal(found) ? found.value : undefined;
  return (
    <>
      <p>
        <Said text={test.how} />
      </p>
      <div className="kitfields">
        {read.map(({ input: { key, label, quantity, unit, many, optional }, fault }) => (
          <TextField
            key={key}
            label={`${label}${optional ? ', if known' : ''}`}
            unit={quantity ? units.unit(quantity) : unit}
            inputMode={many ? undefined : 'decimal'}
            placeholder={many ? 'one after the other' : undefined}
            value={typed[key] ?? ''}
            fault={fault || (refused?.field === key ? refused.refused : undefined)}
            onChange={(text) => setTyped((before) => ({ ...before, [key]: text }))}
          />
        ))}
      </div>
      {refused && !test.inputs.some(({ key }) => key === refused.field) && <Fault>{refused.refused}</Fault>}
      <div role="status">
        {value !== undefined &&
          test.says(typeof value === 'object' ? (value as never) : { value: value as number }, units).map((says) => (
            <p key={says} className="sprayfound">
              {says}
            </p>
          ))}
        {found &&
          !isRefusal(found) &&
          found.cautions.map((caution) => (
            <p key={caution} className="caution small">
              {units.said(caution)}
            </p>
          ))}
      </div>
    </>
  );
}

/** What a sprayer gives: nozzles, speed, volume, pressure, a hose-end bottle; one test at a time. */
export function Sprayer() {
  const [id, setId] = useState(SPRAY_TESTS[0]?.id ?? '');
  const test = SPRAY_TESTS.find((each) => each.id === id);
  return (
    <section aria-labelledby="sprayer">
      <h2 id="sprayer">Sprayer</h2>
      <div className="kitfields">
        <ChoiceField
          label="Test"
          value={id}
          options={SPRAY_TESTS.map(({ id: value, title }) => ({ value, label: title }))}
          onChange={setId}
        />
      </div>
      {test && <OneTest key={test.id} test={test} />}
    </section>
  );
}
