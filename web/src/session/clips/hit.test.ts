import { expect, it } from 'vitest';
import type { Clip } from '../../lib/api/types';
import { hitClip } from './hit';

const clip = (position: number, frames: number, fadeIn = 0): Clip => ({
  recording: 'a',
  firstChannel: 0,
  channels: 1,
  position,
  offset: 0,
  frames,
  gainDb: 0,
  fadeIn: { frames: fadeIn, curve: 'straight' },
  fadeOut: { frames: 0, curve: 'straight' },
  inserts: [],
  muted: false,
  inverted: false,
});
const clips = [clip(0, 10_000), clip(8_000, 10_000, 3_000)];
const hit = (frame: number, y = 20, chosen = -1) => hitClip(clips, frame, 10, y, (index) => index === chosen);

it('tells edges, grips and bodies apart; the later clip lies on top', () => {
  expect(hit(5_000)).toEqual({ index: 0, part: 'body' });
  expect(hit(30)).toEqual({ index: 0, part: 'start' });
  expect(hit(9_990)).toEqual({ index: 1, part: 'body' });
  expect(hit(8_010)).toEqual({ index: 1, part: 'start' });
  expect(hit(17_980)).toEqual({ index: 1, part: 'end' });
  expect(hit(18_100)).toBeUndefined();
  expect(hit(11_000, 5)).toEqual({ index: 1, part: 'body' });
  expect(hit(11_000, 5, 1)).toEqual({ index: 1, part: 'fadeIn' });
  expect(hit(17_990, 5, 1)).toEqual({ index: 1, part: 'fadeOut' });
});
