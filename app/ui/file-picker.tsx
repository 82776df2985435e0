import { Button } from 'antd';
import { type ReactNode, useRef } from 'react';

interface FilePickerProps {
  /** Name of the field, for those who do not see it. */
  label: string;
  /** File name endings and media types, as the browser takes them. */
  accept: string;
  onFile: (file: File) => void;
  /** Takes several at once; one alone goes to `onFile`. */
  onFiles?: (files: readonly File[]) => void;
  multiple?: boolean;
  primary?: boolean;
  disabled?: boolean;
  /** Opens the camera at once where there is one. */
  camera?: boolean;
  children: ReactNode;
}

/** A button that asks for a file. The same file can be chosen twice in a row: it may have been mended in between. */
export function FilePicker({
  label,
  accept,
  onFile,
  onFiles,
  multiple,
  primary,
  disabled,
  camera,
  children,
}: FilePickerProps) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={field}
        type="file"
        className="vh"
        tabIndex={-1}
        accept={accept}
        multiple={multiple}
        {...(camera ? { capture: 'environment' } : {})}
        aria-label={label}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          if (files.length > 1 && onFiles) onFiles(files);
          else if (files[0]) onFile(files[0]);
          event.target.value = '';
        }}
      />
      <Button type={primary ? 'primary' : 'default'} disabled={disabled} onClick={() => field.current?.click()}>
        {children}
      </Button>
    </>
  );
}
