import { Button } from 'antd';
import { useRef } from 'react';
import { Fault } from '../../ui/field';

/** Where a report file is chosen or dropped. */
export function ChooseFile({
  interrupted,
  fault,
  onFile,
}: {
  interrupted: boolean;
  fault: string | undefined;
  onFile: (file: File) => void;
}) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <section
      className="drop"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const file = event.dataTransfer.files[0];
        if (file) onFile(file);
      }}
    >
      {interrupted && (
        <p className="note">
          The page was loaded again while a file was being read. Nothing of it was stored: choose it once more.
        </p>
      )}
      <p>
        One sample or a hundred thousand, as CSV or text: any laboratory’s columns, units and marks. A bag’s code finds
        its zone by itself; a zone’s name does as well. Nothing is stored before you have seen what was found.
      </p>
      <input
        ref={picker}
        type="file"
        className="vh"
        tabIndex={-1}
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        aria-label="Report file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
      <Button type="primary" onClick={() => picker.current?.click()}>
        Choose a report file
      </Button>{' '}
      <span className="small">or drop it here</span>
      <Fault>{fault}</Fault>
    </section>
  );
}
