import { expect, it } from 'vitest';
import type { Row } from '../lib/api/types';
import { replaced } from './replaced';

const rows = [
  { id: 'a', name: 'Gtr 1 (DI)' },
  { id: 'b', name: 'lead gtr' },
  { id: 'c', name: 'Harp' },
  { id: 'd', name: 'gtr' },
] as unknown as Row[];

it('finds in any letter case and puts what was typed, sign by sign', () => {
  expect(replaced(rows, 'gtr', 'Guitar')).toEqual([
    { row: 'a', name: 'Guitar 1 (DI)' },
    { row: 'b', name: 'lead Guitar' },
    { row: 'd', name: 'Guitar' },
  ]);
  expect(replaced(rows, '(DI)', '$&')).toEqual([{ row: 'a', name: 'Gtr 1 $&' }]);
  expect(replaced(rows, 'gtr', '')).toEqual([
    { row: 'a', name: '1 (DI)' },
    { row: 'b', name: 'lead' },
  ]);
  expect(replaced(rows, '', 'x')).toEqual([]);
});
