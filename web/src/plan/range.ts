import type { Point, Section } from '../lib/api/types';
import { minutes } from '../lib/units';

const TIME = /^(?:(\d+):)?(\d+):(\d{1,2}(?:[.,]\d+)?)$/;
const BAR = /^(?:bar\s+)?(\d+(?:[.,]\d+)?)$/i;

/** Reads a bar like `5`, a time like `0:30`, or the name of a marker; undefined for what is none of them. */
export function toPoint(text: string, markers: string[]): Point | undefined {
  const written = text.trim();
  const marker = markers.find((name) => name.toLowerCase() === written.toLowerCase());
  if (marker !== undefined && written) return { unit: 'marker', at: 0, marker };
  const time = TIME.exec(written);
  if (time)
    return {
      unit: 'seconds',
      at: Number(time[1] ?? 0) * 3600 + Number(time[2]) * 60 + Number(time[3]!.replace(',', '.')),
    };
  const bar = BAR.exec(written);
  return bar ? { unit: 'bars', at: Number(bar[1]!.replace(',', '.')) } : undefined;
}

export function pointText(point: Point): string {
  if (point.unit === 'marker') return point.marker ?? '';
  return point.unit === 'bars' ? String(point.at) : minutes(point.at, Number.isInteger(point.at) ? 0 : 2);
}

/** A section from every marker to the next one, the last to the end of the session. */
export function fromMarkers(markers: { frame: number; name: string }[], frames: number, rate: number): Section[] {
  const sorted = [...markers].sort((a, b) => a.frame - b.frame);
  return sorted.map((marker, i) => {
    const next = sorted[i + 1];
    const to: Point = next ? { unit: 'marker', at: 0, marker: next.name } : { unit: 'seconds', at: frames / rate };
    return { name: marker.name, stretch: { from: { unit: 'marker', at: 0, marker: marker.name }, to } };
  });
}
