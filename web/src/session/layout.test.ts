import { expect, it } from 'vitest';
import type { Row } from '../lib/api/types';
import { LANE_HEIGHT, placeAt, places, ROW_HEIGHT, visible } from './layout';

const rows = [
  { id: 'a', type: 'bus' },
  { id: 'b', type: 'audio', takes: [{}, {}, {}] },
  { id: 'c', type: 'mix' },
] as unknown as Row[];

it('lanes fold out under their row and push the rest down', () => {
  const all = places(rows, new Set(['b']));
  expect(all.map((place) => place.top)).toEqual([0, ROW_HEIGHT, 2 * ROW_HEIGHT + 3 * LANE_HEIGHT]);
  expect(placeAt(all, ROW_HEIGHT + 1)).toMatchObject({ lane: -1, place: { row: { id: 'b' } } });
  expect(placeAt(all, 2 * ROW_HEIGHT + LANE_HEIGHT + 1)?.lane).toBe(1);
  expect(placeAt(all, 2 * ROW_HEIGHT + 3 * LANE_HEIGHT)?.place.row.id).toBe('c');
  expect(placeAt(all, 9_999)).toBeUndefined();
  expect(visible(all, ROW_HEIGHT, 2 * ROW_HEIGHT).map((place) => place.row.id)).toEqual(['b']);
});
