import { describe, expect, it } from 'vitest';
import type { Clip } from '../../lib/api/types';
import { faded, joined, moved, split, trimmedEnd, trimmedStart } from './clipEdits';

const clip = (part: Partial<Clip> = {}): Clip => ({
  recording: 'a',
  firstChannel: 0,
  channels: 1,
  position: 1000,
  offset: 200,
  frames: 500,
  gainDb: 0,
  fadeIn: { frames: 0, curve: 'straight' },
  fadeOut: { frames: 0, curve: 'straight' },
  inserts: [],
  muted: false,
  inverted: false,
  ...part,
});
/** The frame of the recording heard at a frame of the session. */
const heard = (c: Clip, frame: number) =>
  frame >= c.position && frame < c.position + c.frames ? frame - c.position + c.offset : undefined;

describe('clips', () => {
  it('move together and stop at the start', () => {
    expect(moved([clip(), clip({ position: 300 }), clip()], [0, 1], -400).map((c) => c.position)).toEqual([
      700, 0, 1000,
    ]);
  });
  it('trimming moves an edge, not the sound', () => {
    for (const by of [-150, 0, 99.6, 10_000, -10_000]) {
      const cut = trimmedStart(clip(), by);
      expect(heard(cut, 1499)).toBe(heard(clip(), 1499));
      expect(cut.offset).toBeGreaterThanOrEqual(0);
      expect(cut.position + cut.frames).toBe(1500);
    }
    expect(trimmedStart(clip({ position: 50 }), -100).position).toBe(0);
    expect(trimmedEnd(clip(), 1_000, 900).frames).toBe(700);
    expect(trimmedEnd(clip(), -1_000, 900).frames).toBe(1);
  });
  it('fades never cross', () => {
    const both = faded(faded(clip(), 'in', 300), 'out', 400);
    expect([both.fadeIn.frames, both.fadeOut.frames]).toEqual([300, 200]);
    expect(trimmedEnd(both, -400, 900)).toMatchObject({ frames: 100, fadeIn: { frames: 100 }, fadeOut: { frames: 0 } });
  });
  it('a cut leaves what sounds, and joining takes it back', () => {
    const whole = clip({ fadeIn: { frames: 20, curve: 'soft' }, fadeOut: { frames: 30, curve: 'slow' } });
    const parts = split([whole], [0], 1200);
    expect(parts.map((c) => [c.position, c.frames, c.fadeIn.frames, c.fadeOut.frames])).toEqual([
      [1000, 200, 20, 0],
      [1200, 300, 0, 30],
    ]);
    for (const frame of [1000, 1199, 1200, 1499])
      expect(parts.map((c) => heard(c, frame)).find((f) => f !== undefined)).toBe(heard(whole, frame));
    expect(joined(parts, [0, 1])).toEqual([whole]);
    expect(split([whole], [0], 1000)).toEqual([whole]);
    expect(joined([parts[0]!, { ...parts[1]!, offset: 401 }], [0, 1])).toBeUndefined();
    expect(joined([parts[0]!, { ...parts[1]!, gainDb: 1 }], [0, 1])).toBeUndefined();
  });
});
