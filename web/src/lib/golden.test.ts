import { describe, expect, it } from 'vitest';
import examples from '../../../core/src/test/resources/golden/examples.json';
import { trimmedEnd } from '../session/clips/clipEdits';
import type { Clip } from './api/types';
import { barAt, quarterAt, quarterOfBar, secondsAt, secondsOfBar, type Tempo } from './time/tempo';

/** What is computed on the server as well is computed as there: the examples are written by its tests. */
describe('the core’s examples', () => {
  it('of tempo, meter and bars', () => {
    for (const { tempo, moments, bars } of examples.songs) {
      const map = tempo as Tempo;
      for (const { quarter, seconds, bar } of moments) {
        expect(secondsAt(map, quarter)).toBeCloseTo(seconds, 9);
        expect(quarterAt(map, seconds)).toBeCloseTo(quarter, 9);
        expect(barAt(map, quarter).bar).toBe(bar);
      }
      for (const { bar, quarter, seconds } of bars) {
        expect(quarterOfBar(map, bar)).toBeCloseTo(quarter, 12);
        expect(secondsOfBar(map, bar)).toBeCloseTo(seconds, 9);
        expect(barAt(map, quarter).bar).toBe(bar);
      }
    }
  });

  it('of clips that are cut shorter than their fades', () => {
    for (const { clip, frames, cut } of examples.cuts) {
      const whole = clip as Clip;
      expect(trimmedEnd(whole, frames - whole.frames, 1e9)).toEqual(cut);
    }
  });
});
