import type { Handoff } from '../lib/api/types';
import { minutes } from '../lib/units';

type Stretch = NonNullable<Handoff['range']>;

const TIME = /^(?:(\d+):)?(\d{1,2}):(\d{2}(?:[.,]\d+)?)$/;
const BAR = /^\d+(?:[.,]\d+)?$/;

function point(text: string): Stretch['from'] | undefined {
  const time = TIME.exec(text);
  if (time) return { unit: 'seconds', at: Number(time[1] ?? 0) * 3600 + Number(time[2]) * 60 + Number(time[3]!.replace(',', '.')) };
  return BAR.test(text) ? { unit: 'bars', at: Number(text.replace(',', '.')) } : undefined;
}

/** Reads `5-21` or `0:30 – 1:10`; null for nothing written; undefined for what cannot be read. */
export function toStretch(text: string): Stretch | null | undefined {
  if (text.trim() === '') return null;
  const parts = text.split(/[-–—]|\bto\b/).map((part) => part.trim().replace(/^bars?\s+/i, ''));
  if (parts.length !== 2) return undefined;
  const from = point(parts[0]!);
  const to = point(parts[1]!);
  return from && to ? { from, to } : undefined;
}

export function rangeText(range: Handoff['range'] | undefined): string {
  if (!range) return '';
  const text = (p: Stretch['from']) => (p.unit === 'bars' ? String(p.at) : minutes(p.at, Number.isInteger(p.at) ? 0 : 2));
  return `${text(range.from)}–${text(range.to)}`;
}
