import { describe, expect, it } from 'vitest';
import type { PlanRow } from '../lib/api/types';
import { matches, rowMoved } from './rows';

const row = (name: string, kind: PlanRow['kind'] = 'audio') => ({ row: name, name, kind }) as PlanRow;

describe('rows of the plan', () => {
  it('are found by name, kind, role, and by what becomes of them', () => {
    expect(matches(row('Lead Voice'), 'voice lead', 'voices', true)).toBe(true);
    expect(matches(row('Tuba'), 'winds', 'winds', true)).toBe(true);
    expect(matches(row('Strings', 'bus'), 'bus', undefined, false)).toBe(true);
    expect(matches(row('Tuba'), 'bus', 'winds', true)).toBe(false);
    expect(matches(row('Tuba'), 'left out', 'winds', true)).toBe(false);
    expect(matches(row('Tuba'), 'printed', 'winds', true)).toBe(true);
    expect(matches(row('Tuba'), '  ', undefined, false)).toBe(true);
  });

  it('are put before others, the mix staying last', () => {
    const rows = [row('a'), row('b'), row('c'), row('mix', 'mix')];
    expect(rowMoved(rows, 'c', 'a')).toEqual(['c', 'a', 'b']);
    expect(rowMoved(rows, 'a', 'c')).toEqual(['b', 'a', 'c']);
    expect(rowMoved(rows, 'a', 'mix')).toEqual(['b', 'c', 'a']);
    expect(rowMoved(rows, 'a', undefined)).toEqual(['b', 'c', 'a']);
    expect(rowMoved(rows, 'a', 'b')).toBeUndefined();
    expect(rowMoved(rows, 'b', 'b')).toBeUndefined();
    expect(rowMoved(rows, 'mix', 'a')).toBeUndefined();
  });
});
