import { type GroundKind, perimetersIn } from '@core/files/ground-files';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useReducer, useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Site, Zone } from '@core/records/case';
import { toLonLat } from '@core/ground/local-feet';
import { groundOf } from '@core/ground/zone-ground';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { BringIn } from './import/import-outlines';
import { CornerTable } from './facts/corner-table';
import { draw, newDraft } from './draft/draft-state';
import { HandTest } from './facts/hand-test';
import { MeasureFields } from './facts/measure-fields';
import { ReckoningLine } from './facts/reckoning-line';
import { SideSlip } from './facts/side-slip';
import { CutOutList, SiteList } from './site-list';
import { groundFromZone, type TypedGround } from './draft/typed-ground';
import { TypedPoint } from './facts/typed-point';
import { factsFromZone, type TypedFacts } from './draft/zone-from-typed';
import { ZoneFacts } from './facts/zone-facts';
import { ZoneLedger } from './facts/zone-ledger';
import { usUnits } from '../../ui/format';

afterEach(cleanup);
const square: Pair[] = [
  [0, 0],
  [100, 0],
  [100, 80],
  [0, 80],
];
const lawn: Zone = {
  id: 'z',
  name: 'Lawn',
  areaSqFt: 7800,
  grass: 'tall-fescue',
  texture: 'loam',
  measuredBy: 'tape',
  cornersFt: square.map(([x, y]) => [x, y]),
  cutOuts: [{ id: 'bed', kind: 'bed', rectangle: { lengthFt: 20, widthFt: 10 }, atFt: [10, 10] }],
};
const groundOfLawn = () => {
  const ground = groundOf(lawn, undefined);
  if (isRefusal(ground)) throw new Error(ground.refused);
  return ground;
};

describe('the hand test', () => {
  it('is answered by keys alone, with a way back', () => {
    const answered = vi.fn();
    render(<HandTest zoneName="Lawn" onAnswer={answered} onLeave={() => {}} />);
    const list = () => screen.getByRole('listbox');
    fireEvent.keyDown(list(), { key: 'Enter' });
    expect(screen.queryAllByText('Lawn, question 2 of 3')).toHaveLength(1);
    fireEvent.keyDown(list(), { key: 'Backspace' });
    expect(screen.queryAllByText('Lawn, question 1 of 3')).toHaveLength(1);
    fireEvent.keyDown(list(), { key: 'Enter' });
    for (let i = 0; i < 3; i++) fireEvent.keyDown(list(), { key: 'ArrowDown' });
    expect(screen.getByRole('option', { name: /Over 2 in/ }).getAttribute('aria-selected')).toBe('true');
    fireEvent.keyDown(list(), { key: 'Enter' });
    fireEvent.keyDown(list(), { key: 'ArrowDown' });
    fireEvent.keyDown(list(), { key: 'ArrowDown' });
    fireEvent.keyDown(list(), { key: 'Enter' });
    expect(answered).toHaveBeenCalledWith({ ball: 'holds', ribbon: 'over-2', rub: 'smooth' }, 'silty-clay');
  });
  it('may stop where all that is left is one group', () => {
    const answered = vi.fn();
    render(<HandTest zoneName="Lawn" onAnswer={answered} onLeave={() => {}} />);
    fireEvent.keyDown(screen.getByRole('listbox'), { key: 'Enter' });
    fireEvent.keyDown(screen.getByRole('listbox'), { key: 'ArrowDown' });
    fireEvent.click(screen.getByRole('button', { name: 'Stop here, use loam' }));
    expect(answered).toHaveBeenCalledWith({ ball: 'holds', ribbon: 'under-1' }, 'loam');
  });
});

describe('typing a side', () => {
  const slip = (more: Partial<Parameters<typeof SideSlip>[0]> = {}) => {
    const [kept, side, closed] = [vi.fn(), vi.fn(), vi.fn()];
    render(
      <SideSlip
        corners={square}
        side={0}
        at={[0, 0]}
        preview={(c) => ({
          areaSqFt: Math.abs((c[1] as Pair)[0] - (c[0] as Pair)[0]) * 80,
          claimedSqFt: 0,
          weighOutLb: 11.6,
        })}
        onKeep={kept}
        onSide={side}
        onClose={closed}
        {...more}
      />,
    );
    return { kept, side, closed, field: screen.getByLabelText('Length, ft') };
  };
  it('shows typed beside drawn before anything changes, keeps by Enter, takes feet marks', () => {
    const { kept, field } = slip();
    fireEvent.change(field, { target: { value: "110'" } });
    expect(screen.getByRole('row', { name: /area, sq ft/ }).textContent).toBe('area, sq ft8,8008,000');
    expect(kept).not.toHaveBeenCalled();
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(kept.mock.calls[0]?.[0][1]).toEqual([110, 0]);
  });
  it('moves the other end by F, goes on by Tab and leaves by Escape', () => {
    const { kept, side, closed, field } = slip();
    fireEvent.keyDown(field, { key: 'f' });
    expect(screen.queryAllByText('second corner stays')).toHaveLength(1);
    fireEvent.change(field, { target: { value: '90' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(kept.mock.calls[0]?.[0][0]).toEqual([10, 0]);
    fireEvent.keyDown(field, { key: 'Tab' });
    expect(side).toHaveBeenCalledWith(1);
    fireEvent.keyDown(field, { key: 'Tab', shiftKey: true });
    expect(side).toHaveBeenLastCalledWith(3);
    fireEvent.keyDown(field, { key: 'Escape' });
    expect(closed).toHaveBeenCalled();
  });
  it('keeps nothing that is no length or makes no shape', () => {
    const { kept, field } = slip({ preview: () => ({ claimedSqFt: 0, refused: 'Side a to b crosses side c to d.' }) });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(screen.getByRole('alert').textContent).toContain('crosses');
    fireEvent.change(field, { target: { value: 'long' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(kept).not.toHaveBeenCalled();
  });
});

describe('the reckoning line', () => {
  it('takes the parts off the outline and says how sure the rest is', () => {
    render(<ReckoningLine ground={groundOfLawn()} next={undefined} productName={undefined} />);
    expect(document.querySelector('.reckoning')?.textContent).toBe(
      'outline8,000bed− 200to feed= 7,800 sq ftlikely error± 78 sq ft',
    );
  });
  it('says what is missing', () => {
    const { rerender } = render(<ReckoningLine ground={undefined} next={undefined} productName={undefined} />);
    expect(screen.queryAllByText('the shape is not closed yet')).toHaveLength(1);
    rerender(
      <ReckoningLine
        ground={{ ...groundOfLawn(), outline: undefined, toFeed: undefined }}
        next={undefined}
        productName={undefined}
      />,
    );
    expect(screen.queryAllByText(/as typed/)).toHaveLength(1);
  });
});

describe('lists beside the sheet', () => {
  it('name cut-outs, fill them in, and change only what was changed', () => {
    const [change, drop] = [vi.fn(), vi.fn()];
    render(<CutOutList cutOuts={lawn.cutOuts ?? []} ground={groundOfLawn()} onChange={change} onDrop={drop} />);
    expect(screen.queryAllByText('1 cut out, 200 sq ft')).toHaveLength(1);
    const name = screen.getByLabelText('Name of the cut-out');
    fireEvent.blur(name);
    expect(change).not.toHaveBeenCalled();
    fireEvent.change(name, { target: { value: 'rose bed' } });
    fireEvent.blur(name);
    expect(change).toHaveBeenCalledWith(expect.objectContaining({ id: 'bed', name: 'rose bed' }));
    fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
    expect(drop).toHaveBeenCalledWith('bed');
  });
  it('take a width for the strip, and put back what is none', () => {
    const onSite = vi.fn();
    const site = { water: [{ id: 'w', name: 'brook', cornersFt: square as [number, number][], keptClearFt: 10 }] };
    render(<SiteList site={site} onSite={onSite} />);
    const width = screen.getByLabelText('Kept clear of brook, ft');
    fireEvent.change(width, { target: { value: 'wide' } });
    fireEvent.blur(width);
    expect((width as HTMLInputElement).value).toBe('10');
    fireEvent.change(width, { target: { value: '25' } });
    fireEvent.blur(width);
    expect(onSite.mock.calls[0]?.[0].water[0].keptClearFt).toBe(25);
    fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
    expect(onSite.mock.lastCall?.[0].water).toEqual([]);
  });
  it('add areas in a ledger, errors by their squares', () => {
    const two = [lawn, { ...lawn, id: 'y', name: 'Other' }];
    render(
      <ZoneLedger
        rows={two.map((zone) => ({ zone, ground: groundOfLawn() }))}
        focusId="z"
        adding={false}
        onChoose={() => {}}
        onAdd={() => {}}
      />,
    );
    // the root of 78² twice is 110
    expect(screen.getByRole('row', { name: /All zones/ }).textContent).toBe('All zones, sq ft15,600± 110');
  });
});

function Fields({ start }: { start: Partial<TypedGround> }) {
  const [typed, setTyped] = useState<TypedGround>({ ...groundFromZone(undefined, usUnits), ...start });
  return (
    <MeasureFields
      typed={typed}
      faults={{}}
      onMeasure={(measure) => setTyped({ ...typed, measure })}
      onChange={(part) => setTyped({ ...typed, ...part })}
    />
  );
}

describe('typed ground', () => {
  it.each([
    ['rectangle', ['Length', 'Width', 'Turned clockwise']],
    ['triangle', ['Side a', 'Side b', 'Side c', 'Turned clockwise']],
    ['circle', ['Width through the middle']],
    ['offsets', ['Spacing along the base line', 'Distances across, in order', 'Turned clockwise']],
    ['known', ['Area']],
    ['outline', []],
  ] as const)('asks for what a %s needs', (measure, labels) => {
    render(<Fields start={{ measure }} />);
    expect([...document.querySelectorAll('.pair .label span:first-child')].map((e) => e.textContent)).toEqual(labels);
  });
  it('is told by corners in a table', () => {
    const [move, remove] = [vi.fn(), vi.fn()];
    render(<CornerTable corners={square} onMove={move} onRemove={remove} onTypeSide={() => {}} />);
    const east = screen.getByLabelText('Corner b, east, ft');
    fireEvent.change(east, { target: { value: '110.5' } });
    fireEvent.blur(east);
    expect(move).toHaveBeenCalledWith(1, [110.5, 0]);
    fireEvent.click(screen.getAllByRole('button', { name: 'Delete' })[2] as HTMLElement);
    expect(remove).toHaveBeenCalledWith(2);
  });
  it('is set point by point, and says how a point is typed', () => {
    function Points() {
      const [state, act] = useReducer(draw, undefined, () =>
        newDraft({ ...groundFromZone(undefined, usUnits), measure: 'outline' }),
      );
      return (
        <>
          <TypedPoint
            start={state.now.corners.at(-1)}
            outline={state.now}
            onDraw={act}
            onPoint={(at) => act({ do: 'add', at })}
          />
          <output>{JSON.stringify([state.now.corners, state.now.closed])}</output>
        </>
      );
    }
    render(<Points />);
    const type = (text: string) => {
      fireEvent.change(screen.getByLabelText('Next point'), { target: { value: text } });
      fireEvent.submit(screen.getByLabelText('Next point').closest('form') as HTMLFormElement);
    };
    type('nowhere');
    expect(screen.getByRole('alert').textContent).toContain('166, 88');
    type('10, 10');
    type('30 @ 90');
    type('40, 40');
    fireEvent.click(screen.getByRole('button', { name: 'Close outline' }));
    expect(screen.queryAllByText('[[[10,10],[40,10],[40,40]],true]')).toHaveLength(1);
  });
});

describe('what grows there', () => {
  it('shows the grass’s window, and takes sand, silt and clay before the eye', () => {
    function Facts() {
      const [typed, setTyped] = useState<TypedFacts>({
        ...factsFromZone(lawn, usUnits),
        sand: '22',
        silt: '60',
        clay: '18',
      });
      return (
        <ZoneFacts
          typed={typed}
          faults={{}}
          onChange={(part) => setTyped({ ...typed, ...part })}
          onHandTest={() => {}}
        />
      );
    }
    render(<Facts />);
    expect(screen.queryAllByText('by the laboratory')).toHaveLength(1);
    expect(screen.queryAllByRole('img', { name: /sand 22, clay 18 percent, silt loam/ })).toHaveLength(1);
    expect(document.querySelector('.windows')?.textContent).toContain('pH 6.0 to 7.0, aim 6.2');
    expect(document.querySelector('.windows')?.textContent).toContain('N 2 to 4 lb N a year, at 3');
  });
});

// the worker that reads files is a thin shell round the core, which is asked here without one
vi.mock('../../workers/read-file', () => ({
  readFile: (file: File, work: (reading: object) => unknown) =>
    work({
      ground: async (_file: File, kind: GroundKind, site?: Site) => perimetersIn(await file.text(), kind, site),
    }),
}));

describe('perimeters from files', () => {
  const ring = square.map((c) => toLonLat([-77, 38], c));
  const file = (text: string, name: string) => new File([text], name);
  it('are shown with their areas before anything is done with them', async () => {
    const zones = vi.fn();
    render(
      <BringIn
        kind="zones"
        site={undefined}
        taken={['lawn']}
        grass="tall-fescue"
        texture="loam"
        focusName="Lawn"
        onOutline={() => {}}
        onZones={zones}
      />,
    );
    const json = JSON.stringify({
      type: 'Feature',
      properties: { name: 'Lawn' },
      geometry: { type: 'Polygon', coordinates: [[...ring, ring[0]]] },
    });
    fireEvent.change(screen.getByLabelText('Zones file'), { target: { files: [file(json, 'z.geojson')] } });
    await waitFor(() => expect(screen.getByRole('row', { name: /Lawn/ }).textContent).toContain('8,000'));
    expect(zones).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('button', { name: 'Add 1 zone' }));
    const [added, origin] = zones.mock.calls[0] as [Zone[], [number, number]];
    expect(added[0]).toMatchObject({ id: 'lawn-2', name: 'Lawn', measuredBy: 'plan' });
    expect(Math.round(added[0]?.areaSqFt ?? 0)).toBe(8000);
    expect(origin).toHaveLength(2);
  });
  it('say what is wrong with the file', async () => {
    render(
      <BringIn kind="track" site={undefined} taken={[]} focusName="Lawn" onOutline={() => {}} onZones={() => {}} />,
    );
    fireEvent.change(screen.getByLabelText('Walked track file'), { target: { files: [file('<gpx/>', 'w.gpx')] } });
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('no track'));
  });
});
