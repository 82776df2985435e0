import { Button, Input, Popconfirm } from 'antd';
import { useState } from 'react';
import { differences } from '@core/codes/code-lines';
import { codeReview } from '@core/codes/code-review';
import type { LocalCode } from '@core/records/case';
import { useKey } from '../../ui/keys';
import { Unsaved } from '../../ui/unsaved';
import { useDone } from '../../work/use-done';
import { useDraft } from '../../work/use-draft';
import { useFollowed } from '../../work/use-followed';
import { CodeForm } from './code-form';
import { codeName } from './code-list';
import { CodeMargin, type MarginActs } from './code-margin';
import { countDiffering } from './code-row';
import { CodeStrip } from './code-strip';
import type { CodeAnswer, CodeSent } from './codes';
import { codeFromTyped, codeTyped, type TypedCode } from './typed-code';
import { useCodeEffects } from './use-code-effects';
import { type Units, useUnits } from '../../ui/format';

/** A copy begins with nothing checked, and with a source of its own to be named. */
const copyOf = (code: LocalCode, units: Units): TypedCode => ({
  ...codeTyped({ ...code, checkedOn: undefined, checkedBy: undefined, expiresOn: undefined }, units),
  id: undefined,
  changedAt: undefined,
  copyOf: code.id,
  name: `${codeName(code)}, own`,
});

interface CodeEditorProps {
  /** The stored code; undefined for a new one. */
  code: LocalCode | undefined;
  /** What it is, or is to be, a copy of. */
  original: LocalCode | undefined;
  copying: LocalCode | undefined;
  today: string;
  version: string;
  margin: MarginActs;
  send: (sent: CodeSent) => Promise<CodeAnswer | undefined>;
  onKept: (id: string) => void;
  onLeave: () => void;
  onDelete?: () => void;
}

/** An own code, every line of it typed, beside what it was copied from and what it does to every property under it. */
export function CodeEditor({
  code: stored,
  original,
  copying,
  today,
  version,
  margin,
  send,
  onKept,
  onLeave,
  onDelete,
}: CodeEditorProps) {
  const units = useUnits();
  const begin = () => (stored ? codeTyped(stored, units) : copying ? copyOf(copying, units) : codeTyped({}, units));
  const [typed, setTyped] = useState(begin);
  const [typing, setTyping] = useState<number>();
  const [tried, setTried] = useState(false);
  const [saved, setSaved] = useState<CodeAnswer>();
  const done = useDone();
  const text = (of: TypedCode) => JSON.stringify({ ...of, changedAt: undefined, held: undefined });
  const { dirty, overtaken } = useFollowed({
    record: stored,
    typed: text(typed),
    shown: (record) => text(codeTyped(record, units)),
    own: stored && (saved?.undo?.codes.over?.[stored.id] ?? undefined),
    load: (record) => setTyped(codeTyped(record, units)),
    adopt: ({ changedAt }) => setTyped((before) => ({ ...before, changedAt })),
  });
  const { offered, forget } = useDraft({
    place: `code/${stored?.id ?? `new/${copying?.id ?? ''}`}`,
    typed,
    dirty,
    savedBy: saved,
    load: setTyped,
  });
  const { code, faults } = codeFromTyped(typed, stored?.id ?? 'new', units);
  const { effects, judging, fault } = useCodeEffects(stored && code, today, version);
  const waits = Object.values(faults);
  const unsaved = dirty || !stored;
  const save = async () => {
    setTried(true);
    if (waits.length > 0) return;
    let answer: CodeAnswer | undefined;
    const kept = await done(
      async () => (answer = await send({ intent: 'save', typed })),
      'The code is saved.',
      (undo) => (undo?.undo ? send({ intent: 'undo', change: undo.undo }) : Promise.resolve(undefined)),
    );
    if (!kept) return;
    setSaved(answer);
    if (!stored && answer?.kept) {
      forget();
      onKept(answer.kept.id);
    }
  };
  useKey('save', () => void save(), [typed, stored], unsaved);
  const differing = original && differences(code, original);
  return (
    <>
      <section className="codemain" aria-label="The code">
        <div className="pagehead">
          <h1>Local code</h1>
          <Input
            className="codename"
            aria-label="Name of the code"
            placeholder="Name of the code"
            value={typed.name}
            status={tried && faults.name ? 'error' : undefined}
            onChange={({ target }) => setTyped((before) => ({ ...before, name: target.value }))}
          />
          <span className="small">
            {differing ? `${countDiffering(differing)}; ` : ''}
            {unsaved ? 'not saved' : 'saved'}
          </span>
          <span className="sp" />
          {onDelete && (
            <Popconfirm
              title="Delete this code?"
              description="It is taken off every property that is under it."
              okText="Delete"
              cancelText="Cancel"
              onConfirm={onDelete}
            >
              <Button>Delete</Button>
            </Popconfirm>
          )}
          <Button
            disabled={!unsaved}
            onClick={() => {
              forget();
              setTyped(begin());
              setTried(false);
              if (!stored) onLeave();
            }}
          >
            Cancel
          </Button>
          <Button type="primary" disabled={!unsaved} onClick={() => void save()}>
            Save
          </Button>
        </div>
        <Unsaved offered={offered} overtaken={overtaken} />
        <CodeStrip code={code} shipped={original} effects={effects ?? []} typing={typing} />
        <CodeForm
          typed={typed}
          code={code}
          shipped={original}
          faults={tried || stored || copying ? faults : {}}
          today={today}
          onChange={(over) => setTyped((before) => ({ ...before, ...over }))}
          onTyping={setTyping}
        />
      </section>
      <CodeMargin
        {...margin}
        effects={effects}
        judging={judging}
        fault={fault}
        codeId={stored?.id}
        review={codeReview(code, today)}
        waits={tried || stored ? waits : []}
      />
    </>
  );
}
