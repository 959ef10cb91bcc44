import { describe, expect, it } from 'vitest';
import { bytes, dbfs, grouped, minutes, moment, rate, signed } from './units';

describe('how quantities are written', () => {
  it.each([
    [0, '0:00.0'],
    [72.4, '1:12.4'],
    [59.96, '1:00.0'],
    [3723.04, '1:02:03.0'],
  ])('%d s', (s, text) => {
    expect(minutes(s)).toBe(text);
  });
  it.each([
    [999, '999 bytes'],
    [612_400_000, '612 MB'],
    [999_600_000, '1.0 GB'],
    [1_840_000_000, '1.8 GB'],
    [4_200, '4 kB'],
  ])('%d bytes', (n, text) => expect(bytes(n)).toBe(text));
  it('says silence in a word and never minus zero', () => {
    expect(dbfs(null)).toBe('silent');
    expect(dbfs(-6.44)).toBe('−6.4 dBFS');
    expect(signed(-0.04)).toBe('0.0');
  });
  it('sets thousands apart', () => expect(grouped(3801600)).toBe('3\u202f801\u202f600'));
  it('writes rates as people say them', () =>
    expect([48000, 44100, 192000].map(rate)).toEqual(['48 kHz', '44.1 kHz', '192 kHz']));
  it('counts days by the calendar, not by hours', () => {
    const now = new Date(2026, 4, 3, 0, 10);
    expect(moment(new Date(2026, 4, 2, 23, 50).toISOString(), now)).toBe('yesterday 23:50');
    expect(moment(new Date(2025, 11, 24, 12, 0).toISOString(), now)).toBe('24 Dec 2025');
  });
});
