import type { Row } from '../api/types';

/** How far each row stands in: one step under the bus it feeds first, when that bus stands above it. */
export function depths(rows: Row[]): Map<string, number> {
  const depth = new Map<string, number>();
  for (const row of rows) {
    const bus = row.strip.outputs[0];
    const above = bus === undefined ? undefined : depth.get(bus);
    const isBus = rows.some((other) => other.id === bus && other.type === 'bus');
    depth.set(row.id, above !== undefined && isBus ? above + 1 : 0);
  }
  return depth;
}

export const KIND_WORDS: Record<Row['type'], string> = {
  audio: '',
  instrument: 'notes',
  part: 'part',
  bus: 'bus',
  return: 'return',
  mix: 'mix',
};

export const isSum = (row: Row): boolean => row.type === 'bus' || row.type === 'return' || row.type === 'mix';
