import { describe, expect, it } from 'vitest';
import { barAt, beatFrom, quarterAt, quarterOfBar, secondsAt, type Tempo } from './tempo';

const slowing: Tempo = {
  tempos: [
    { quarter: 0, quartersPerMinute: 120, way: 'jump' },
    { quarter: 4, quartersPerMinute: 120, way: 'jump' },
    { quarter: 12, quartersPerMinute: 60, way: 'glide' },
  ],
  meters: [
    { bar: 1, meter: '4/4' },
    { bar: 3, meter: '3/4' },
  ],
};

describe('tempo that glides', () => {
  it('takes the time its integral says', () => {
    let seconds = 2;
    const parts = 100_000;
    for (let i = 0; i < parts; i++) seconds += ((8 / parts) * 60) / (120 - (60 * (i + 0.5)) / parts); // midpoint rule
    expect(secondsAt(slowing, 12)).toBeCloseTo(seconds, 8);
    expect(secondsAt(slowing, 13) - secondsAt(slowing, 12)).toBeCloseTo(1, 10);
  });
  it('is turned round exactly', () => {
    for (let quarter = 0; quarter < 20; quarter += 0.7)
      expect(quarterAt(slowing, secondsAt(slowing, quarter))).toBeCloseTo(quarter, 9);
  });
});

describe('a beat on', () => {
  it('is as long as meter and tempo make it there', () => {
    const eighths = {
      tempos: [
        { quarter: 0, quartersPerMinute: 60, way: 'jump' as const },
        { quarter: 4, quartersPerMinute: 120, way: 'jump' as const },
      ],
      meters: [
        { bar: 1, meter: '4/4' },
        { bar: 2, meter: '6/8' },
      ],
    };
    expect(beatFrom(eighths, 1, 1)).toBeCloseTo(1, 9);
    expect(beatFrom(eighths, 4, 1)).toBeCloseTo(0.25, 9);
    expect(beatFrom(eighths, 4, -1)).toBeCloseTo(-1, 9);
    expect(beatFrom(eighths, 3.5, 1)).toBeCloseTo(0.75, 9);
    expect(beatFrom(eighths, 0.25, -1)).toBeCloseTo(-0.25, 9);
  });
});

describe('meters that change', () => {
  it('bars stand where the meters before them end', () => {
    expect([1, 2, 3, 4, 5].map((bar) => quarterOfBar(slowing, bar))).toEqual([0, 4, 8, 11, 14]);
    expect(barAt(slowing, 11)).toMatchObject({ bar: 4, beat: 0 });
    expect(barAt(slowing, 7.5)).toMatchObject({ bar: 2, beat: 3.5 });
  });
});
