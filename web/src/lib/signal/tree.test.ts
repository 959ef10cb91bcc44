import { expect, it } from 'vitest';
import type { Row } from '../api/types';
import { depths } from './tree';

const row = (id: string, type: Row['type'], ...outputs: string[]) =>
  ({ id, type, strip: { outputs } }) as unknown as Row;

it('rows stand in under the bus above them that they feed first', () => {
  const rows = [
    row('all', 'bus', 'mix'),
    row('drums', 'bus', 'all'),
    row('kick', 'audio', 'drums', 'mix'),
    row('early', 'audio', 'later'),
    row('later', 'bus', 'mix'),
    row('sea', 'audio', 'mix'),
    row('off', 'audio'),
    row('mix', 'mix'),
  ];
  expect([...depths(rows).entries()]).toEqual([
    ['all', 0],
    ['drums', 1],
    ['kick', 2],
    ['early', 0],
    ['later', 0],
    ['sea', 0],
    ['off', 0],
    ['mix', 0],
  ]);
});
