import { folderOf, lies } from '../lib/arrivals/folders';

/** What a drop holds: single files, and everything inside dropped folders. */

export interface Dropped {
  files: File[];
  /** The folder they lay in, where there was one and nothing beside it: what the session will be called. */
  folder?: string | undefined;
}

export function fromInput(input: HTMLInputElement): Dropped {
  const files = inOrder([...(input.files ?? [])].filter((file) => !isLeftover(file.name)));
  return { files, folder: files[0]?.webkitRelativePath.split('/').slice(0, -1)[0] };
}

export async function fromDrop(transfer: DataTransfer): Promise<Dropped> {
  const entries = [...transfer.items].map((item) => item.webkitGetAsEntry?.() ?? null);
  if (entries.every((entry) => entry === null))
    return { files: [...transfer.files].filter((file) => !isLeftover(file.name)) };
  const files: File[] = [];
  for (const entry of entries) if (entry) await collect(entry, files);
  return {
    files: inOrder(files),
    folder: entries.length === 1 && entries[0]?.isDirectory ? entries[0].name : undefined,
  };
}

/** Folders hand their files out as they like: by their path, 2 before 10. */
function inOrder(files: File[]): File[] {
  const path = (file: File) => `${folderOf(file)}/${file.name}`;
  return files.every((file) => !folderOf(file))
    ? files
    : files.sort((a, b) => path(a).localeCompare(path(b), 'en', { numeric: true, sensitivity: 'base' }));
}

async function collect(entry: FileSystemEntry, into: File[]): Promise<void> {
  if (isLeftover(entry.name)) return;
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
    into.push(lies(file, entry.fullPath.slice(0, -entry.name.length)));
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
