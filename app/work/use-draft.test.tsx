import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { beforeEach, describe, expect, it } from 'vitest';
import { useDraft } from './use-draft';
import { useFollowed } from './use-followed';

interface Zone {
  name: string;
  note?: string;
  changedAt?: string;
}

/** A form of one field over a record, as those of the application are. */
function Form({ record, savedBy, own }: { record: Zone; savedBy?: object; own?: string }) {
  const [typed, setTyped] = useState({ name: record.name, changedAt: record.changedAt });
  const { dirty, overtaken } = useFollowed({
    record,
    typed: typed.name,
    shown: (zone) => zone.name,
    own,
    load: (zone) => setTyped({ name: zone.name, changedAt: zone.changedAt }),
    adopt: ({ changedAt }) => setTyped((before) => ({ ...before, changedAt })),
  });
  const { offered, forget } = useDraft({ place: 'p/zone/z', typed, dirty, savedBy, load: setTyped });
  return (
    <>
      <input aria-label="Name" value={typed.name} onChange={(e) => setTyped({ ...typed, name: e.target.value })} />
      <output>{typed.changedAt}</output>
      {overtaken && <p>overtaken</p>}
      {offered && <button onClick={offered.take}>Take it back</button>}
      {offered && <button onClick={offered.discard}>Discard</button>}
      <button onClick={forget}>Forget</button>
    </>
  );
}
const field = () => screen.getByLabelText<HTMLInputElement>('Name');
const type = (value: string) => fireEvent.change(field(), { target: { value } });
const click = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const zone: Zone = { name: 'Bank', changedAt: '1' };
const left = () => localStorage.getItem('ubertas-draft/p/zone/z');

beforeEach(() => localStorage.clear());

describe('what is typed and not saved', () => {
  it('is kept when the form is left at once, offered back when it is opened again, and taken back whole', () => {
    const first = render(<Form record={zone} />);
    type('River b');
    first.unmount();
    render(<Form record={zone} />);
    expect(field().value).toBe('Bank');
    click('Take it back');
    expect(field().value).toBe('River b');
    expect(screen.queryByRole('button', { name: 'Take it back' })).toBeNull();
  });
  it('is gone once it is saved, discarded or let go, and what is typed after is kept again', () => {
    const first = render(<Form record={zone} />);
    type('Saved');
    first.rerender(<Form record={zone} savedBy={{}} />);
    first.unmount();
    expect(left()).toBeNull();
    const second = render(<Form record={zone} />);
    type('Let go');
    click('Forget');
    second.unmount();
    expect(left()).toBeNull();
    const third = render(<Form record={zone} />);
    type('Kept');
    third.unmount();
    const fourth = render(<Form record={zone} />);
    click('Discard');
    fourth.unmount();
    expect(left()).toBeNull();
  });
  it('does no harm where something else stands in its place', () => {
    localStorage.setItem('ubertas-draft/p/zone/z', '{broken');
    render(<Form record={zone} />);
    expect(field().value).toBe('Bank');
  });
});

describe('a form whose record is written elsewhere', () => {
  it('follows while nothing is typed', () => {
    const { rerender } = render(<Form record={zone} />);
    rerender(<Form record={{ name: 'Theirs', changedAt: '2' }} />);
    expect([field().value, screen.getByRole('status').textContent]).toEqual(['Theirs', '2']);
  });
  it('keeps what was typed, says so, and stays on the version it was filled from', () => {
    const { rerender } = render(<Form record={zone} />);
    type('Mine');
    rerender(<Form record={{ name: 'Theirs', changedAt: '2' }} />);
    expect([field().value, screen.getByRole('status').textContent]).toEqual(['Mine', '1']);
    expect(screen.getByText('overtaken')).toBeTruthy();
  });
  it('goes on from a version that looks the same, with what was typed', () => {
    const { rerender } = render(<Form record={zone} />);
    type('Mine');
    rerender(<Form record={{ ...zone, note: 'not shown here', changedAt: '2' }} />);
    expect([field().value, screen.getByRole('status').textContent]).toEqual(['Mine', '2']);
    expect(screen.queryByText('overtaken')).toBeNull();
  });
  it('shows what it saved itself, as it was read', () => {
    const { rerender } = render(<Form record={zone} />);
    type(' Mine ');
    act(() => rerender(<Form record={{ name: 'Mine', changedAt: '2' }} own="2" />));
    expect([field().value, screen.getByRole('status').textContent]).toEqual(['Mine', '2']);
  });
});
