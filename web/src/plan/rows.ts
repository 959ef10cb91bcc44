import type { PlanRow } from '../lib/api/types';

/** Whether a row is shown: by part of its name, its kind, its role, or by whether it is printed. Several words must all match. */
export function matches(row: PlanRow, filter: string, role: string | undefined, printed: boolean): boolean {
  const text = filter.trim().toLowerCase();
  if (!text) return true;
  if (text === 'printed') return printed;
  if (text === 'left out') return !printed;
  const about = `${row.name} ${row.kind === 'audio' ? 'recorded' : row.kind} ${role ?? ''}`.toLowerCase();
  return text.split(/\s+/).every((word) => about.includes(word));
}

/** The receiver's order with one row before another, or before the mix; undefined when nothing changes. */
export function rowMoved(rows: PlanRow[], row: string, before: string | undefined): string[] | undefined {
  const order = rows.filter((each) => each.kind !== 'mix').map((each) => each.row);
  const rest = order.filter((each) => each !== row);
  const at =
    before === undefined || !rest.includes(before)
      ? before === row
        ? order.indexOf(row)
        : rest.length
      : rest.indexOf(before);
  const moved = [...rest.slice(0, at), row, ...rest.slice(at)];
  return order.includes(row) && moved.some((each, i) => each !== order[i]) ? moved : undefined;
}
