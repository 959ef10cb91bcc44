import { describe, expect, it } from 'vitest';
import css from './app.css?raw';

/** Text colours against the grounds they stand on, by the formula of WCAG 2.1, section 1.4.3: 4.5 to 1 at least. */
function tokens(selector: string): Record<string, string> {
  const block = css.slice(css.indexOf(`${selector} {`), css.indexOf('}', css.indexOf(`${selector} {`)));
  return Object.fromEntries([...block.matchAll(/--([\w-]+):\s*(#[0-9a-f]{6});/g)].map((m) => [m[1]!, m[2]!]));
}

function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const c = parseInt(hex.slice(at, at + 2), 16) / 255;
    return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(one: string, other: string): number {
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

const pairs: [string, string[]][] = [
  ['ink', ['paper', 'sheet', 'side', 'band', 'teal-wash', 'tape', 'clip']],
  ['ink2', ['paper', 'sheet', 'side', 'band', 'teal-wash']],
  ['ink3', ['sheet', 'side', 'teal-wash', 'band']],
  ['teal', ['sheet', 'side', 'teal-wash']],
  ['on-teal', ['teal', 'rust']],
  ['rust-ink', ['sheet', 'rust-wash']],
  ['ochre-ink', ['sheet', 'ochre-wash']],
  ['moss-ink', ['sheet', 'teal-wash']],
];

describe.each([[':root'], ['.dark']])('contrast in %s', (theme) => {
  const colour = tokens(theme);
  it.each(pairs.flatMap(([text, grounds]) => grounds.map((ground) => [text, ground] as const)))(
    '%s on %s',
    (text, ground) => {
      expect(colour[text], text).toBeDefined();
      expect(contrast(colour[text]!, colour[ground]!)).toBeGreaterThanOrEqual(4.5);
    },
  );
});
