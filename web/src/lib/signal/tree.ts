import type { Row } from '../api/types';

/** How far a row stands in, and under which bus. */
export interface Nested {
  depth: number;
  under?: string;
}

/** Each row's place: one step in under the bus it feeds first, when that bus stands above it. */
export function nesting(rows: Row[]): Map<string, Nested> {
  const buses = new Set(rows.filter((row) => row.type === 'bus').map((row) => row.id));
  const nested = new Map<string, Nested>();
  for (const row of rows) {
    const bus = row.strip.outputs[0];
    const above = bus !== undefined && buses.has(bus) ? nested.get(bus) : undefined;
    nested.set(row.id, above ? { depth: above.depth + 1, under: bus } : { depth: 0 });
  }
  return nested;
}

/** Rows with those of a bus under it, otherwise in their own order. */
export function underTheirBuses(rows: Row[]): Row[] {
  const buses = new Set(rows.filter((row) => row.type === 'bus').map((row) => row.id));
  const members = new Map<string | undefined, Row[]>();
  for (const row of rows) {
    const first = row.strip.outputs[0];
    const bus = first !== undefined && first !== row.id && buses.has(first) ? first : undefined;
    members.set(bus, [...(members.get(bus) ?? []), row]);
  }
  const withMembers = (row: Row): Row[] => [row, ...(members.get(row.id) ?? []).flatMap(withMembers)];
  return (members.get(undefined) ?? []).flatMap(withMembers);
}

/** Whether a row stands under a bus that is folded, near or far. */
export function isFoldedAway(row: string, nested: Map<string, Nested>, folded: ReadonlySet<string>): boolean {
  for (let bus = nested.get(row)?.under; bus !== undefined; bus = nested.get(bus)?.under)
    if (folded.has(bus)) return true;
  return false;
}

/** How many rows stand under each bus, near and far. */
export function membersOf(nested: Map<string, Nested>): Map<string, number> {
  const members = new Map<string, number>();
  for (const { under } of nested.values())
    for (let bus = under; bus !== undefined; bus = nested.get(bus)?.under)
      members.set(bus, (members.get(bus) ?? 0) + 1);
  return members;
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
