import { describe, expect, it } from 'vitest';
import { scrolledBy, type TimelineState } from './drawTimeline';

const at = (changes: Partial<TimelineState>) =>
  ({
    places,
    chosenRows,
    isClipChosen: () => false,
    head: 0,
    pixelsPerSecond: 10,
    scrollX: 0,
    scrollY: 40,
    width: 900,
    height: 600,
    ...changes,
  }) as TimelineState;
const places: TimelineState['places'] = [];
const chosenRows: string[] = [];

describe('what a scroll leaves on the canvas', () => {
  it('is all but a strip when nothing else has changed', () => {
    expect(scrolledBy(at({}), at({ scrollY: 130 }))).toBe(90);
    expect(scrolledBy(at({}), at({ scrollY: 0 }))).toBe(-40);
  });

  it('is nothing when anything else has', () => {
    for (const change of [
      { scrollX: 1 },
      { head: 5 },
      { playing: 9 },
      { pixelsPerSecond: 11 },
      { chosenRows: ['a'] },
      { places: [] },
      { height: 601 },
    ]) {
      expect(scrolledBy(at({}), at({ scrollY: 130, ...change }))).toBeUndefined();
    }
  });
});
