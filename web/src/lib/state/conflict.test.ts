import { expect, it } from 'vitest';
import type { Session, SessionEdit } from '../api/types';
import { holdsOn } from './conflict';

const session = (tuba: string, harp: string, title = 'x') =>
  ({
    rows: [
      { id: 'a', name: tuba },
      { id: 'b', name: harp },
    ],
    song: { title },
    markers: [],
  }) as unknown as Session;
const rename: SessionEdit = { type: 'renameRow', row: 'a', name: 'Bass', named: null };

it('an edit holds while nobody changed what it is about', () => {
  expect(holdsOn(rename, session('Tuba', 'Harp'), session('Tuba', 'Lyre', 'y'))).toBe(true);
  expect(holdsOn(rename, session('Tuba', 'Harp'), session('Horn', 'Harp'))).toBe(false);
  expect(holdsOn(rename, session('Tuba', 'Harp'), { ...session('Tuba', 'Harp'), rows: [] })).toBe(false);
  const facts: SessionEdit = { type: 'setSong', title: 'z', artist: '', tempo: null, meter: null, key: null };
  expect(holdsOn(facts, session('Tuba', 'Harp'), session('Horn', 'Lyre'))).toBe(true);
  expect(holdsOn(facts, session('Tuba', 'Harp'), session('Tuba', 'Harp', 'y'))).toBe(false);
  expect(
    holdsOn(
      { type: 'together', words: 'w', edits: [rename, facts] } as SessionEdit,
      session('Tuba', 'Harp'),
      session('Tuba', 'Harp', 'y'),
    ),
  ).toBe(false);
});
