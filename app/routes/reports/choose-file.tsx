import { Fault } from '../../ui/field';
import { FilePicker } from '../../ui/file-picker';

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
      <FilePicker primary label="Report file" accept=".csv,.txt,.tsv,text/csv,text/plain" onFile={onFile}>
        Choose a report file
      </FilePicker>{' '}
      <span className="small">or drop it here</span>
      <Fault>{fault}</Fault>
    </section>
  );
}
