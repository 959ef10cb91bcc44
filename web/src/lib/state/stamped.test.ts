import { describe, expect, it } from 'vitest';
import type { Handoff, PlanRow } from '../api/types';
import { stamped } from './stamped';

const rows = [
  { row: 'a', asked: ['raw'] },
  { row: 'b', asked: [] },
] as unknown as PlanRow[];
const raw = (row: string) => ({ row, station: 'raw' as const });
const plain = { name: 'x', added: [], leftOut: [] } as unknown as Handoff;

describe('stamping files', () => {
  it('keeps as set by hand only what differs from the brief', () => {
    const added = stamped(plain, rows, [raw('a'), raw('b')], true);
    expect([added.added, added.leftOut]).toEqual([[raw('b')], []]);
    const out = stamped(added, rows, [raw('a'), raw('b')], false);
    expect([out.added, out.leftOut]).toEqual([[], [raw('a')]]);
    const back = stamped(out, rows, [raw('a')], true);
    expect([back.added, back.leftOut]).toEqual([[], []]);
  });

  it('says nothing twice', () => {
    const once = stamped(plain, rows, [raw('b')], true);
    expect(stamped(once, rows, [raw('b')], true).added).toEqual([raw('b')]);
  });
});
