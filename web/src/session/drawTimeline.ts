import type { AudioRow, Row, Session } from '../lib/api/types';
import { isSum } from '../lib/signal/tree';
import { secondsAt, steady, type Tempo } from '../lib/time/tempo';
import { barTicks, timeTicks } from '../lib/time/ticks';
import { activeClips } from '../lib/waveform/clips';
import { notesOf } from './notes';
import { drawClipWave } from '../lib/waveform/draw';

export const ROW_HEIGHT = 37;
export const RULER_HEIGHT = 62;
/** Closest that labelled bars and labelled moments stand, in pixels. */
const BAR_GAP = 38;
const TIME_GAP = 78;

export interface TimelineState {
  session: Session;
  tempo?: Tempo;
  selected?: string;
  pixelsPerSecond: number;
  scrollX: number;
  scrollY: number;
  width: number;
  height: number;
}

/** Draws ruler, rules and the clips of the rows that can be seen. Everything here is in device pixels. */
export function drawTimeline(ink: CanvasRenderingContext2D, scale: number, colour: (name: string) => string, s: TimelineState): void {
  const width = s.width * scale;
  const height = s.height * scale;
  const perSecond = s.pixelsPerSecond * scale;
  const originX = -s.scrollX * scale;
  const from = s.scrollX / s.pixelsPerSecond;
  const to = (s.scrollX + s.width) / s.pixelsPerSecond;
  const view = { width, height, perSecond, originX, from, to };
  eachVisible(s, scale, (row, top) => drawGround(ink, scale, colour, s, row, top, width));
  drawRules(ink, scale, colour, s, view);
  eachVisible(s, scale, (row, top) => {
    if (row.type === 'instrument' || row.type === 'part') drawNotes(ink, scale, colour, s, row, top, view);
    if (row.type === 'audio') drawClips(ink, scale, colour, s, row, top, row.id === s.selected, perSecond, originX, width);
  });
  drawRuler(ink, scale, colour, s, view);
}

function eachVisible(s: TimelineState, scale: number, draw: (row: Row, top: number) => void): void {
  const first = Math.max(0, Math.floor(s.scrollY / ROW_HEIGHT));
  const last = Math.min(s.session.rows.length - 1, Math.floor((s.scrollY + s.height) / ROW_HEIGHT));
  for (let i = first; i <= last; i++) draw(s.session.rows[i]!, (RULER_HEIGHT + i * ROW_HEIGHT - s.scrollY) * scale);
}

function drawGround(ink: CanvasRenderingContext2D, scale: number, colour: (name: string) => string, s: TimelineState, row: Row, top: number, width: number): void {
  const selected = row.id === s.selected;
  if (selected || isSum(row)) {
    ink.fillStyle = colour(selected ? 'teal-wash' : 'band');
    ink.fillRect(0, top, width, ROW_HEIGHT * scale);
  }
  ink.fillStyle = colour('rule2');
  ink.fillRect(0, top + (ROW_HEIGHT - 1) * scale, width, scale);
}

/** Upright rules through all rows: bars where the tempo is known, else round moments. */
function drawRules(ink: CanvasRenderingContext2D, scale: number, colour: (name: string) => string, s: TimelineState, v: Stretch): void {
  const ticks = s.tempo ? barTicks(s.tempo, v.from, v.to, BAR_GAP / s.pixelsPerSecond) : timeTicks(v.from, v.to, TIME_GAP / s.pixelsPerSecond);
  for (const tick of ticks) {
    ink.fillStyle = colour(tick.strong ? 'rule' : 'rule2');
    ink.fillRect(Math.round(v.originX + tick.seconds * v.perSecond), RULER_HEIGHT * scale, scale, v.height);
  }
}

function drawClips(ink: CanvasRenderingContext2D, scale: number, colour: (name: string) => string, s: TimelineState, row: AudioRow, top: number, selected: boolean, perSecond: number, originX: number, width: number): void {
  const framesPerColumn = s.session.rate / perSecond;
  const y = top + 3 * scale;
  const height = (ROW_HEIGHT - 7) * scale;
  for (const clip of activeClips(row)) {
    const x = originX + clip.position / framesPerColumn;
    const end = originX + (clip.position + clip.frames) / framesPerColumn;
    if (end < 0 || x > width) continue;
    ink.beginPath();
    ink.roundRect(x + 0.5, y + 0.5, Math.max(2, end - x - 1), height - 1, 2 * scale);
    ink.fillStyle = colour(selected ? 'teal-wash' : 'clip');
    ink.fill();
    ink.lineWidth = scale;
    ink.strokeStyle = colour(selected ? 'teal' : 'clip-edge');
    ink.stroke();
    ink.fillStyle = colour(selected ? 'teal' : 'ink');
    drawClipWave(ink, s.session, clip, originX, framesPerColumn, Math.max(0, x), Math.min(width, end), y + height / 2, height / 2 - 2 * scale);
  }
}

/** Notes as strokes: the higher the pitch, the higher they stand within the row's own span. */
function drawNotes(ink: CanvasRenderingContext2D, scale: number, colour: (name: string) => string, s: TimelineState, row: Row, top: number, v: Stretch): void {
  const notes = notesOf(s.session, row);
  if (!notes.length) return;
  const tempo = s.tempo ?? steady(120, '4/4');
  const lowest = Math.min(...notes.map((note) => note.pitch));
  const span = Math.max(1, Math.max(...notes.map((note) => note.pitch)) - lowest);
  const x = (quarter: number) => v.originX + secondsAt(tempo, quarter) * v.perSecond;
  const first = x(Math.min(...notes.map((note) => note.quarter)));
  const last = x(Math.max(...notes.map((note) => note.quarter + note.quarters)));
  ink.beginPath();
  ink.roundRect(first, top + 3.5 * scale, Math.max(2, last - first), (ROW_HEIGHT - 8) * scale, 2 * scale);
  const selected = row.id === s.selected;
  ink.fillStyle = colour(selected ? 'teal-wash' : 'clip');
  ink.fill();
  ink.lineWidth = scale;
  ink.strokeStyle = colour(selected ? 'teal' : 'clip-edge');
  ink.stroke();
  ink.fillStyle = colour(selected ? 'teal' : 'ink');
  for (const note of notes) {
    const from = x(note.quarter);
    const to = x(note.quarter + note.quarters);
    if (to < 0 || from > v.width) continue;
    const y = top + (ROW_HEIGHT - 11 - ((note.pitch - lowest) / span) * (ROW_HEIGHT - 18)) * scale;
    ink.fillRect(from, y, Math.max(2 * scale, to - from - scale), 3 * scale);
  }
}

interface Stretch {
  width: number;
  height: number;
  perSecond: number;
  originX: number;
  from: number;
  to: number;
}

/** Flags along the top, cut where the next one stands. */
function drawMarkers(ink: CanvasRenderingContext2D, scale: number, colour: (name: string) => string, s: TimelineState, v: Stretch): void {
  ink.font = `600 ${11 * scale}px "Archivo Variable"`;
  const markers = [...s.session.markers].sort((a, b) => a.frame - b.frame);
  markers.forEach((marker, i) => {
    const x = v.originX + (marker.frame / s.session.rate) * v.perSecond;
    const next = markers[i + 1];
    const room = next ? v.originX + (next.frame / s.session.rate) * v.perSecond - x - 3 * scale : Infinity;
    const width = Math.min(room, ink.measureText(marker.name).width + 14 * scale);
    if (x > v.width || x + width < 0) return;
    ink.fillStyle = colour('teal');
    ink.fillRect(x, 3 * scale, width, 15 * scale);
    ink.save();
    ink.beginPath();
    ink.rect(x, 3 * scale, width, 15 * scale);
    ink.clip();
    ink.fillStyle = colour('on-teal');
    ink.fillText(marker.name, x + 6 * scale, 11 * scale);
    ink.restore();
  });
  ink.font = `${11.5 * scale}px "IBM Plex Mono"`;
}

function drawRuler(ink: CanvasRenderingContext2D, scale: number, colour: (name: string) => string, s: TimelineState, v: Stretch): void {
  ink.fillStyle = colour('sheet');
  ink.fillRect(0, 0, v.width, RULER_HEIGHT * scale);
  ink.font = `${11.5 * scale}px "IBM Plex Mono"`;
  ink.textBaseline = 'middle';
  drawMarkers(ink, scale, colour, s, v);
  if (s.tempo) {
    for (const tick of barTicks(s.tempo, v.from - 30 / s.pixelsPerSecond, v.to, BAR_GAP / s.pixelsPerSecond)) {
      const x = Math.round(v.originX + tick.seconds * v.perSecond);
      ink.fillStyle = colour('rule');
      ink.fillRect(x, (tick.strong ? 24 : 36) * scale, scale, RULER_HEIGHT * scale);
      ink.fillStyle = colour('ink2');
      ink.fillText(tick.label, x + 4 * scale, 32 * scale);
    }
  }
  ink.font = `${10.5 * scale}px "IBM Plex Mono"`;
  for (const tick of timeTicks(v.from - 60 / s.pixelsPerSecond, v.to, TIME_GAP / s.pixelsPerSecond)) {
    const x = Math.round(v.originX + tick.seconds * v.perSecond);
    ink.fillStyle = colour('ink3');
    ink.fillRect(x, 53 * scale, scale, 9 * scale);
    ink.fillText(tick.label, x + 4 * scale, 52 * scale);
  }
  ink.fillStyle = colour('rule');
  ink.fillRect(0, RULER_HEIGHT * scale - scale, v.width, scale);
}
