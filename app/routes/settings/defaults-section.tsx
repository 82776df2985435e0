import { Button, Checkbox, InputNumber, Modal } from 'antd';
import { useId, useState } from 'react';
import type { Choices } from '@core/records/case';
import type { DefaultsSetting } from '@core/records/settings-schema';
import {
  HIGH_PH_SCHOOLS,
  LATE_SEASON_SCHOOLS,
  POTASSIUM_SCHOOLS,
  type PracticeSchool,
} from '@core/season/rules/practice-schools';
import { ChoiceField } from '../../ui/field';
import { schoolName } from '../../ui/school-choice';
import { SCHOOLS } from '@core/soil/interpret';
import { unslug } from '@core/words/unslug';

export type DefaultChoices = DefaultsSetting['choices'];
const NO_DEFAULTS: DefaultsSetting = { id: 'defaults', choices: {} };

/** Choices a property takes from the defaults, with a person's word for each. */
const CHOICE_WORDS: Record<keyof DefaultChoices, string> = {
  school: 'School of interpretation',
  lateSeason: 'Late season',
  potassium: 'Potassium',
  highPh: 'High pH',
  coolSeason: 'Cool-season year',
  maxTrips: 'Most trips a year',
  tripCost: 'Cost of a trip',
  effort: 'Care beside feeding',
};
const KEYS = Object.keys(CHOICE_WORDS) as (keyof DefaultChoices)[];

const optionsOf = (schools: readonly PracticeSchool[]) =>
  schools.filter((school) => !school.comparisonOnly).map(({ id, title }) => ({ value: id, label: title }));
const UNSET = '';

const said = (value: unknown): string => (value === undefined ? 'as shipped' : unslug(String(value)));

/** A number that is saved when it is left or entered, not letter by letter. */
function NumberField({
  label,
  unit,
  value,
  bounds,
  onChange,
}: {
  label: string;
  unit: string;
  value: number | undefined;
  bounds: { min: number; max: number; precision: number };
  onChange: (value: number | undefined) => void;
}) {
  const id = useId();
  const [typed, setTyped] = useState<number | null>(value ?? null);
  const [last, setLast] = useState(value);
  if (last !== value) {
    setLast(value);
    setTyped(value ?? null);
  }
  const save = () => {
    if ((typed ?? undefined) !== value) onChange(typed ?? undefined);
  };
  return (
    <div className="field">
      <label className="label" htmlFor={id}>
        <span>{label}</span>
        <span>{unit}</span>
      </label>
      <InputNumber
        id={id}
        {...bounds}
        value={typed}
        placeholder="as shipped"
        onChange={setTyped}
        onBlur={save}
        onPressEnter={save}
      />
    </div>
  );
}

interface DefaultsSectionProps {
  defaults: DefaultsSetting | undefined;
  properties: readonly { id: string; name: string; choices?: Choices }[];
  onSave: (setting: DefaultsSetting) => void;
  onApply: (propertyIds: string[], choices: DefaultChoices) => void;
}

/** What a new property begins with; each is saved as it is chosen, and none is laid over what stands unless asked. */
export function DefaultsSection({ defaults = NO_DEFAULTS, properties, onSave, onApply }: DefaultsSectionProps) {
  const [applying, setApplying] = useState(false);
  const [left, setLeft] = useState<readonly string[]>([]);
  const { choices } = defaults;
  const set = (over: Partial<DefaultChoices>) => {
    const next = Object.fromEntries(
      Object.entries({ ...choices, ...over }).filter(
        ([, value]) => value !== undefined && value !== null && (value as unknown) !== UNSET,
      ),
    );
    onSave({ ...defaults, choices: next as DefaultChoices });
  };
  const choice = (
    key: 'school' | 'lateSeason' | 'potassium' | 'highPh' | 'coolSeason' | 'effort',
    options: readonly { value: string; label: string }[],
  ) => (
    <ChoiceField
      label={CHOICE_WORDS[key]}
      value={choices[key] ?? UNSET}
      options={[{ value: UNSET, label: 'as shipped' }, ...options]}
      onChange={(value) => set({ [key]: value })}
    />
  );
  const chosen = KEYS.filter((key) => choices[key] !== undefined);
  const differing = properties
    .map((property) => ({
      ...property,
      changes: chosen.filter((key) => property.choices?.[key] !== choices[key]),
    }))
    .filter(({ changes }) => changes.length > 0);
  const taken = differing.filter(({ id: each }) => !left.includes(each));
  return (
    <>
      <div className="pair defaults">
        {choice(
          'school',
          SCHOOLS.map((value) => ({ value, label: schoolName(value) })),
        )}
        {choice('lateSeason', optionsOf(LATE_SEASON_SCHOOLS))}
        {choice('potassium', optionsOf(POTASSIUM_SCHOOLS))}
        {choice('highPh', optionsOf(HIGH_PH_SCHOOLS))}
        {choice(
          'coolSeason',
          ['fall-led', 'even', 'spring-help'].map((value) => ({ value, label: unslug(value) })),
        )}
        {choice(
          'effort',
          ['essential', 'better', 'best'].map((value) => ({ value, label: value })),
        )}
        <NumberField
          label={CHOICE_WORDS.maxTrips}
          unit="trips"
          value={choices.maxTrips}
          bounds={{ min: 1, max: 100, precision: 0 }}
          onChange={(maxTrips) => set({ maxTrips })}
        />
        <NumberField
          label={CHOICE_WORDS.tripCost}
          unit="as prices"
          value={choices.tripCost}
          bounds={{ min: 0, max: 100_000, precision: 2 }}
          onChange={(tripCost) => set({ tripCost })}
        />
      </div>
      <Checkbox
        checked={!defaults.lettersOff}
        onChange={({ target }) =>
          onSave({ ...defaults, ...(target.checked ? { lettersOff: undefined } : { lettersOff: true }) })
        }
      >
        Keys of one letter work (switch them off where speech input presses them)
      </Checkbox>
      <p className="links" style={{ marginTop: 8 }}>
        <Button
          disabled={Object.keys(choices).length === 0 && !defaults.lettersOff}
          onClick={() => onSave({ ...NO_DEFAULTS, changedAt: defaults.changedAt })}
        >
          As shipped
        </Button>
        <Button
          disabled={differing.length === 0}
          onClick={() => {
            setLeft([]);
            setApplying(true);
          }}
        >
          Apply to existing properties
        </Button>
      </p>
      {chosen.length > 0 && differing.length === 0 && properties.length > 0 && (
        <p className="small">Every property here goes by them already.</p>
      )}
      {applying && (
        <Modal
          title="Apply the defaults"
          open
          okText={`Apply to ${taken.length}`}
          okButtonProps={{ disabled: taken.length === 0 }}
          cancelText="Cancel"
          onCancel={() => setApplying(false)}
          onOk={() => {
            onApply(
              taken.map(({ id: each }) => each),
              Object.fromEntries(chosen.map((key) => [key, choices[key]])),
            );
            setApplying(false);
          }}
        >
          <ul className="applying">
            {differing.map(({ id: each, name, choices: has, changes }) => (
              <li key={each}>
                <Checkbox
                  checked={!left.includes(each)}
                  onChange={({ target }) =>
                    setLeft((before) => (target.checked ? before.filter((x) => x !== each) : [...before, each]))
                  }
                >
                  <b>{name}</b>
                </Checkbox>
                <p className="small">
                  {changes
                    .map((key) => `${CHOICE_WORDS[key].toLowerCase()} ${said(has?.[key])} → ${said(choices[key])}`)
                    .join('; ')}
                </p>
              </li>
            ))}
          </ul>
        </Modal>
      )}
    </>
  );
}
