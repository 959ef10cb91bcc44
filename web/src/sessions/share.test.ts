import { describe, expect, it } from 'vitest';
import { shares } from './share';

describe('how far each file of an upload has come', () => {
  it('files go out one after the other', () => {
    expect(shares([100, 200, 100], 150)).toEqual([1, 0.25, 0]);
    expect(shares([100, 200, 100], 400)).toEqual([1, 1, 1]);
  });
  it('framing bytes beyond the files count for nothing', () => expect(shares([10], 500)).toEqual([1]));
  it('an empty file has arrived when the one before it has', () => expect(shares([10, 0, 5], 10)).toEqual([1, 1, 0]));
});
