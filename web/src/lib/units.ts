/** How quantities are written. */

const NARROW = '\u202f';

/** `1:12.4`, or `1:02:03` from an hour on. */
export function minutes(seconds: number, decimals = 1): string {
  const scale = 10 ** decimals;
  const whole = Math.round(seconds * scale);
  const s = Math.floor(whole / scale);
  const rest = decimals > 0 ? '.' + String(whole % scale).padStart(decimals, '0') : '';
  const pad = (n: number) => String(n).padStart(2, '0');
  if (s >= 3600) return `${Math.floor(s / 3600)}:${pad(Math.floor(s / 60) % 60)}:${pad(s % 60)}${rest}`;
  return `${Math.floor(s / 60)}:${pad(s % 60)}${rest}`;
}

/** `612 MB`, `1.8 GB`. */
export function bytes(count: number): string {
  if (count < 1000) return `${count} bytes`;
  const units = ['kB', 'MB', 'GB', 'TB'];
  let value = count / 1000;
  let unit = 0;
  while (value >= 999.5 && unit < units.length - 1) {
    value /= 1000;
    unit++;
  }
  return `${value < 9.95 && unit > 0 ? value.toFixed(1) : value.toFixed(0)} ${units[unit]}`;
}

/** `−6.4 dBFS`; silence is a word. */
export function dbfs(level: number | null | undefined): string {
  return level === null || level === undefined ? 'silent' : `${signed(level)} dBFS`;
}

/** With a real minus sign, and none before nothing. */
export function signed(value: number, decimals = 1): string {
  const rounded = value.toFixed(decimals);
  return (Number(rounded) === 0 ? rounded.replace('-', '') : rounded).replace('-', '−');
}

/** `3 801 600` */
export function grouped(count: number): string {
  return String(count).replace(/\B(?=(\d{3})+(?!\d))/g, NARROW);
}

/** `48 kHz`, `44.1 kHz` */
export function rate(hertz: number): string {
  return `${hertz / 1000} kHz`;
}

/** `1 file`, `3 files` */
export function count(n: number, one: string, many = one + 's'): string {
  return `${n} ${n === 1 ? one : many}`;
}

export const CHANNEL_WORDS: Record<number, string> = { 1: 'mono', 2: 'stereo' };
export const DEPTH_WORDS = {
  int16: '16-bit',
  int24: '24-bit',
  int32: '32-bit',
  float32: '32-bit float',
} as const;

/** `today 14:02`, `yesterday 09:30`, `3 May` */
export function moment(iso: string, now = new Date()): string {
  const then = new Date(iso);
  const clock = `${String(then.getHours()).padStart(2, '0')}:${String(then.getMinutes()).padStart(2, '0')}`;
  const day = (d: Date) => new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();
  const daysAgo = Math.round((day(now) - day(then)) / 86_400_000);
  if (daysAgo === 0) return `today ${clock}`;
  if (daysAgo === 1) return `yesterday ${clock}`;
  const date = then.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
  return then.getFullYear() === now.getFullYear() ? date : `${date} ${then.getFullYear()}`;
}
