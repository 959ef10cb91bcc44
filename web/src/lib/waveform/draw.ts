import type { Clip, Session } from '../api/types';
import { BINS_PER_TILE, extremes, framesPerBin, zoomFor, type Tile } from './bins';
import { fadeAt, recordingFramesPerFrame, recordingOf } from './clips';
import { tiles } from './tiles';

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

const STEPS = 4096;

/** Heights for amplitudes in steps: a power for every column is what took longest in drawing a large session. */
const HEIGHTS = Float32Array.from({ length: STEPS + 1 }, (_, step) => (step / STEPS) ** 0.6);

/**
 * Height of an amplitude, both from -1 to 1. Bent upwards so that quiet rows can be told from silent ones: -12 dB
 * stands at 44 %, -40 dB at 6 % of the height. The same everywhere a waveform is drawn.
 */
function heightOf(amplitude: number): number {
  const step = Math.round(Math.min(1, Math.abs(amplitude)) * STEPS);
  return amplitude < 0 ? -HEIGHTS[step]! : HEIGHTS[step]!;
}

const pair = new Float32Array(2);

/**
 * Draws the stretch of a clip that falls into columns `[fromX, toX)` of the canvas, in device pixels.
 *
 * @param xOfFrame0 column (with fraction) where the session's frame 0 lies
 */
export function drawClipWave(
  ink: CanvasRenderingContext2D,
  session: Session,
  clip: Clip,
  xOfFrame0: number,
  framesPerColumn: number,
  fromX: number,
  toX: number,
  middle: number,
  halfHeight: number,
): void {
  const recording = recordingOf(session, clip);
  if (!recording) return;
  const ratio = recordingFramesPerFrame(session, clip);
  const zoom = zoomFor(framesPerColumn * ratio);
  const perBin = framesPerBin(zoom);
  let held = -1;
  let tile: Tile | undefined;
  // neighbouring columns lie in one tile: looked up once, not for every bin
  const tileAt = (index: number) => {
    if (index !== held) {
      held = index;
      tile = tiles.get(clip.recording, recording.channels, zoom, index);
    }
    return tile;
  };
  const gain = 10 ** (clip.gainDb / 20) * (clip.inverted ? -1 : 1);
  const clipEnd = clip.offset + clip.frames;
  let lastLow = Infinity;
  let lastHigh = -Infinity;
  const faded = clip.fadeIn.frames > 0 || clip.fadeOut.frames > 0;
  for (let x = Math.floor(fromX); x < toX; x++) {
    const inClip = (x - xOfFrame0) * framesPerColumn - clip.position;
    const start = Math.max(clip.offset, clip.offset + inClip);
    const end = Math.min(clipEnd, clip.offset + inClip + framesPerColumn);
    if (end <= start) continue;
    const from = Math.floor((start * ratio) / perBin);
    const to = Math.max(from + 1, Math.ceil((end * ratio) / perBin));
    if (!extremes(tileAt, from, to, clip.firstChannel, clip.channels, pair)) continue;
    const fade = faded ? gain * fadeAt(clip, (start + end) / 2 - clip.offset) : gain;
    if (pair[0] === 0 && pair[1] === 0) continue; // silence leaves the pale line bare
    const one = middle - heightOf(pair[1]! * fade) * halfHeight;
    const other = middle - heightOf(pair[0]! * fade) * halfHeight;
    const high = Math.min(one, other);
    const low = Math.max(one, other);
    if (perBin === 1) {
      // single samples: a line that holds together
      const top = Math.min(high, lastLow);
      ink.fillRect(x, top, 1.5, Math.max(1.5, Math.max(low, lastHigh) - top));
    } else ink.fillRect(x, Math.min(high, middle - 0.5), 1, Math.max(1, low - high));
    lastLow = low;
    lastHigh = high;
  }
}

/** Draws a file's picture: 16-bit lows and highs over its whole length, across the box. */
export function drawPicture(ink: CanvasRenderingContext2D, picture: Int16Array, box: Box): void {
  const points = picture.length / 2;
  const middle = box.y + box.height / 2;
  ink.beginPath();
  for (let x = 0; x < box.width; x++) {
    const from = Math.floor((x * points) / box.width);
    const to = Math.max(from + 1, Math.floor(((x + 1) * points) / box.width));
    let low = 32767;
    let high = -32768;
    for (let p = from; p < to && p < points; p++) {
      low = Math.min(low, picture[2 * p]!);
      high = Math.max(high, picture[2 * p + 1]!);
    }
    if (low === 0 && high === 0) continue;
    const top = middle - heightOf(high / 32767) * (box.height / 2);
    const bottom = middle - heightOf(low / 32767) * (box.height / 2);
    ink.rect(box.x + x, Math.min(top, middle - 0.5), 1, Math.max(1, bottom - top));
  }
  ink.fill();
}

/** Makes the canvas as sharp as the display and returns its pen and the scale from CSS to device pixels. */
export function prepare(
  canvas: HTMLCanvasElement,
  width: number,
  height: number,
): { ink: CanvasRenderingContext2D; scale: number } {
  const scale = window.devicePixelRatio || 1;
  const w = Math.max(1, Math.round(width * scale));
  const h = Math.max(1, Math.round(height * scale));
  if (canvas.width !== w || canvas.height !== h) {
    canvas.width = w;
    canvas.height = h;
  }
  const ink = canvas.getContext('2d')!;
  ink.clearRect(0, 0, w, h);
  return { ink, scale };
}

/** The theme's colours as the canvas needs them. */
export function colours(element: Element): (name: string) => string {
  const style = getComputedStyle(element);
  const known = new Map<string, string>();
  return (name) => {
    let value = known.get(name);
    if (value === undefined) known.set(name, (value = style.getPropertyValue(`--${name}`).trim()));
    return value;
  };
}

export { BINS_PER_TILE };
