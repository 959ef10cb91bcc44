import { describe, expect, it } from 'vitest';
import { UploadPace } from './uploadPace';

describe('the pace of an upload', () => {
  it('is not told before a second of it was seen', () => {
    const pace = new UploadPace();
    pace.told(0, 0);
    pace.told(900, 900);
    expect(pace.perSecond).toBeUndefined();
    expect(pace.secondsLeft(10_000)).toBeUndefined();
    pace.told(2_000, 1_000);
    expect(pace.perSecond).toBe(2_000);
    expect(pace.secondsLeft(10_000)).toBe(4);
  });

  it('follows a line that slows down, and says nothing of the end while it stands', () => {
    const pace = new UploadPace();
    for (let second = 0; second <= 10; second++) pace.told(1_000 * second, 1_000 * second);
    for (let second = 11; second <= 20; second++) pace.told(10_000 + 100 * (second - 10), 1_000 * second);
    expect(pace.perSecond).toBe(100);
    expect(pace.secondsLeft(12_000)).toBe(10);
    for (let second = 21; second <= 30; second++) pace.told(11_000, 1_000 * second);
    expect(pace.secondsLeft(12_000)).toBeUndefined();
  });
});
