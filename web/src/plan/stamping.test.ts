import { describe, expect, it } from 'vitest';
import type { PlanRow } from '../lib/api/types';
import { column, Stamping } from './stamping.svelte';

const row = (id: string, stations: PlanRow['stations']) => ({ row: id, stations }) as PlanRow;
const raw = (id: string) => ({ row: id, station: 'raw' as const });

describe('stamping the plan', () => {
  it('a drag gives every cell what the first one got, once each', () => {
    const drag = new Stamping();
    drag.begin(raw('a'), false);
    drag.pass(raw('b'));
    drag.pass(raw('b'));
    expect(drag.shows(raw('b'), false)).toBe(true);
    expect(drag.end()).toEqual({ changed: [raw('a'), raw('b')], adding: true });
    expect(drag.active).toBe(false);
  });
  it('a drag from a chosen cell takes away', () => {
    const drag = new Stamping();
    drag.begin(raw('a'), true);
    drag.pass(raw('c'));
    expect(drag.end()).toEqual({ changed: [raw('a'), raw('c')], adding: false });
  });
  it('nothing is passed outside of a drag', () => {
    const drag = new Stamping();
    drag.pass(raw('a'));
    expect(drag.end().changed).toEqual([]);
  });
  it('a column is filled, and emptied only when it was full', () => {
    const rows = [row('a', ['raw']), row('b', ['raw']), row('mix', ['fader'])];
    const once = column(rows, 'raw', [raw('a')]);
    expect(once).toEqual({ changed: [raw('a'), raw('b')], adding: true });
    expect(column(rows, 'raw', [raw('a'), raw('b')]).adding).toBe(false);
  });
});
