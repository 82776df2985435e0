import './codes.css';
import { Button } from 'antd';
import { useState } from 'react';
import { differences } from '@core/codes/code-lines';
import { printPack } from '@core/files/pack-file';
import { BUILT_IN_PACKS } from '@core/packs/rule-packs';
import type { LocalCode, PlannedDose } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { applyChange, type Change } from '../../storage/changes';
import {
  bindCodes,
  type CodeChange,
  codesHere,
  codesWithIds,
  deleteCode,
  saveCode,
  saveCodes,
  undoCode,
} from '../../storage/own-codes';
import { loadOwn } from '../../storage/own-records';
import { existingProperty, savePlan } from '../../storage/property-repository';
import { Loading } from '../../ui/loading';
import { usePlace } from '../../ui/place';
import { saveTextFile } from '../../ui/save-text-file';
import { todayIso } from '../../ui/today';
import { RoomTop } from '../../ui/room-top';
import { answering, type Shapes, useSend } from '../../work/send';
import { StageFault } from '../../work/stage-fault';
import { useDone } from '../../work/use-done';
import { useFollow } from '../../work/use-follow';
import type { Route } from './+types/codes';
import { CodeEditor } from './code-editor';
import { CodeImport } from './code-import';
import { CodeList } from './code-list';
import { CodeReading } from './code-reading';
import { codeFromTyped, type TypedCode } from './typed-code';
import { unitsHere } from '../../work/units-here';

export type CodeAnswer = {
  faults?: Record<string, string>;
  kept?: LocalCode;
  undo?: CodeChange;
  of?: { propertyId: string; change: Change };
};
export type CodeSent =
  | { intent: 'save'; typed: TypedCode }
  | { intent: 'delete'; id: string }
  | { intent: 'undo'; change: CodeChange }
  | { intent: 'import'; codes: LocalCode[] }
  | { intent: 'bind'; propertyId: string; codeId: string; on: boolean }
  | { intent: 'mend'; propertyId: string; planId: string; doses: PlannedDose[] }
  | { intent: 'undo-property'; propertyId: string; change: Change };

/** Whether a property carries another version of an own code, as a file can bring it. */
const isOther = (mine: LocalCode, carried: LocalCode): boolean =>
  mine.id === carried.id && differences(mine, carried).some(({ words }) => words !== '');

export async function clientLoader() {
  const { own, packs, properties } = await codesHere();
  return {
    own,
    packs,
    properties: properties.map(({ id, name, codes }) => ({
      id,
      name,
      codes: codes.map((code) => code.id),
      other: codes.filter((code) => own.some((mine) => isOther(mine, code))).map((code) => code.id),
    })),
    // of all that carry a code: another one put under it is another version too
    version: properties
      .filter(({ codes }) => codes.length > 0)
      .map(({ id, changedAt = '' }) => `${id} ${changedAt}`)
      .join(),
    today: todayIso(),
  };
}
clientLoader.hydrate = true as const;

async function act(sent: CodeSent): Promise<CodeAnswer> {
  switch (sent.intent) {
    case 'save': {
      const own = await loadOwn('localCodes');
      const taken = [...own, ...BUILT_IN_PACKS.codes].map((code) => code.id);
      const { code, faults } = codeFromTyped(sent.typed, newId(sent.typed.name, taken), await unitsHere());
      if (Object.keys(faults).length > 0) return { faults };
      return { undo: await saveCode(code), kept: code };
    }
    case 'delete':
      return { undo: await deleteCode(sent.id) };
    case 'undo':
      return { undo: await undoCode(sent.change) };
    case 'import': {
      const stands = new Map((await loadOwn('localCodes')).map((code) => [code.id, code.changedAt]));
      const put = sent.codes.map((code) => ({ ...code, changedAt: stands.get(code.id) }));
      return { undo: await saveCodes(put) };
    }
    case 'bind': {
      const { codes = [] } = await existingProperty(sent.propertyId);
      const others = codes.filter((code) => code.id !== sent.codeId);
      const added = sent.on ? await codesWithIds([sent.codeId]) : [];
      const change = await bindCodes(sent.propertyId, [...others, ...added]);
      return { of: { propertyId: sent.propertyId, change } };
    }
    case 'mend': {
      const plan = (await existingProperty(sent.propertyId)).plans?.find(({ id }) => id === sent.planId);
      if (!plan) return { faults: { plan: 'This plan was deleted, perhaps in another tab.' } };
      const change = await savePlan(sent.propertyId, { ...plan, doses: sent.doses });
      return { of: { propertyId: sent.propertyId, change } };
    }
    case 'undo-property':
      return { of: { propertyId: sent.propertyId, change: await applyChange(sent.propertyId, sent.change) } };
  }
}

const SHAPES: Shapes<CodeSent> = {
  save: { typed: 'record' },
  delete: { id: 'text' },
  undo: { change: 'record' },
  import: { codes: 'list' },
  bind: { propertyId: 'text', codeId: 'text', on: 'yes' },
  mend: { propertyId: 'text', planId: 'text', doses: 'list' },
  'undo-property': { propertyId: 'text', change: 'record' },
};

export const clientAction = answering(SHAPES, (sent: CodeSent) => act(sent));

export function HydrateFallback() {
  return <Loading />;
}

export default function Codes({ loaderData }: Route.ComponentProps) {
  const { own, packs, properties, today, version } = loaderData;
  const [place, setPlace] = usePlace();
  const [importing, setImporting] = useState(false);
  const { send } = useSend<CodeSent, CodeAnswer>();
  const done = useDone();
  useFollow(undefined);
  const copied = place.get('copy') ?? undefined;
  const isNew = place.has('new') || copied !== undefined;
  const inPacks = packs.flatMap(([, codes]) => codes);
  const opened = isNew ? undefined : (place.get('code') ?? own[0]?.id ?? inPacks[0]?.id);
  const go = (to: Record<string, string>) => setPlace(() => new URLSearchParams(to));
  const original = inPacks.find((code) => code.id === copied);
  const mine = own.find((code) => code.id === opened);
  const reading = mine ? undefined : inPacks.find((code) => code.id === opened);
  const undoProperty = (answer: CodeAnswer | undefined) =>
    answer?.of ? send({ intent: 'undo-property', ...answer.of }) : Promise.resolve(undefined);
  const bind = (propertyId: string, codeId: string, on: boolean) => {
    const name = properties.find(({ id }) => id === propertyId)?.name ?? 'The property';
    void done(
      () => send({ intent: 'bind', propertyId, codeId, on }),
      on ? `${name} is under the code now.` : `The code is off ${name}.`,
      undoProperty,
    );
  };
  const margin = {
    properties,
    onBind: (propertyId: string) => opened !== undefined && bind(propertyId, opened, true),
    onUnbind: (propertyId: string) => opened !== undefined && bind(propertyId, opened, false),
    onMend: (propertyId: string, planId: string, doses: readonly PlannedDose[], says: string) =>
      void done(() => send({ intent: 'mend', propertyId, planId, doses: [...doses] }), `${says}: done.`, undoProperty),
  };
  const remove = async (code: LocalCode) => {
    const removed = await done(
      () => send({ intent: 'delete', id: code.id }),
      `${code.name ?? code.id} was deleted, and taken off every property.`,
      (answer) => (answer?.undo ? send({ intent: 'undo', change: answer.undo }) : Promise.resolve(undefined)),
    );
    if (removed) setPlace(() => new URLSearchParams(), { replace: true });
  };
  const exported = (codes: readonly LocalCode[]) =>
    saveTextFile(
      `local-codes-${today}.json`,
      printPack({
        kind: 'local-codes',
        pack: 'own-codes',
        version: today,
        source: {
          cite: codes
            .map((code) => code.source?.cite ?? code.name ?? code.id)
            .join('; ')
            .slice(0, 600),
          standing: 'from memory',
        },
        codes: codes.map(({ changedAt: _at, ...code }) => code),
      }),
      'application/json',
    );
  const files = (
    <>
      <Button size="small" onClick={() => setImporting(true)}>
        Import
      </Button>
      <Button size="small" disabled={own.length === 0} onClick={() => exported(mine ? [mine] : own)}>
        Export
      </Button>
    </>
  );
  return (
    <>
      <RoomTop />
      <main id="main" className="codes">
        <CodeList
          own={own}
          packs={packs}
          opened={opened}
          today={today}
          onOpen={(code) => go({ code })}
          onNew={() => go({ new: '' })}
          files={files}
        />
        {reading ? (
          <CodeReading
            key={reading.id}
            code={reading}
            today={today}
            version={version}
            margin={margin}
            onCopy={() => go({ copy: reading.id })}
          />
        ) : mine || isNew ? (
          <CodeEditor
            key={mine?.id ?? `new/${copied ?? ''}`}
            code={mine}
            original={original ?? inPacks.find((code) => code.id === mine?.copyOf)}
            copying={original}
            today={today}
            version={version}
            margin={margin}
            send={send}
            onKept={(code) => setPlace(() => new URLSearchParams({ code }), { replace: true })}
            onLeave={() => setPlace(() => new URLSearchParams(original ? { code: original.id } : {}))}
            onDelete={mine && (() => void remove(mine))}
          />
        ) : (
          <p className="empty">This code is not here any more.</p>
        )}
      </main>
      <CodeImport
        open={importing}
        own={own}
        onClose={() => setImporting(false)}
        onStore={(codes, name) =>
          void done(
            () => send({ intent: 'import', codes }),
            `${codes.length} ${codes.length === 1 ? 'code' : 'codes'} of ${name} are among your own.`,
            (answer) => (answer?.undo ? send({ intent: 'undo', change: answer.undo }) : Promise.resolve(undefined)),
          )
        }
      />
    </>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Local codes" />;
}
