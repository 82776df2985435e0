import { Button, Modal } from 'antd';
import { useState } from 'react';
import { differences } from '@core/codes/code-lines';
import type { PackFile } from '@core/packs/rule-packs';
import type { LocalCode } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { Fault } from '../../ui/field';
import { FilePicker } from '../../ui/file-picker';
import { readFile } from '../../workers/read-file';
import { codeName } from './code-list';

/** A local-codes pack opened: what each of its codes would change among the own ones, before anything is stored. */
export function CodeImport({
  open,
  own,
  onStore,
  onClose,
}: {
  open: boolean;
  own: readonly LocalCode[];
  onStore: (codes: LocalCode[], name: string) => void;
  onClose: () => void;
}) {
  const [found, setFound] = useState<{ name: string; pack: PackFile; codes: LocalCode[] }>();
  const [fault, setFault] = useState<string>();
  const close = () => {
    setFound(undefined);
    setFault(undefined);
    onClose();
  };
  const choose = async (file: File) => {
    setFound(undefined);
    setFault(undefined);
    const pack = await readFile(file, (reading) => reading.pack(file));
    if (isRefusal(pack)) return setFault(pack.field ? `${pack.refused} (${pack.field})` : pack.refused);
    if (pack.kind !== 'local-codes')
      return setFault(`${file.name} is a pack of ${pack.kind.replaceAll('-', ' ')}: open it under Rule packs.`);
    setFound({ name: file.name, pack, codes: pack.codes as LocalCode[] });
  };
  const here = new Map(own.map((code) => [code.id, code]));
  const changes = (code: LocalCode): string => {
    const mine = here.get(code.id);
    if (!mine) return 'new';
    const changed = differences(code, mine).filter(({ words }) => words !== '');
    return changed.length === 0
      ? 'here already, the same'
      : `changes ${changed.map(({ line }) => line.title).join('; ')}`;
  };
  const wanted = (found?.codes ?? []).filter((code) => changes(code) !== 'here already, the same');
  return (
    <Modal title="Import local codes" open={open} onCancel={close} footer={null} width={560}>
      <p className="small">
        A pack of local codes that Ubertas saved, or one written after docs/formats. A code with an id that is here
        replaces it.
      </p>
      <p className="links">
        <FilePicker label="Local codes file" accept=".json,application/json" onFile={(file) => void choose(file)}>
          Choose a file
        </FilePicker>
      </p>
      <Fault>{fault}</Fault>
      {found && (
        <section aria-label="What the file holds">
          <p>
            <b>
              {found.pack.pack} {found.pack.version}
            </b>
            : {found.pack.source.cite}
          </p>
          <ul>
            {found.codes.map((code) => (
              <li key={code.id}>
                <b>{codeName(code)}</b>: {changes(code)}
              </li>
            ))}
          </ul>
          <Button
            type="primary"
            disabled={wanted.length === 0}
            onClick={() => {
              onStore(wanted, found.name);
              close();
            }}
          >
            Save {wanted.length}
          </Button>
        </section>
      )}
    </Modal>
  );
}
