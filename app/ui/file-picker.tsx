import { Button } from 'antd';
import { type ReactNode, useRef } from 'react';

interface FilePickerProps {
  /** Name of the field, for those who do not see it. */
  label: string;
  /** File name endings and media types, as the browser takes them. */
  accept: string;
  onFile: (file: File) => void;
  primary?: boolean;
  disabled?: boolean;
  children: ReactNode;
}

/** A button that asks for a file. The same file can be chosen twice in a row: it may have been mended in between. */
export function FilePicker({ label, accept, onFile, primary, disabled, children }: FilePickerProps) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={field}
        type="file"
        className="vh"
        tabIndex={-1}
        accept={accept}
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
      <Button type={primary ? 'primary' : 'default'} disabled={disabled} onClick={() => field.current?.click()}>
        {children}
      </Button>
    </>
  );
}
