import { Button, Modal, Segmented } from 'antd';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import type { Change, Conflict } from '../storage/changes';
import { differencesBetween, merged } from './conflict-fields';
import { closeConflict, useConflict } from './conflicts';
import { sendBy } from './send';
import { useDone } from './use-done';

type Side = 'mine' | 'theirs';
const KEPT = new Set<string>(['products', 'localCodes', 'packs', 'operators', 'spreaders', 'settings']);
const OWNED = new Set<string>(['zones', 'soilTests', 'samples', 'plans', 'runs']);

/** The write that lets a record stand, over whatever stands now. */
function settling({ kind, propertyId, id, theirs }: Conflict, record: unknown) {
  const over = (theirs as { changedAt?: string } | undefined)?.changedAt;
  if (KEPT.has(kind)) return { intent: 'kept' as const, kind, record: { ...(record as object), changedAt: over } };
  const change = OWNED.has(kind)
    ? { put: { [kind]: [record] }, over: { [`${kind}/${id}`]: over ?? null } }
    : { property: { [kind]: record ?? null } };
  return { intent: 'property' as const, propertyId, change: change as Change };
}

/** Two versions of one record side by side: mine, theirs, or of each field the one that is to stand. */
function Versions({ conflict }: { conflict: Conflict }) {
  const differences = differencesBetween(conflict);
  const [sides, setSides] = useState<Record<string, Side>>({});
  const fetcher = useFetcher();
  const done = useDone();
  const settle = async (record: unknown) => {
    if (await done(() => sendBy(fetcher, settling(conflict, record), '/settle'))) closeConflict({ chosen: true });
  };
  const { what, theirs } = conflict;
  const some = Object.values(sides).includes('mine') && differences.some(({ name }) => sides[name] !== 'mine');
  return (
    <Modal
      title={`${what} was ${theirs === undefined ? 'deleted' : 'changed'} meanwhile`}
      open
      width={760}
      onCancel={() => closeConflict({ chosen: false })}
      footer={[
        <Button key="later" onClick={() => closeConflict({ chosen: false })}>
          Cancel
        </Button>,
        <Button key="theirs" onClick={() => closeConflict({ chosen: true })}>
          {theirs === undefined ? 'Leave it deleted' : 'Take theirs'}
        </Button>,
        ...(some
          ? [
              <Button
                key="fields"
                loading={fetcher.state !== 'idle'}
                onClick={() =>
                  void settle(
                    merged(
                      conflict,
                      differences.filter(({ name }) => sides[name] === 'mine'),
                    ),
                  )
                }
              >
                Take what is chosen
              </Button>,
            ]
          : []),
        <Button key="mine" type="primary" loading={fetcher.state !== 'idle'} onClick={() => void settle(conflict.mine)}>
          Take mine
        </Button>,
      ]}
    >
      <p>
        {theirs === undefined
          ? 'Yours was not saved. It can be saved all the same, or stay deleted.'
          : 'It was written since this page read it, perhaps in another tab. Nothing of yours is saved yet: take one of the two, or choose field by field.'}{' '}
        Cancel keeps what you typed on the page.
      </p>
      {differences.length > 0 && (
        <table className="versions">
          <thead>
            <tr>
              <th scope="col">What differs</th>
              <th scope="col">Mine</th>
              <th scope="col">Theirs</th>
              <th scope="col">To stand</th>
            </tr>
          </thead>
          <tbody>
            {differences.map(({ name, mine, theirs: other }) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <td>{mine}</td>
                <td>{other}</td>
                <td>
                  <Segmented<Side>
                    aria-label={`${name}: which is to stand`}
                    value={sides[name] ?? 'theirs'}
                    onChange={(to) => setSides((before) => ({ ...before, [name]: to }))}
                    options={[
                      { value: 'mine', label: 'Mine' },
                      { value: 'theirs', label: 'Theirs' },
                    ]}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Modal>
  );
}

/** Shown wherever a write met another tab's. */
export function ConflictDialog() {
  const conflict = useConflict();
  return conflict && <Versions key={`${conflict.kind}/${conflict.id}`} conflict={conflict} />;
}
