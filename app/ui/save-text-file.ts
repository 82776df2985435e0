/** Hands a text to the person as a file. Nothing leaves the browser in any other way. */
export function saveTextFile(name: string, source: string, type: string): void {
  const url = URL.createObjectURL(new Blob([source], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // the download has taken its own hold of the data by the next turn
  setTimeout(() => URL.revokeObjectURL(url), 0);
}
