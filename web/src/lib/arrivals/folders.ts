const folders = new WeakMap<File, string>();

/** Remembers in which folders of a drop a file lay, with slashes. */
export function lies(file: File, folder: string): File {
  folders.set(file, folder.replace(/^\/+|\/+$/g, ''));
  return file;
}

/** The folders a file lay in, with slashes; empty for none. */
export const folderOf = (file: File): string =>
  folders.get(file) ?? file.webkitRelativePath.split('/').slice(0, -1).join('/');
