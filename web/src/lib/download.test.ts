// @vitest-environment jsdom
import { afterEach, expect, it, vi } from 'vitest';
import { toasts } from './chrome/toasts.svelte';
import { download } from './download';

afterEach(() => vi.restoreAllMocks());

/** Clicks a link to a file that the server answers so; tells what was fetched from the browser itself. */
async function click(
  status: number,
  body: unknown,
): Promise<{ asked: RequestInit | undefined; begun: string[]; prevented: boolean }> {
  const begun: string[] = [];
  let asked: RequestInit | undefined;
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    begun.push(this.href);
  });
  vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
    asked = init;
    return new Response(JSON.stringify(body), { status });
  });
  const link = document.createElement('a');
  link.href = 'http://localhost/api/runs/1/parcel?part=0';
  const event = new MouseEvent('click', { cancelable: true });
  Object.defineProperty(event, 'currentTarget', { value: link });
  await download(event);
  return { asked, begun, prevented: event.defaultPrevented };
}

it('a download begins once the server has the file, and asking does not count as one', async () => {
  const { asked, begun, prevented } = await click(206, '');
  expect(begun).toEqual(['http://localhost/api/runs/1/parcel?part=0']);
  expect(prevented).toBe(true);
  expect((asked!.headers as Record<string, string>).Range).not.toMatch(/^bytes=0-/);
});

it('what is refused is said, and nothing is saved under the file’s name', async () => {
  const before = toasts.list.length;
  const { begun } = await click(409, { detail: '“a.wav” was altered since it was printed. Print again.' });
  expect(begun).toEqual([]);
  expect(toasts.list.slice(before).map((toast) => toast.text)).toEqual([
    '“a.wav” was altered since it was printed. Print again.',
  ]);
});
