import { describe, expect, it } from 'vitest';
import { secondsOfBar, steady } from './tempo';
import { barAndBeat, barTicks, timeTicks } from './ticks';

const waltz = steady(96, '3/4');

describe('ruler', () => {
  it('a bar of 3/4 at 96 lasts 1.875 s, one of 6/8 at 120 lasts 1.5 s', () => {
    expect(secondsOfBar(waltz, 2)).toBeCloseTo(1.875, 12);
    expect(secondsOfBar(steady(120, '6/8'), 2)).toBeCloseTo(1.5, 12);
  });
  it('bar 14 beat 2 of the waltz is at 13 bars and one beat', () => {
    expect(barAndBeat(13 * 1.875 + 0.625, waltz)).toEqual({ bar: 14, beat: 2 });
    expect(barAndBeat(0, waltz)).toEqual({ bar: 1, beat: 1 });
  });
  it('labels every fourth bar when bars stand close, with the others in between', () => {
    const ticks = barTicks(waltz, 0, 16, 5);
    expect(ticks.filter((t) => t.strong).map((t) => t.label)).toEqual(['1', '5', '9']);
    expect(ticks).toHaveLength(9);
  });
  it('starts inside a scrolled stretch', () => {
    const ticks = barTicks(waltz, 10, 14, 1);
    expect(ticks[0]!.seconds).toBeGreaterThanOrEqual(10);
    expect(ticks.map((t) => t.label)).toEqual(['7', '8']);
  });
  it('tells time in round steps', () => {
    expect(timeTicks(0, 70, 20).map((t) => t.label)).toEqual(['0:00', '0:30', '1:00']);
    expect(timeTicks(1, 1.3, 0.08).map((t) => t.label)).toEqual(['0:01.0', '0:01.1', '0:01.2', '0:01.3']);
  });
});
