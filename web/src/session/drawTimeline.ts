import type { AudioRow, Clip, Row, Session } from '../lib/api/types';
import { isSum } from '../lib/signal/tree';
import { secondsAt, steady, type Tempo } from '../lib/time/tempo';
import { barTicks, timeTicks } from '../lib/time/ticks';
import { drawClipWave } from '../lib/waveform/draw';
import { drawRuler } from './drawRuler';
import { LANE_HEIGHT, ROW_HEIGHT, RULER_HEIGHT, visible, type Place } from './layout';
import { notesOf } from './notes';

/** Closest that labelled bars and labelled moments stand, in pixels. */
export const BAR_GAP = 38;
export const TIME_GAP = 78;

export interface TimelineState {
  session: Session;
  tempo?: Tempo;
  places: Place[];
  chosenRows: readonly string[];
  isClipChosen: (row: string, index: number) => boolean;
  /** Clips as they would be while something is dragged, by row. */
  ghost?: Map<string, Clip[]>;
  /** Frames: where Listen starts, what it hears now, what it goes round. */
  head: number;
  playing?: number;
  loop?: { start: number; end: number };
  pixelsPerSecond: number;
  scrollX: number;
  scrollY: number;
  width: number;
  height: number;
}

/** Where things stand on the canvas, in device pixels. */
export interface Stretch {
  width: number;
  height: number;
  perSecond: number;
  originX: number;
  from: number;
  to: number;
}

export type Ink = CanvasRenderingContext2D;
export type Colour = (name: string) => string;

/**
 * Draws ruler, rules and the clips of the rows that can be seen. Everything here is in device pixels.
 *
 * @param from first line below the ruler that has to be drawn, in pixels of the page
 * @param to line before which drawing can stop
 */
export function drawTimeline(
  ink: Ink,
  scale: number,
  colour: Colour,
  s: TimelineState,
  from = 0,
  to = s.height - RULER_HEIGHT,
): void {
  const v: Stretch = {
    width: s.width * scale,
    height: s.height * scale,
    perSecond: s.pixelsPerSecond * scale,
    originX: -s.scrollX * scale,
    from: s.scrollX / s.pixelsPerSecond,
    to: (s.scrollX + s.width) / s.pixelsPerSecond,
  };
  const shown = visible(s.places, s.scrollY + from, s.scrollY + to);
  const top = (place: Place) => (RULER_HEIGHT + place.top - s.scrollY) * scale;
  for (const place of shown) drawGround(ink, scale, colour, s, place, top(place), v.width);
  drawRules(ink, scale, colour, s, v);
  for (const place of shown) {
    const row = place.row;
    if (row.type === 'instrument' || row.type === 'part') drawNotes(ink, scale, colour, s, row, top(place), v);
    if (row.type === 'audio') {
      const active = row.takes.find((take) => take.id === row.active);
      drawClips(
        ink,
        scale,
        colour,
        s,
        row,
        s.ghost?.get(row.id) ?? active?.clips ?? [],
        top(place),
        ROW_HEIGHT,
        s.chosenRows.includes(row.id),
        v,
      );
      for (let lane = 0; lane < place.lanes; lane++)
        drawLane(ink, scale, colour, s, row, lane, top(place) + (ROW_HEIGHT + lane * LANE_HEIGHT) * scale, v);
    }
  }
  drawRuler(ink, scale, colour, s, v);
  drawHeads(ink, scale, colour, s, v);
}

/** How far the second picture is scrolled down from the first where nothing else differs, in pixels of the page. */
export function scrolledBy(before: TimelineState, now: TimelineState): number | undefined {
  const same = (Object.keys(now) as (keyof TimelineState)[]).every(
    (key) => key === 'scrollY' || typeof now[key] === 'function' || now[key] === before[key],
  );
  return same ? now.scrollY - before.scrollY : undefined;
}

/**
 * Draws what a scroll up or down brings into sight and moves the rest, which is most of it. Nothing but the scroll may
 * have changed, and it has to be whole device pixels.
 */
export function scrollTimeline(ink: Ink, scale: number, colour: Colour, s: TimelineState, byPixels: number): void {
  const top = RULER_HEIGHT * scale;
  const height = s.height - RULER_HEIGHT;
  ink.save();
  ink.beginPath();
  ink.rect(0, top, s.width * scale, height * scale);
  ink.clip();
  ink.globalCompositeOperation = 'copy';
  ink.drawImage(ink.canvas, 0, -byPixels * scale);
  ink.restore();
  const from = byPixels > 0 ? height - byPixels : 0;
  const to = byPixels > 0 ? height : -byPixels;
  ink.save();
  ink.beginPath();
  ink.rect(0, top + from * scale, s.width * scale, (to - from) * scale);
  ink.clip();
  ink.clearRect(0, top + from * scale, s.width * scale, (to - from) * scale);
  drawTimeline(ink, scale, colour, s, from, to);
  ink.restore();
}

function drawGround(
  ink: Ink,
  scale: number,
  colour: Colour,
  s: TimelineState,
  place: Place,
  top: number,
  width: number,
): void {
  const selected = s.chosenRows.includes(place.row.id);
  if (selected || isSum(place.row)) {
    ink.fillStyle = colour(selected ? 'teal-wash' : 'band');
    ink.fillRect(0, top, width, ROW_HEIGHT * scale);
  }
  if (place.lanes) {
    ink.fillStyle = colour('side');
    ink.fillRect(0, top + ROW_HEIGHT * scale, width, place.lanes * LANE_HEIGHT * scale);
  }
  ink.fillStyle = colour('rule2');
  ink.fillRect(0, top + (place.height - 1) * scale, width, scale);
}

/** Upright rules through all rows: bars where the tempo is known, else round moments. */
function drawRules(ink: Ink, scale: number, colour: Colour, s: TimelineState, v: Stretch): void {
  const ticks = s.tempo
    ? barTicks(s.tempo, v.from, v.to, BAR_GAP / s.pixelsPerSecond)
    : timeTicks(v.from, v.to, TIME_GAP / s.pixelsPerSecond);
  for (const tick of ticks) {
    ink.fillStyle = colour(tick.strong ? 'rule' : 'rule2');
    ink.fillRect(Math.round(v.originX + tick.seconds * v.perSecond), RULER_HEIGHT * scale, scale, v.height);
  }
}

function drawClips(
  ink: Ink,
  scale: number,
  colour: Colour,
  s: TimelineState,
  row: AudioRow,
  clips: Clip[],
  top: number,
  rowHeight: number,
  selected: boolean,
  v: Stretch,
): void {
  const framesPerColumn = s.session.rate / v.perSecond;
  const y = top + 3 * scale;
  const height = (rowHeight - 7) * scale;
  clips.forEach((clip, index) => {
    const x = v.originX + clip.position / framesPerColumn;
    const end = v.originX + (clip.position + clip.frames) / framesPerColumn;
    if (end < 0 || x > v.width) return;
    const chosen = s.isClipChosen(row.id, index);
    ink.globalAlpha = clip.muted ? 0.4 : 1;
    ink.beginPath();
    ink.roundRect(x + 0.5, y + 0.5, Math.max(2, end - x - 1), height - 1, 2 * scale);
    ink.fillStyle = colour(selected ? 'teal-wash' : 'clip');
    ink.fill();
    ink.lineWidth = (chosen ? 2.5 : 1) * scale;
    ink.strokeStyle = colour(chosen ? 'ink' : selected ? 'teal' : 'clip-edge');
    ink.stroke();
    ink.fillStyle = colour(selected ? 'teal' : 'ink');
    drawClipWave(
      ink,
      s.session,
      clip,
      v.originX,
      framesPerColumn,
      Math.max(0, x),
      Math.min(v.width, end),
      y + height / 2,
      height / 2 - 2 * scale,
    );
    drawFades(ink, scale, colour, clip, x, end, y, height, framesPerColumn, chosen);
    ink.globalAlpha = 1;
  });
}

/** Lines where a clip comes and goes, with grips on the chosen one; a small turned arrow where polarity is reversed. */
function drawFades(
  ink: Ink,
  scale: number,
  colour: Colour,
  clip: Clip,
  x: number,
  end: number,
  y: number,
  height: number,
  framesPerColumn: number,
  chosen: boolean,
): void {
  ink.strokeStyle = colour('ochre');
  ink.lineWidth = 1.5 * scale;
  const into = x + clip.fadeIn.frames / framesPerColumn;
  const out = end - clip.fadeOut.frames / framesPerColumn;
  ink.beginPath();
  const seen = 3 * scale;
  if (into - x > seen) {
    ink.moveTo(x, y + height);
    ink.lineTo(into, y);
  }
  if (end - out > seen) {
    ink.moveTo(out, y);
    ink.lineTo(end, y + height);
  }
  ink.stroke();
  if (chosen && end - x > 24 * scale) {
    ink.fillStyle = colour('ochre');
    for (const grip of [into, out]) ink.fillRect(grip - 3 * scale, y - 1 * scale, 6 * scale, 6 * scale);
  }
  if (clip.inverted && end - x > 18 * scale) {
    ink.fillStyle = colour('rust');
    ink.font = `600 ${11 * scale}px "Archivo Variable"`;
    ink.textBaseline = 'top';
    ink.fillText('±', x + 4 * scale, y + 2 * scale);
  }
}

/** A take on a lane of its own; the active one in full ink. */
function drawLane(
  ink: Ink,
  scale: number,
  colour: Colour,
  s: TimelineState,
  row: AudioRow,
  lane: number,
  top: number,
  v: Stretch,
): void {
  const take = row.takes[lane]!;
  ink.globalAlpha = take.id === row.active ? 1 : 0.62;
  drawClips(
    ink,
    scale,
    colour,
    { ...s, isClipChosen: () => false },
    row,
    take.clips,
    top,
    LANE_HEIGHT,
    take.id === row.active,
    v,
  );
  ink.globalAlpha = 1;
  ink.fillStyle = colour('rule2');
  ink.fillRect(0, top + (LANE_HEIGHT - 1) * scale, v.width, scale);
}

/** Notes as strokes: the higher the pitch, the higher they stand within the row's own span. */
function drawNotes(ink: Ink, scale: number, colour: Colour, s: TimelineState, row: Row, top: number, v: Stretch): void {
  const notes = notesOf(s.session, row);
  if (!notes.length) return;
  const tempo = s.tempo ?? steady(120, '4/4');
  const pitches = notes.map((note) => note.pitch);
  const lowest = Math.min(...pitches);
  const span = Math.max(1, Math.max(...pitches) - lowest);
  const x = (quarter: number) => v.originX + secondsAt(tempo, quarter) * v.perSecond;
  const first = x(Math.min(...notes.map((note) => note.quarter)));
  const last = x(Math.max(...notes.map((note) => note.quarter + note.quarters)));
  ink.beginPath();
  ink.roundRect(first, top + 3.5 * scale, Math.max(2, last - first), (ROW_HEIGHT - 8) * scale, 2 * scale);
  const selected = s.chosenRows.includes(row.id);
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

/** Where Listen starts, and what it hears. */
function drawHeads(ink: Ink, scale: number, colour: Colour, s: TimelineState, v: Stretch): void {
  const x = (frame: number) => v.originX + (frame / s.session.rate) * v.perSecond;
  ink.fillStyle = colour('rust');
  const head = x(s.head);
  ink.beginPath();
  ink.moveTo(head - 6 * scale, (RULER_HEIGHT - 9) * scale);
  ink.lineTo(head + 6 * scale, (RULER_HEIGHT - 9) * scale);
  ink.lineTo(head, RULER_HEIGHT * scale);
  ink.fill();
  ink.fillRect(head - scale / 2, RULER_HEIGHT * scale, scale, v.height);
  if (s.playing !== undefined) ink.fillRect(x(s.playing) - scale, (RULER_HEIGHT - 16) * scale, 2 * scale, v.height);
}
