import { beforeEach, describe, expect, it } from 'vitest';
import { runState } from '@core/runs/run-state';
import type { Case, Run, RunEvent } from '@core/records/case';
import { okonedo } from '@core/season/front-lawn.fixture';
import { refuseBody } from '@core/log/kinds';
import { recordsOf, withdrawal } from '@core/log/versions';
import { applyChange } from '../../storage/changes';
import { exportProperty, readImport } from '../../storage/case-files';
import { deleteProperty, deleteZone, loadProperty, loadStored, saveZone } from '../../storage/property-repository';
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

  it('writes one record of the log, which is never stored with the zone, and its undo takes it back', async () => {
    await step(event('weighed-back', 41, { backLb: 0.2 }));
    const { undo } = await sign();
    const [record, ...others] = recordsOf((await stands()).records ?? []);
    expect(others).toEqual([]);
    expect(record?.recordId).toBe('run');
    expect(record?.body).toMatchObject({
      kind: 'feeding',
      date: '2027-05-03',
      weighedLb: 6.2,
      backLb: 0.2,
      product: { id: 'coated-urea-42', guaranteed: { N: 42 } },
      planned: { date: '2027-05-03', productId: 'coated-urea-42' },
    });
    expect(refuseBody(record!.body)).toBeUndefined();
    const stored = await loadStored(ID);
    expect(stored!.zones.flatMap(({ applied: log = [] }) => log).some(({ recordId }) => recordId)).toBe(false);
    // a file that is written and read again has the same log
    expect(recordsOf((readImport((await exportProperty(ID))!) as { cases: Case[] }).cases[0]!.records ?? [])).toEqual([
      record,
    ]);
    // a zone that is saved as the page knows it does not keep what the log says
    const zone = (await stands()).zones.find(({ id }) => id === 'front-lawn')!;
    await saveZone(ID, { ...zone, name: 'Front' });
    expect((await loadStored(ID))!.zones[0]!.applied).toEqual(stored!.zones[0]!.applied);
    await applyChange(ID, undo!);
    expect((await stands()).records).toBeUndefined();
    expect(runState(await here()).standing).toBe('weighed');
  });

  it('a record that is withdrawn leaves the job open, to be begun anew; a zone that the log names stays', async () => {
    await step(event('weighed-back', 41, { backLb: 0.2 }));
    await sign();
    const [record] = recordsOf((await stands()).records ?? []);
    await expect(deleteZone(ID, 'front-lawn')).rejects.toThrow(/1 record of the log names it/);
    const gone = withdrawal(record!, 'wrong lawn', { at: '2027-05-04T08:00:00-04:00', by: 'R. Amadi' });
    await applyChange(ID, { put: { records: [gone] } });
    expect((await applied()).some(({ recordId }) => recordId)).toBe(false);
    await fieldAction({ intent: 'start', run: { ...run, id: 'again' } }, ID);
    expect((await stands()).runs!.map(({ id }) => id).sort()).toEqual(['again', 'run']);
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

  it('a job that is left out needs its reason, which the log keeps', async () => {
    const skip = (reason: string) =>
      fieldAction(
        {
          intent: 'skip',
          zoneId: 'front-lawn',
          jobKey: 'front-lawn/2027-09-06/urea-46',
          reason,
          at: '2027-09-07T08:00:00-04:00',
          by: '',
        },
        ID,
      );
    expect((await skip('  ')).faults?.reason).toMatch(/Say why/);
    const { undo } = await skip('the client is away');
    const [record] = recordsOf((await stands()).records ?? []);
    expect(record?.body).toMatchObject({ kind: 'skip', facts: { reason: 'the client is away' } });
    expect(refuseBody(record!.body)).toBeUndefined();
    await applyChange(ID, undo!);
    expect((await stands()).records).toBeUndefined();
  });

  it('a run that is gone is said', async () => {
    const answer = await fieldAction({ intent: 'step', runId: 'none', step: event('paused', 20) }, ID);
    expect(answer.faults?.storage).toMatch(/deleted/);
  });
});
