import { describe, expect, it } from 'vitest';
import { clampZoom, fitting, MOST_PIXELS_PER_SECOND, scrollKeeping, sliderOf, zoomOf } from './scale';

describe('timeline scale', () => {
  const fit = fitting(800, 72);
  it('the whole song fits at the slider’s start', () => expect(zoomOf(0, fit) * 72).toBeLessThanOrEqual(800));
  it('the slider’s end shows single samples', () => expect(zoomOf(1, fit)).toBeCloseTo(MOST_PIXELS_PER_SECOND));
  it('slider and zoom undo each other', () => expect(sliderOf(zoomOf(0.37, fit), fit)).toBeCloseTo(0.37));
  it('never zooms out beyond the song', () => expect(clampZoom(fit / 3, fit)).toBe(fit));
  it('keeps the moment under the pointer', () => {
    const scroll = scrollKeeping(300, 120, 10, 40);
    expect((scroll + 300) / 40).toBeCloseTo((120 + 300) / 10);
  });
});
