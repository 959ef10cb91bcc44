import { secondsAt, secondsOfBar } from '../lib/time/tempo';
import { barTicks, timeTicks } from '../lib/time/ticks';
import { BAR_GAP, TIME_GAP, type Colour, type Ink, type Stretch, type TimelineState } from './drawTimeline';
import { RULER_HEIGHT } from './layout';

/** Bars and minutes, markers as flags, tempo and meter changes where they happen, the loop as a band. */
export function drawRuler(ink: Ink, scale: number, colour: Colour, s: TimelineState, v: Stretch): void {
  ink.fillStyle = colour('sheet');
  ink.fillRect(0, 0, v.width, RULER_HEIGHT * scale);
  if (s.loop) {
    const from = v.originX + (s.loop.start / s.session.rate) * v.perSecond;
    const to = v.originX + (s.loop.end / s.session.rate) * v.perSecond;
    ink.fillStyle = colour('teal-wash');
    ink.fillRect(from, 22 * scale, Math.max(scale, to - from), (RULER_HEIGHT - 22) * scale);
    ink.fillStyle = colour('teal');
    for (const edge of [from, to]) ink.fillRect(edge - scale, 22 * scale, 2 * scale, (RULER_HEIGHT - 22) * scale);
  }
  ink.textBaseline = 'middle';
  drawMarkers(ink, scale, colour, s, v);
  ink.font = `${11.5 * scale}px "IBM Plex Mono"`;
  if (s.tempo) {
    for (const tick of barTicks(s.tempo, v.from - 30 / s.pixelsPerSecond, v.to, BAR_GAP / s.pixelsPerSecond)) {
      const x = Math.round(v.originX + tick.seconds * v.perSecond);
      ink.fillStyle = colour('rule');
      ink.fillRect(x, (tick.strong ? 24 : 36) * scale, scale, RULER_HEIGHT * scale);
      ink.fillStyle = colour('ink2');
      ink.fillText(tick.label, x + 4 * scale, 32 * scale);
    }
    drawChanges(ink, scale, colour, s, v);
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

/** Flags along the top, cut where the next one stands. */
function drawMarkers(ink: Ink, scale: number, colour: Colour, s: TimelineState, v: Stretch): void {
  ink.font = `600 ${11 * scale}px "Archivo Variable"`;
  const markers = [...s.session.markers].sort((a, b) => a.frame - b.frame);
  markers.forEach((marker, i) => {
    const x = v.originX + (marker.frame / s.session.rate) * v.perSecond;
    const next = markers[i + 1];
    const room = next ? ((next.frame - marker.frame) / s.session.rate) * v.perSecond - 2 * scale : Infinity;
    const width = Math.min(room, ink.measureText(marker.name).width + 18 * scale);
    if (width < 6 * scale || x + width < 0 || x > v.width) return;
    ink.save();
    ink.beginPath();
    ink.moveTo(x, 3 * scale);
    ink.lineTo(x + width - 6 * scale, 3 * scale);
    ink.lineTo(x + width, 10.5 * scale);
    ink.lineTo(x + width - 6 * scale, 18 * scale);
    ink.lineTo(x, 18 * scale);
    ink.closePath();
    ink.fillStyle = colour('teal');
    ink.fill();
    ink.clip();
    ink.fillStyle = colour('on-teal');
    ink.fillText(marker.name, x + 6 * scale, 11 * scale);
    ink.restore();
  });
}

/** A small note where tempo or meter change. */
function drawChanges(ink: Ink, scale: number, colour: Colour, s: TimelineState, v: Stretch): void {
  ink.font = `600 ${10 * scale}px "Archivo Variable"`;
  ink.fillStyle = colour('ochre-ink');
  const put = (seconds: number, words: string) => {
    const x = v.originX + seconds * v.perSecond;
    if (x < -60 * scale || x > v.width) return;
    ink.fillRect(x, 38 * scale, scale, 10 * scale);
    ink.fillText(words, x + 3 * scale, 43 * scale);
  };
  for (const change of s.tempo!.tempos.slice(1))
    put(
      secondsAt(s.tempo!, change.quarter),
      `${change.way === 'glide' ? '→' : '♩'} ${Math.round(change.quartersPerMinute * 10) / 10}`,
    );
  for (const change of s.tempo!.meters.slice(1)) put(secondsOfBar(s.tempo!, change.bar), change.meter);
}
