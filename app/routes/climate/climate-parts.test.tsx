import { fireEvent, render, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { readCase } from '@core/files/case-file';
import { type Case } from '@core/records/case';
import { CLIMATE_PRESETS } from '@core/packs/starter-shelf';
import { isRefusal } from '@core/reckoning/refusal';
import { seasonTurns, seasonWindows } from '@core/season/plan/season-windows';
import { dailyWeather } from '../../../standins/weather-station/weather-station';
import { workOf } from '../../work/property-work';
import { yearCurves } from '../../work/year-curves';
import { ClimateSource } from './climate-source';
import { NormalsTable } from './normals-table';
import { stationNormals } from './station';
import { YearCurves } from './year-curves';
import { usUnits } from '../../ui/format';

const read = readCase(readFileSync('demo/quarry-lane-school.json', 'utf8'));
if (isRefusal(read)) throw new Error(read.refused);
const given: Case = read;
const work = workOf(given, '2027-04-05', 'south-lawn');
const preset = (id: string) => CLIMATE_PRESETS.find((p) => p.id === id)!;
const draftOf = (id: string) => ({ climate: preset(id).climate, latitudeDeg: preset(id).latitudeDeg });
const realFetch = globalThis.fetch;
// only what was put in place here: the set-up of all tests has stand-ins of its own
afterEach(() => void vi.stubGlobal('fetch', realFetch));

describe('the year’s curves', () => {
  it('are as many as are known: no daylight without a latitude, no rain without normals of it', () => {
    const ids = (file: Case) => yearCurves(workOf(file, '2027-04-05', 'south-lawn'), usUnits).map((c) => c.id);
    expect(ids(given)).toEqual(['air', 'soil', 'growth', 'light', 'water']);
    const { latitudeDeg: _, ...placeless } = given.property;
    const { rainIn: __, ...dry } = given.property.climate!;
    expect(ids({ ...given, property: { ...placeless, climate: dry } })).toEqual(['air', 'soil', 'growth']);
    expect(ids({ ...given, property: { ...given.property, climate: undefined } })).toEqual([]);
  });
  const drawn = () => {
    render(
      <YearCurves
        year={2027}
        days={365}
        start={94}
        curves={yearCurves(work, usUnits)}
        windows={seasonWindows(work.zoneSeason!, work.season)}
        turns={seasonTurns(work.zoneSeason!)}
      />,
    );
    return screen.getByRole('slider', { name: 'Day of the year' });
  };
  it('tell a day’s values and what is closed on it', () => {
    const slider = drawn();
    expect(slider.getAttribute('aria-valuenow')).toBe('95');
    expect(slider.getAttribute('aria-valuetext')).toMatch(
      /^5 Apr: air high \d+, low \d+ °F; soil at 3 in \d+ °F; growth 0\.\d\d/,
    );
    fireEvent.keyDown(slider, { key: 'Home' });
    expect(slider.getAttribute('aria-valuetext')).toContain('no N');
  });
  it('are walked by keys and stop at both ends of the year', () => {
    const slider = drawn();
    fireEvent.keyDown(slider, { key: 'ArrowRight', shiftKey: true });
    expect(slider.getAttribute('aria-valuenow')).toBe('102');
    fireEvent.keyDown(slider, { key: 'End' });
    fireEvent.keyDown(slider, { key: 'ArrowRight' });
    expect(slider.getAttribute('aria-valuenow')).toBe('365');
    fireEvent.keyDown(slider, { key: 'PageUp' });
    expect(slider.getAttribute('aria-valuenow')).toBe('337');
    fireEvent.keyDown(slider, { key: 'x' });
    expect(slider.getAttribute('aria-valuenow')).toBe('337');
  });
});

describe('normals', () => {
  it('stand beside what they would replace, only where they differ', () => {
    render(<NormalsTable shown={draftOf('cool-north')} before={draftOf('transition')} />);
    const january = within(screen.getByRole('row', { name: /^Jan/ })).getAllByRole('cell');
    expect(january.map((cell) => cell.textContent)).toEqual(['2440', '724', '0.92.6']);
    expect(january[0]?.querySelector('s')?.textContent).toBe('40');
  });
  it('print a dash for rain that is not known', () => {
    const { rainIn: _, ...climate } = preset('transition').climate;
    render(<NormalsTable shown={{ climate }} />);
    expect(screen.getAllByText('–')).toHaveLength(12);
  });
});

describe('where a climate comes from', () => {
  const source = (now = draftOf('transition')) => {
    const onDraft = vi.fn();
    vi.stubGlobal('fetch', () => Promise.resolve(Response.json({ stations: [] })));
    render(<ClimateSource now={now} today="2027-04-05" onDraft={onDraft} />);
    return onDraft;
  };
  it('begins typing with what stands, and looks at it with what was changed', () => {
    const onDraft = source();
    fireEvent.click(screen.getByText('Typed'));
    expect(screen.getByLabelText(/^Mean lows/)).toHaveProperty(
      'value',
      preset('transition').climate.meanLowF.join(', '),
    );
    fireEvent.change(screen.getByLabelText(/^Last frost/), { target: { value: '05-01' } });
    fireEvent.change(screen.getByLabelText(/^Latitude/), { target: { value: '40.5' } });
    fireEvent.click(screen.getByRole('button', { name: 'Preview' }));
    expect(onDraft).toHaveBeenCalledWith({
      latitudeDeg: 40.5,
      climate: { ...preset('transition').climate, lastFrost: '05-01', source: 'typed' },
    });
  });
  it.each([
    [/^Mean highs/, '1, 2, 3', /twelve numbers/],
    [/^Rain/, '1 2 3 4 5 6 7 8 9 10 11 -12', /Rain|rain/],
    [/^First frost/, '13-45', /month and day/],
    [/^Latitude/, '130', /between -90 and 90/],
  ])('answers a slip in %s in a sentence and looks at nothing', (label, value, says) => {
    const onDraft = source();
    fireEvent.click(screen.getByText('Typed'));
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
    fireEvent.click(screen.getByRole('button', { name: 'Preview' }));
    expect(screen.getByRole('alert').textContent).toMatch(says);
    expect(screen.getByLabelText(label)).toHaveProperty('value', value);
    expect(onDraft).not.toHaveBeenCalled();
  });
  it('keeps the frost dates that stand where a table of months knows none', () => {
    const onDraft = source();
    fireEvent.click(screen.getByText('Table'));
    const rows = Array.from({ length: 12 }, (_, m) => `${m + 1},60,40`).join('\n');
    fireEvent.change(screen.getByRole('textbox'), { target: { value: `month,high,low\n${rows}` } });
    fireEvent.click(screen.getByRole('button', { name: 'Read the table' }));
    expect(onDraft.mock.calls[0]?.[0]).toMatchObject({
      climate: { lastFrost: '04-15', firstFrost: '10-25', source: 'a pasted table: a table of twelve months' },
    });
  });
});

describe('the station’s days', () => {
  it('become normals of whole years before today, and nothing of the property is sent', async () => {
    const asked: string[] = [];
    vi.stubGlobal('fetch', (path: string) => {
      asked.push(path);
      return Promise.resolve(Response.json(dailyWeather(Object.fromEntries(new URL(path, 'http://x').searchParams))));
    });
    const normals = await stationNormals('lakeshore', 10, '2027-04-05');
    expect(asked).toEqual(['/simulated-weather?station=lakeshore&from=2017-01-01&to=2026-12-31']);
    expect(normals).toMatchObject({ years: 10, latitudeDeg: 42.6, name: 'Lakeshore (simulated)' });
  });
  it('are refused in words, and a server that is gone is told so', async () => {
    vi.stubGlobal('fetch', () =>
      Promise.resolve(Response.json({ refused: 'Station must be one of …', field: 'station' })),
    );
    expect(await stationNormals('nowhere', 10, '2027-04-05')).toContain('Station must be one of');
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('gone')));
    expect(await stationNormals('lakeshore', 10, '2027-04-05')).toContain('does not answer');
  });
});
