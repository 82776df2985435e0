import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { PlaceField } from './place-field';

afterEach(cleanup);

const open = () => fireEvent.mouseDown(screen.getByRole('combobox'));
const offered = () =>
  Array.from(document.querySelectorAll('.ant-select-item-option-content')).map((each) => each.textContent);

describe('the field of a place', () => {
  it('offers what is typed, says what is none, and hands over the climate that was chosen', () => {
    const onChoose = vi.fn();
    render(<PlaceField onChoose={onChoose} />);
    open();
    fireEvent.change(screen.getByRole('combobox'), { target: { value: 'atlantis' } });
    expect(screen.getByText('Nothing is called that.')).toBeTruthy();
    fireEvent.change(screen.getByRole('combobox'), { target: { value: '95, 10' } });
    expect(screen.getByText(/beyond the pole/)).toBeTruthy();
    fireEvent.change(screen.getByRole('combobox'), { target: { value: 'portland, or' } });
    expect(offered().map((each) => each?.trim())).toEqual(['Portland, OR']);
    fireEvent.click(document.querySelector('.ant-select-item-option-content')!);
    expect(onChoose).toHaveBeenCalledWith(
      expect.objectContaining({ name: 'Portland, OR', latitudeDeg: expect.any(Number) as number }),
    );
    expect(screen.getByText(/from memory, rounded: replace with your station/)).toBeTruthy();
  });
  it('offers the places nearest to the property before anything is typed, where its position is known', () => {
    render(<PlaceField origin={[-92.5, 39.2]} onChoose={() => undefined} />);
    open();
    expect(offered()[0]).toMatch(/^Between .* miles away; .* miles away$/);
    expect(offered()).toHaveLength(6);
  });
});
