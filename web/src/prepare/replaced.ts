import type { Row } from '../lib/api/types';

/** What find and replace would make of the names; letter case does not matter for finding. */
export function replaced(rows: Row[], find: string, put: string): { row: string; name: string }[] {
  if (!find) return [];
  const pattern = new RegExp(find.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), 'giu');
  return rows
    .map((row) => ({
      row: row.id,
      name: row.name
        .replace(pattern, () => put)
        .replace(/\s+/g, ' ')
        .trim(),
      now: row.name,
    }))
    .filter(({ name, now }) => name !== now && name !== '')
    .map(({ row, name }) => ({ row, name }));
}
