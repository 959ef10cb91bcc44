import { describe, expect, it } from 'vitest';
import type { Found, Row } from '../lib/api/types';
import { bySeverity, byRow, counts } from './order';

const found = (severity: 'stops' | 'look' | 'know', ...rows: string[]) =>
  ({ finding: { severity, rows } }) as unknown as Found;
const rows = [
  { id: 'a', name: 'Tuba', type: 'audio' },
  { id: 'mix', name: 'Mix', type: 'mix' },
] as unknown as Row[];

describe('findings in order', () => {
  const all = [found('look', 'a'), found('know'), found('stops', 'mix', 'a'), found('look', 'a')];
  it('go under their first row, the song above all', () =>
    expect(byRow(all, rows).map((group) => [group.title, group.findings.length])).toEqual([
      ['The song', 1],
      ['01 Tuba', 2],
      ['Mix', 1],
    ]));
  it('or as they matter', () =>
    expect(bySeverity(all).map((group) => group.title)).toEqual(['Stops the print', 'To look at', 'To know']));
  it('and are counted in words', () => {
    expect(counts({ stops: 1, look: 2, know: 1 })).toBe('1 stops · 2 to look at · 1 to know');
    expect(counts({ stops: 0, look: 0, know: 0 })).toBe('nothing left');
  });
});
