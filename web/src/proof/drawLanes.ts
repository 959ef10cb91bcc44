import type { RunFile } from '../lib/api/types';
import type { Tempo } from '../lib/time/tempo';
import { barTicks, timeTicks } from '../lib/time/ticks';
import { drawPicture } from '../lib/waveform/draw';

export const LANE_HEIGHT = 33;
export const RULER_HEIGHT = 34;

export interface LanesState {
  files: RunFile[];
  picture: (file: number) => Int16Array | undefined;
  tempo?: Tempo;
  seconds: number;
  selected: number;
  width: number;
  height: number;
  scrollY: number;
  /** Seconds where listening stands. */
  head?: number;
  /** Files that are not heard, paler. */
  quiet: (file: number) => boolean;
}

/** All files lined up on one time axis, between the first and the last sample they share. In device pixels. */
export function drawLanes(
  ink: CanvasRenderingContext2D,
  scale: number,
  colour: (name: string) => string,
  s: LanesState,
): void {
  const left = 14 * scale;
  const right = (s.width - 14) * scale;
  const span = right - left;
  const xOf = (seconds: number) => left + (seconds / Math.max(1e-9, s.seconds)) * span;
  const ticks = s.tempo
    ? barTicks(s.tempo, 0, s.seconds, (44 * scale * s.seconds) / span)
    : timeTicks(0, s.seconds, (70 * scale * s.seconds) / span);
  s.files.forEach((file, i) => {
    const top = (RULER_HEIGHT + i * LANE_HEIGHT - s.scrollY) * scale;
    if (top > s.height * scale || top < -LANE_HEIGHT * scale) return;
    if (i === s.selected) {
      ink.fillStyle = colour('teal-wash');
      ink.fillRect(0, top, s.width * scale, LANE_HEIGHT * scale);
    }
    ink.fillStyle = colour('rule2');
    ink.fillRect(0, top + LANE_HEIGHT * scale - scale, s.width * scale, scale);
  });
  for (const tick of ticks) {
    ink.fillStyle = colour('rule2');
    if (tick.strong) ink.fillRect(Math.round(xOf(tick.seconds)), 22 * scale, scale, s.height * scale);
  }
  s.files.forEach((file, i) => {
    const top = (RULER_HEIGHT + i * LANE_HEIGHT - s.scrollY) * scale;
    if (top > s.height * scale || top < -LANE_HEIGHT * scale) return;
    const box = { x: left, y: top + 3 * scale, width: span, height: (LANE_HEIGHT - 7) * scale };
    ink.fillStyle = colour('rule');
    ink.fillRect(left, box.y + box.height / 2, span, scale);
    const picture = s.picture(i);
    ink.fillStyle = colour(file.reference ? 'rust' : i === s.selected ? 'teal' : 'ink');
    ink.globalAlpha = s.quiet(i) ? 0.35 : 1;
    if (picture) drawPicture(ink, picture, box);
    ink.globalAlpha = 1;
  });
  ink.globalAlpha = 1;
  drawRuler(ink, scale, colour, s, ticks, xOf);
  if (s.head !== undefined) {
    ink.fillStyle = colour('rust');
    ink.fillRect(xOf(s.head) - scale, 20 * scale, 2 * scale, s.height * scale);
  }
  ink.fillStyle = colour('rust');
  ink.fillRect(left - scale, 26 * scale, 1.5 * scale, s.height * scale);
  ink.fillRect(right, 26 * scale, 1.5 * scale, s.height * scale);
}

function drawRuler(
  ink: CanvasRenderingContext2D,
  scale: number,
  colour: (name: string) => string,
  s: LanesState,
  ticks: ReturnType<typeof barTicks>,
  xOf: (seconds: number) => number,
): void {
  ink.fillStyle = colour('sheet');
  ink.fillRect(0, 0, s.width * scale, RULER_HEIGHT * scale - scale);
  ink.fillStyle = colour('rule');
  ink.fillRect(0, RULER_HEIGHT * scale - scale, s.width * scale, scale);
  ink.font = `${11.5 * scale}px "IBM Plex Mono"`;
  ink.textBaseline = 'middle';
  ink.fillStyle = colour('ink2');
  for (const tick of ticks) ink.fillText(tick.label, xOf(tick.seconds) + 4 * scale, 16 * scale);
}
