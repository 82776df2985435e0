/** Hands a file to the person. Nothing leaves the browser in any other way. */
export function saveFile(file: File): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = file.name;
  link.click();
  // the download has taken its own hold of the data by the next turn
  setTimeout(() => URL.revokeObjectURL(url), 0);
}

/** Hands a text to the person as a file. */
export const saveTextFile = (name: string, source: string, type: string): void =>
  saveFile(new File([source], name, { type }));
