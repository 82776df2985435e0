import { Input, Select } from 'antd';
import { type ReactNode, useId, useState } from 'react';
import { StopGlyph } from './glyphs';
import { useUnits } from './format';

/** The sentence under a field that says what is wrong and what to do. */
export function Fault({ id, children }: { id?: string; children?: ReactNode }) {
  const units = useUnits();
  if (!children) return null;
  return (
    <span className="fault" id={id} role="alert">
      <StopGlyph />
      <span>{typeof children === 'string' ? units.said(children) : children}</span>
    </span>
  );
}

interface FieldProps {
  label: string;
  /** Unit or remark at the right of the label. */
  unit?: string;
  fault?: string;
}

/** A label above its control, the fault below it. */
function Labelled({ id, label, unit, fault, children }: FieldProps & { id: string; children: ReactNode }) {
  return (
    <div className="field">
      <label className="label" htmlFor={id}>
        <span>{label}</span>
        {unit && <span>{unit}</span>}
      </label>
      {children}
      <Fault id={`${id}-fault`}>{fault}</Fault>
    </div>
  );
}

/** A typed value: kept as text until it is read, so that nothing a person typed is ever lost. */
export function TextField({
  label,
  unit,
  fault,
  value,
  onChange,
  type = 'text',
  autoFocus,
  inputMode,
  placeholder,
  onEnter,
}: FieldProps & {
  value: string;
  onChange: (text: string) => void;
  type?: 'text' | 'date';
  autoFocus?: boolean;
  inputMode?: 'decimal';
  /** What stands where nothing is typed, in gray. */
  placeholder?: string;
  onEnter?: () => void;
}) {
  const id = useId();
  return (
    <Labelled id={id} label={label} unit={unit} fault={fault}>
      <Input
        id={id}
        type={type}
        value={value}
        autoFocus={autoFocus}
        inputMode={inputMode}
        placeholder={placeholder}
        status={fault ? 'error' : undefined}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? `${id}-fault` : undefined}
        onChange={(event) => onChange(event.target.value)}
        onPressEnter={onEnter}
      />
    </Labelled>
  );
}

/** A choice from a list. */
export function ChoiceField<V extends string>({
  label,
  unit,
  fault,
  value,
  options,
  onChange,
  placeholder,
}: FieldProps & {
  value: V | undefined;
  options: readonly { value: V; label: string }[];
  onChange: (value: V) => void;
  placeholder?: string;
}) {
  const id = useId();
  return (
    <Labelled id={id} label={label} unit={unit} fault={fault}>
      <Select
        id={id}
        value={value}
        options={options as { value: V; label: string }[]}
        placeholder={placeholder}
        status={fault ? 'error' : undefined}
        aria-describedby={fault ? `${id}-fault` : undefined}
        onChange={onChange}
        popupMatchSelectWidth={false}
        virtual={false}
        showSearch={{ optionFilterProp: 'label' }}
      />
    </Labelled>
  );
}

/** A choice from what is found for the text typed into it. */
export function FoundField({
  label,
  unit,
  fault,
  chosen,
  placeholder,
  find,
  onChange,
}: FieldProps & {
  chosen: { id: string; name: string } | undefined;
  placeholder?: string;
  /** What there is for a text, or why there is nothing. */
  find: (typed: string) => readonly { id: string; name: string; beside?: string }[] | string;
  onChange: (id: string) => void;
}) {
  const id = useId();
  const [typed, setTyped] = useState('');
  const found = find(typed);
  const options = typeof found === 'string' ? [] : found;
  const shown = chosen && !options.some((each) => each.id === chosen.id) ? [chosen, ...options] : options;
  return (
    <Labelled id={id} label={label} unit={unit} fault={fault}>
      <Select
        id={id}
        value={chosen?.id}
        placeholder={placeholder}
        status={fault ? 'error' : undefined}
        aria-describedby={fault ? `${id}-fault` : undefined}
        showSearch={{ filterOption: false, onSearch: setTyped, searchValue: typed }}
        notFoundContent={typeof found === 'string' ? found : 'Nothing is called that.'}
        options={shown.map((each) => ({
          value: each.id,
          label: each.name,
          beside: 'beside' in each ? each.beside : undefined,
        }))}
        optionRender={({ data }) => (
          <>
            <b>{data.label}</b> {data.beside && <span className="small">{data.beside}</span>}
          </>
        )}
        onChange={(to: string) => {
          setTyped('');
          onChange(to);
        }}
        classNames={{ popup: { root: 'foundlist' } }}
        virtual={false}
      />
    </Labelled>
  );
}

/** Words of a fixed set as options, hyphens opened. */
export const optionsOf = <const V extends string>(
  words: readonly V[],
  names: Partial<Record<V, string>> = {},
): { value: V; label: string }[] =>
  words.map((value) => ({ value, label: names[value] ?? value.replaceAll('-', ' ') }));
