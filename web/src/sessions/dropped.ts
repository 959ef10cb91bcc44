/** What a drop holds: single files, and everything inside dropped folders. */

export function fromInput(input: HTMLInputElement): File[] {
  return [...(input.files ?? [])].filter((file) => !isLeftover(file.name));
}

export async function fromDrop(transfer: DataTransfer): Promise<File[]> {
  const entries = [...transfer.items].map((item) => item.webkitGetAsEntry?.() ?? null);
  if (entries.every((entry) => entry === null)) return [...transfer.files].filter((file) => !isLeftover(file.name));
  const files: File[] = [];
  for (const entry of entries) if (entry) await collect(entry, files);
  return files;
}

async function collect(entry: FileSystemEntry, into: File[]): Promise<void> {
  if (isLeftover(entry.name)) return;
  if (entry.isFile) {
    into.push(await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject)));
    return;
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  for (;;) {
    // A reader hands its entries out in portions until one is empty.
    const portion = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (portion.length === 0) return;
    for (const child of portion) await collect(child, into);
  }
}

/** Files that systems leave in folders without anyone asking. */
function isLeftover(name: string): boolean {
  return name.startsWith('.') || name === 'Thumbs.db' || name === 'desktop.ini' || name === '__MACOSX';
}
