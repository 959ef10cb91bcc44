import type { Choice, Print } from '../lib/api/types';

/** Where a file goes in the parcel. */
export const pathOf = (print: Print): string => (print.folder ? `${print.folder}/` : '') + print.file;

/** The files that a row gives at a station, as they will be called; several where there are takes, sides or sections. */
export function namesAt(prints: Print[], at: Choice): string[] {
  return prints.filter((print) => print.row === at.row && print.station === at.station).map(pathOf);
}

/** Files in the order in which they will lie in the parcel, by folder. */
export function byFolder(prints: Print[]): { folder: string; files: { print: Print; index: number }[] }[] {
  const folders = new Map<string, { print: Print; index: number }[]>();
  prints.forEach((print, index) => folders.set(print.folder, [...(folders.get(print.folder) ?? []), { print, index }]));
  return [...folders].map(([folder, files]) => ({ folder, files }));
}
