import { beforeEach, describe, expect, it } from 'vitest';
import { runState } from '@core/field/run-state';
import type { Run, RunEvent } from '@core/records/case';
import { okonedo } from '@core/season/front-lawn.fixture';
import { deleteProperty, loadProperty } from '../../storage/property-repository';
import { restoreCases } from '../../storage/restore';
import { fieldAction } from './field-action';

const ID = 'okonedo-residence';
const event = (kind: RunEvent['kind'], minute: number, more: Partial<RunEvent> = {}): RunEvent => ({
  kind,
  at: `2027-05-03T23:${minute}:00-04:00`,
  ...more,
});
const run: Run = {
  id: 'run',
  zoneId: 'front-lawn',
  productId: 'coated-urea-42',
  plannedOn: '2027-05-03',
  for: 'N',
  rateLb: 1.6,
  plannedLb: 6.176,
  areaSqFt: 3860,
  label: { name: 'Coated urea', face: '42-0-0', percent: 42 },
  events: [event('started', 10, { weighedLb: 6.2 })],
};
const step = (of: RunEvent) => fieldAction({ intent: 'step', runId: 'run', step: of }, ID);
const sign = () => fieldAction({ intent: 'sign', runId: 'run', step: event('signed', 50) }, ID);
const stands = async () => (await loadProperty(ID))!;
const applied = async () => (await stands()).zones.find(({ id }) => id === 'front-lawn')!.applied ?? [];
const here = async () => (await stands()).runs!.find(({ id }) => id === 'run')!;

describe('carrying out a job, as it is stored', () => {
  beforeEach(async () => {
    if (await loadProperty(ID)) await deleteProperty(ID);
    await restoreCases([okonedo], { idFor: (id) => id });
    await fieldAction({ intent: 'start', run }, ID);
  });

  it('is begun once, whoever presses twice', async () => {
    await fieldAction({ intent: 'start', run: { ...run, id: 'again' } }, ID);
    expect((await stands()).runs!.map(({ id }) => id)).toEqual(['run']);
  });

  it('is signed after the scale, once, on the day it began, with what was spread', async () => {
    const before = (await applied()).length;
    expect((await sign()).faults?.backLb).toMatch(/Weigh back first/);
    expect((await step(event('weighed-back', 40, { backLb: 9 }))).faults?.backLb).toMatch(/More is left/);
    expect((await here()).events).toHaveLength(1);
    await step(event('weighed-back', 41, { backLb: 0.2 }));
    await sign();
    await sign();
    const log = await applied();
    expect(log).toHaveLength(before + 1);
    const entry = log.find(({ date }) => date === '2027-05-03');
    expect(entry?.productId).toBe('coated-urea-42');
    expect(entry?.zoneLb).toBeCloseTo(6, 12);
  });

  it('takes no step once it is closed, and nothing of a run that was given up gets into the log', async () => {
    const before = await applied();
    await step(event('weighed-back', 41, { backLb: 0.2 }));
    await step(event('given-up', 42, { reason: 'rain' }));
    expect((await step(event('run-done', 43))).faults?.storage).toMatch(/closed/);
    expect((await sign()).faults?.storage).toMatch(/closed/);
    expect(runState(await here()).standing).toBe('given-up');
    expect(await applied()).toEqual(before);
    // and the job can be begun anew
    await fieldAction({ intent: 'start', run: { ...run, id: 'again' } }, ID);
    expect((await stands()).runs!.map(({ id }) => id).sort()).toEqual(['again', 'run']);
  });

  it('a run that is gone is said', async () => {
    const answer = await fieldAction({ intent: 'step', runId: 'none', step: event('paused', 20) }, ID);
    expect(answer.faults?.storage).toMatch(/deleted/);
  });
});
