import { Button, Checkbox, Modal, Popconfirm } from 'antd';
import { useState } from 'react';
import { daysBetween, type IsoDay } from '@core/days/day';
import { newId } from '@core/records/new-id';
import { type Operator, OPERATOR_WORK, operatorSchema } from '@core/records/operator-schema';
import { faultsByField } from '@core/records/strict-schema';
import { sayDate } from '@core/words/days';
import { TextField } from '../../ui/field';
import { StopGlyph, WarnGlyph } from '../../ui/glyphs';

/** Days ahead on which a license that runs out is told. Decision: time to sit a renewal, and then to stop. */
const TOLD_AHEAD_DAYS = [60, 14] as const;

const WORK_WORDS: Record<(typeof OPERATOR_WORK)[number], string> = {
  feeding: 'feeding',
  restricted: 'restricted products',
};

type Typed = Record<
  'name' | 'initials' | 'licenseNumber' | 'licenseClass' | 'state' | 'expiresOn' | 'scope',
  string
> & {
  work: string[];
};
const typedOf = (person: Partial<Operator>): Typed => ({
  name: person.name ?? '',
  initials: person.initials ?? '',
  licenseNumber: person.licenseNumber ?? '',
  licenseClass: person.licenseClass ?? '',
  state: person.state ?? '',
  expiresOn: person.expiresOn ?? '',
  scope: person.scope ?? '',
  work: person.work ?? ['feeding'],
});

/** What a license asks for today: nothing, a word ahead, or that it ran out. */
export function licenseSays(
  { expiresOn }: Operator,
  today: IsoDay,
): { standing: 'warn' | 'fail'; says: string } | undefined {
  if (expiresOn === undefined) return undefined;
  const left = daysBetween(today, expiresOn);
  if (left < 0) return { standing: 'fail', says: `License ran out on ${sayDate(expiresOn)}` };
  if (left > TOLD_AHEAD_DAYS[0]) return undefined;
  return {
    standing: 'warn',
    says: `License runs out ${left <= TOLD_AHEAD_DAYS[1] ? `in ${left} ${left === 1 ? 'day' : 'days'}, ` : ''}on ${sayDate(expiresOn)}`,
  };
}

interface PeopleSectionProps {
  people: readonly Operator[];
  today: string;
  onPut: (person: Operator, says: string) => Promise<boolean>;
  onRemove: (person: Operator) => void;
}

/** Who does the work, with their licenses. Records keep a name as text: deleting a person changes none of them. */
export function PeopleSection({ people, today, onPut, onRemove }: PeopleSectionProps) {
  const [open, setOpen] = useState<{ person?: Operator; typed: Typed }>();
  const [faults, setFaults] = useState<Record<string, string>>({});
  const change = (over: Partial<Typed>) =>
    setOpen((before) => before && { ...before, typed: { ...before.typed, ...over } });
  const save = async () => {
    if (!open) return;
    const { person, typed } = open;
    const texts = Object.entries(typed).flatMap(([key, value]) =>
      typeof value === 'string' && value.trim() !== '' ? [[key, value.trim()]] : [],
    );
    const next = {
      id:
        person?.id ??
        newId(
          typed.name,
          people.map(({ id }) => id),
        ),
      ...Object.fromEntries(texts),
      work: typed.work,
      ...(person?.changedAt ? { changedAt: person.changedAt } : {}),
    } as Operator;
    const wrong = faultsByField(operatorSchema, next);
    setFaults(wrong);
    if (Object.keys(wrong).length > 0) return;
    if (await onPut(next, `${next.name} is saved.`)) setOpen(undefined);
  };
  const field = (key: keyof Omit<Typed, 'work'>, label: string, type: 'text' | 'date' = 'text') => (
    <TextField
      label={label}
      type={type}
      value={open?.typed[key] ?? ''}
      fault={faults[key]}
      onChange={(text) => change({ [key]: text })}
    />
  );
  return (
    <>
      <p className="note">
        Ubertas never checks a license. A license number is personal: it is left out of what is exported unless you ask
        for it.
      </p>
      {people.length === 0 && <p className="small">Nobody yet.</p>}
      <ul className="people">
        {people.map((person) => {
          const license = licenseSays(person, today);
          return (
            <li key={person.id}>
              <span className="initials" aria-hidden="true">
                {person.initials ?? person.name.slice(0, 2).toUpperCase()}
              </span>
              <div>
                <b>{person.name}</b>{' '}
                <span className="small">
                  {(person.work ?? []).map((work) => WORK_WORDS[work]).join(', ')}
                  {person.licenseClass && `; ${person.licenseClass}`}
                  {person.state && `, ${person.state}`}
                  {person.licenseNumber && ` no. ${person.licenseNumber}`}
                  {person.expiresOn && !license && `, to ${sayDate(person.expiresOn)}`}
                </span>
                {license && (
                  <p className={license.standing === 'fail' ? 'fault' : 'caution'}>
                    {license.standing === 'fail' ? <StopGlyph /> : <WarnGlyph />}
                    <span>{license.says}.</span>
                  </p>
                )}
              </div>
              <span className="links">
                <Button
                  size="small"
                  aria-label={`Edit ${person.name}`}
                  onClick={() => setOpen({ person, typed: typedOf(person) })}
                >
                  Edit
                </Button>
                <Popconfirm
                  title={`Delete ${person.name}?`}
                  description="Records keep the name as it was written."
                  okText="Delete"
                  cancelText="Cancel"
                  onConfirm={() => onRemove(person)}
                >
                  <Button size="small" aria-label={`Delete ${person.name}`}>
                    Delete
                  </Button>
                </Popconfirm>
              </span>
            </li>
          );
        })}
      </ul>
      <Button onClick={() => setOpen({ typed: typedOf({}) })}>Add a person</Button>
      {open && (
        <Modal
          title={open.person ? open.person.name : 'New person'}
          open
          okText="Save"
          cancelText="Cancel"
          onOk={() => void save()}
          onCancel={() => {
            setOpen(undefined);
            setFaults({});
          }}
        >
          <div className="pair">
            {field('name', 'Name')}
            {field('initials', 'Initials')}
            {field('licenseNumber', 'License number')}
            {field('licenseClass', 'License class')}
            {field('state', 'State')}
            {field('expiresOn', 'Runs out', 'date')}
          </div>
          {field('scope', 'Scope of the certificate')}
          <Checkbox.Group
            value={open.typed.work}
            options={OPERATOR_WORK.map((value) => ({ value, label: WORK_WORDS[value] }))}
            onChange={(work) => change({ work })}
          />
        </Modal>
      )}
    </>
  );
}
