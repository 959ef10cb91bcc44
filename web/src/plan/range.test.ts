import { describe, expect, it } from 'vitest';
import { fromMarkers, pointText, toPoint } from './range';

const MARKERS = ['Verse', '12'];

describe('range', () => {
  it('reads bars, times and markers', () => {
    expect(toPoint(' 5 ', MARKERS)).toEqual({ unit: 'bars', at: 5 });
    expect(toPoint('bar 5,5', MARKERS)).toEqual({ unit: 'bars', at: 5.5 });
    expect(toPoint('1:10.5', MARKERS)).toEqual({ unit: 'seconds', at: 70.5 });
    expect(toPoint('1:02:03', MARKERS)).toEqual({ unit: 'seconds', at: 3723 });
    expect(toPoint('verse', MARKERS)).toEqual({ unit: 'marker', at: 0, marker: 'Verse' });
    expect(toPoint('12', MARKERS)).toEqual({ unit: 'marker', at: 0, marker: '12' });
  });
  it('tells them from nonsense', () => {
    for (const text of ['', 'a', '1-2', '1:2:', ':30', 'Chorus']) expect(toPoint(text, MARKERS)).toBeUndefined();
  });
  it('writes what it reads', () => {
    for (const text of ['5', '5.5', '0:30', '1:10.50', 'Verse']) expect(pointText(toPoint(text, MARKERS)!)).toBe(text);
  });
  it('makes a section for every marker', () => {
    const made = fromMarkers(
      [
        { frame: 96_000, name: 'B' },
        { frame: 0, name: 'A' },
      ],
      144_000,
      48_000,
    );
    expect(made.map((each) => each.name)).toEqual(['A', 'B']);
    expect(made[0]!.stretch!.to).toEqual({ unit: 'marker', at: 0, marker: 'B' });
    expect(made[1]!.stretch!.to).toEqual({ unit: 'seconds', at: 3 });
  });
});
