/** Zoom and scroll of the timeline, in CSS pixels and seconds. Pure. */

export const MOST_PIXELS_PER_SECOND = 24_000;

/** Slider position, 0 to 1, to pixels a second: even steps are equal factors. */
export function zoomOf(slider: number, fit: number): number {
  return fit * (Math.max(MOST_PIXELS_PER_SECOND, fit * 2) / fit) ** slider;
}

export function sliderOf(pixelsPerSecond: number, fit: number): number {
  return Math.log(pixelsPerSecond / fit) / Math.log(Math.max(MOST_PIXELS_PER_SECOND, fit * 2) / fit);
}

/** The zoom at which the whole song fits, with a little air at its end. */
export function fitting(width: number, seconds: number): number {
  return Math.max(0.01, (width - 16) / Math.max(0.1, seconds));
}

export function clampZoom(pixelsPerSecond: number, fit: number): number {
  return Math.min(Math.max(MOST_PIXELS_PER_SECOND, fit * 2), Math.max(fit, pixelsPerSecond));
}

/** Where to scroll so that the moment under `x` stays there when the zoom changes. */
export function scrollKeeping(x: number, scroll: number, before: number, after: number): number {
  return Math.max(0, ((scroll + x) / before) * after - x);
}
