import type { NameStyle, Print } from '../lib/api/types';

export type Part = NonNullable<NameStyle['parts']>[number];
export const PART_WORDS: Record<Part, string> = {
  number: 'number',
  song: 'song',
  group: 'group',
  row: 'row',
  what: 'what it is',
  version: 'version',
  tempo: 'tempo',
  key: 'key',
  date: 'date',
};
export const ALL_PARTS = Object.keys(PART_WORDS) as Part[];

/** The parts with one moved before another place; a part that was not there comes in. */
export function placed(parts: Part[], part: Part, at: number): Part[] {
  const from = parts.indexOf(part);
  const rest = parts.filter((each) => each !== part);
  const to = from >= 0 && from < at ? at - 1 : at;
  return [...rest.slice(0, to), part, ...rest.slice(to)];
}

/** The longest file name, and the one with most signs that are neither plain letters nor numbers. */
export function examples(prints: Print[]): { longest: string; oddest: string } {
  const odd = (name: string) => (name.match(/[^a-zA-Z0-9_. -]/g) ?? []).length;
  const most = (measure: (name: string) => number) =>
    prints
      .map((print) => print.file)
      .reduce((best, name) => (measure(name) > measure(best) ? name : best), prints[0]?.file ?? '');
  return { longest: most((name) => name.length), oddest: most((name) => odd(name) * 1000 + new Set(name).size) };
}
