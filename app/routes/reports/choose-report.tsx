import { Button, Input } from 'antd';
import { useState } from 'react';
import { Fault } from '../../ui/field';
import { FilePicker } from '../../ui/file-picker';
import { filesDropped } from './files-dropped';

const ENDINGS = '.csv,.tsv,.txt,.xlsx,.pdf';

/** Where reports come in: chosen, dropped, a folder of them, or pasted. */
export function ChooseReport({
  interrupted,
  fault,
  onFiles,
  onText,
}: {
  interrupted: boolean;
  fault: string | undefined;
  onFiles: (files: readonly File[]) => void;
  onText: (text: string) => void;
}) {
  const [text, setText] = useState('');
  return (
    <section
      className="drop"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void filesDropped(event.dataTransfer).then((files) => files.length > 0 && onFiles(files));
      }}
      onPaste={(event) => {
        const files = [...event.clipboardData.files];
        if (files.length > 0) onFiles(files);
      }}
    >
      {interrupted && (
        <p className="note">
          The page was loaded again while a file was being read. Nothing of it was stored: choose it once more.
        </p>
      )}
      <p>
        A workbook, a PDF, a table, or text out of a mail, from any laboratory: one sample or a hundred thousand. You
        see each value where it stood and what it was read as; nothing is stored before you save it.
      </p>
      <FilePicker
        primary
        multiple
        label="Report file"
        accept={ENDINGS}
        onFile={(file) => onFiles([file])}
        onFiles={onFiles}
      >
        Choose a report file
      </FilePicker>{' '}
      <span className="small">.xlsx, .pdf, .csv, .tsv, .txt; several files or a folder may be dropped here</span>
      <Fault>{fault}</Fault>
      <label className="pasted">
        <span>or paste its text or cells</span>
        <Input.TextArea rows={4} value={text} onChange={(event) => setText(event.target.value)} />
      </label>
      <Button disabled={text.trim() === ''} onClick={() => onText(text)}>
        Read the text
      </Button>
    </section>
  );
}
