import { describe, expect, it } from 'vitest';
import { rangeText, toStretch } from './range';

describe('range', () => {
  it('reads bars and times, mixed as well', () => {
    expect(toStretch('5-21')).toEqual({ from: { unit: 'bars', at: 5 }, to: { unit: 'bars', at: 21 } });
    expect(toStretch('bar 5.5 to 9')).toEqual({ from: { unit: 'bars', at: 5.5 }, to: { unit: 'bars', at: 9 } });
    expect(toStretch(' 0:30 – 1:10.5 ')).toEqual({ from: { unit: 'seconds', at: 30 }, to: { unit: 'seconds', at: 70.5 } });
    expect(toStretch('1:02:03-9')).toEqual({ from: { unit: 'seconds', at: 3723 }, to: { unit: 'bars', at: 9 } });
  });
  it('tells nothing from nonsense', () => {
    expect(toStretch('  ')).toBeNull();
    for (const text of ['5', 'a-b', '1-2-3', '5-', '-', '1:2-3']) expect(toStretch(text)).toBeUndefined();
  });
  it('writes what it reads', () => {
    for (const text of ['5–21', '0:30–1:10.50']) expect(rangeText(toStretch(text))).toBe(text);
    expect(rangeText(null)).toBe('');
  });
});
