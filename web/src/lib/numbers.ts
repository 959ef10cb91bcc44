import { NOTHING_DB } from './signal/words';

/** Reads a number as people type it: `−3,5`, `+2 dB`, `silent`; undefined when it is none. */
export function readNumber(text: string): number | undefined {
  const plain = text.trim().replace('−', '-').replace(',', '.');
  if (/^silent$/i.test(plain)) return NOTHING_DB;
  const found = /^[+]?(-?\d*\.?\d+)\s*[^\d.]*$/.exec(plain);
  return found ? Number(found[1]) : undefined;
}

/** At most so many digits after the point, and a real minus sign. */
export function written(value: number, digits = 2): string {
  if (value <= NOTHING_DB) return 'silent';
  const rounded = Math.round(value * 10 ** digits) / 10 ** digits;
  return String(Object.is(rounded, -0) ? 0 : rounded).replace('-', '−');
}
