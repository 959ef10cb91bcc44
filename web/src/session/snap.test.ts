import { expect, it } from 'vitest';
import { steady } from '../lib/time/tempo';
import { snapped } from './snap';

it('goes to the nearest beat or bar of the tempo there', () => {
  const tempo = steady(120, '3/4'); // a beat is half a second, a bar a second and a half
  expect(snapped(30_000, 'beat', tempo, 48_000)).toBe(24_000);
  expect(snapped(37_000, 'beat', tempo, 48_000)).toBe(48_000);
  expect(snapped(37_000, 'bar', tempo, 48_000)).toBe(72_000);
  expect(snapped(72_000, 'bar', tempo, 48_000)).toBe(72_000);
  expect(snapped(35_000.4, 'bar', tempo, 48_000)).toBe(0);
  expect(snapped(37_000.4, 'off', tempo, 48_000)).toBe(37_000);
  expect(snapped(37_000, 'bar', undefined, 48_000)).toBe(37_000);
  expect(snapped(-50, 'beat', tempo, 48_000)).toBe(0);
});
