// @vitest-environment node
import { expect, it } from 'vitest';
import { fingerprint } from './fingerprint';

/** Of a second of silence with something at one place. */
const take = (at: number, name = 'Kick.wav', lastModified = 1) => {
  const bytes = new Uint8Array(144_000);
  bytes.fill(9, at, at + 9_000);
  return new File([bytes], name, { lastModified });
};

it('tells apart what only differs somewhere in the middle', async () => {
  const same = await fingerprint(take(60_000));
  expect(await fingerprint(take(60_000))).toBe(same);
  for (const at of [0, 50_000, 66_000, 140_000]) expect(await fingerprint(take(at))).not.toBe(same);
  expect(await fingerprint(take(60_000, 'Snare.wav'))).not.toBe(same);
  expect(await fingerprint(take(60_000, 'Kick.wav', 2))).not.toBe(same);
  expect(await fingerprint(new File([], 'empty.wav'))).toContain('empty.wav');
});
