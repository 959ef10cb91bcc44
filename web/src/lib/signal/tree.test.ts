import { expect, it } from 'vitest';
import type { Row } from '../api/types';
import { isFoldedAway, membersOf, nesting, underTheirBuses } from './tree';

const row = (id: string, type: Row['type'], ...outputs: string[]) =>
  ({ id, type, strip: { outputs } }) as unknown as Row;
const rows = [
  row('all', 'bus', 'mix'),
  row('drums', 'bus', 'all'),
  row('kick', 'audio', 'drums', 'mix'),
  row('early', 'audio', 'later'),
  row('later', 'bus', 'mix'),
  row('sea', 'audio', 'mix'),
  row('off', 'audio'),
  row('snare', 'audio', 'drums'),
  row('mix', 'mix'),
];

it('rows stand in under the bus above them that they feed first', () => {
  expect([...nesting(rows).entries()].map(([id, { depth, under }]) => [id, depth, under])).toEqual([
    ['all', 0, undefined],
    ['drums', 1, 'all'],
    ['kick', 2, 'drums'],
    ['early', 0, undefined],
    ['later', 0, undefined],
    ['sea', 0, undefined],
    ['off', 0, undefined],
    ['snare', 2, 'drums'],
    ['mix', 0, undefined],
  ]);
});

it('shown, every row stands under its bus and none is lost', () => {
  const shown = underTheirBuses(rows);
  expect(shown.map((each) => each.id)).toEqual([
    'all',
    'drums',
    'kick',
    'snare',
    'later',
    'early',
    'sea',
    'off',
    'mix',
  ]);
  expect(nesting(shown).get('early')).toEqual({ depth: 1, under: 'later' });
});

it('a folded bus takes all that stands under it, near and far', () => {
  const nested = nesting(underTheirBuses(rows));
  const away = (...folded: string[]) =>
    rows.map(({ id }) => id).filter((id) => isFoldedAway(id, nested, new Set(folded)));
  expect(away('drums')).toEqual(['kick', 'snare']);
  expect(away('all')).toEqual(['drums', 'kick', 'snare']);
  expect(away('sea', 'later')).toEqual(['early']);
  expect([...membersOf(nested)].sort()).toEqual([
    ['all', 3],
    ['drums', 2],
    ['later', 1],
  ]);
});
