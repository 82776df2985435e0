/** Files of a folder that are taken at a time. */
const MOST_FILES = 200;
const READABLE = /\.(csv|tsv|txt|xlsx|pdf)$/i;

/** Files that were dropped, those of folders with them, by name. */
export async function filesDropped(dropped: Pick<DataTransfer, 'items' | 'files'>): Promise<File[]> {
  const entries = [...dropped.items].map((item) => item.webkitGetAsEntry?.()).filter((entry) => !!entry);
  if (!entries.some((entry) => entry.isDirectory)) return [...dropped.files];
  const files: File[] = [];
  const walk = async (entry: FileSystemEntry): Promise<void> => {
    if (files.length >= MOST_FILES) return;
    if (entry.isFile) {
      if (READABLE.test(entry.name))
        files.push(await new Promise<File>((found, fail) => (entry as FileSystemFileEntry).file(found, fail)));
      return;
    }
    const reader = (entry as FileSystemDirectoryEntry).createReader();
    for (;;) {
      const some = await new Promise<FileSystemEntry[]>((found, fail) => reader.readEntries(found, fail));
      if (some.length === 0) return;
      for (const each of some) await walk(each);
    }
  };
  for (const entry of entries) await walk(entry);
  return files.sort((a, b) => a.name.localeCompare(b.name));
}
