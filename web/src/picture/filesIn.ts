const MOST = 2000;

/** All files of a drop, those inside dropped folders too. */
export async function filesIn(transfer: DataTransfer): Promise<File[]> {
  const entries = [...transfer.items]
    .map((i) => i.webkitGetAsEntry())
    .filter((e): e is FileSystemEntry => e !== null);
  const files: File[] = [];
  const walk = async (entry: FileSystemEntry): Promise<void> => {
    if (files.length >= MOST || entry.name.startsWith('.')) return;
    if (entry.isFile) {
      files.push(await new Promise<File>((ok, no) => (entry as FileSystemFileEntry).file(ok, no)));
      return;
    }
    const reader = (entry as FileSystemDirectoryEntry).createReader();
    // A reader gives a hundred entries at a time, and none when it is through.
    for (;;) {
      const some = await new Promise<FileSystemEntry[]>((ok, no) => reader.readEntries(ok, no));
      if (some.length === 0) return;
      for (const one of some) await walk(one);
    }
  };
  for (const entry of entries) await walk(entry);
  return files.length > 0 ? files : [...transfer.files];
}
