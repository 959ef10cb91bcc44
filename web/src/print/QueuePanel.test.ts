// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Queued } from '../lib/api/types';
import QueuePanel from './QueuePanel.svelte';
import { queries } from '../lib/state/queries';

const run = (id: string, state: Queued['state'], number = 1): Queued => ({
  id,
  number,
  version: 'v1',
  state,
  handoffId: 'h',
  sessionId: `s-${id}`,
  title: `Song ${id}`,
  receiver: 'The mixer',
  brief: 'For mixing',
  progress: {
    framesPrinted: 0,
    filesRead: 0,
    secondsPrinted: 0,
    timesRealTime: null,
    secondsLeft: null,
    fraction: 0.426,
  },
});
let queue: Queued[];
let asked: { path: string; id?: string; before?: string | null }[];

vi.mock('../lib/api/client', async (original) => ({
  ...(await original<object>()),
  default: {
    GET: async () => ({ data: queue, response: { ok: true } }),
    POST: async (
      path: string,
      options: { params: { path: Record<string, string> }; body?: { before: string | null } },
    ) => {
      const id = options.params.path.runId ?? options.params.path.id!;
      asked.push({ path, id, before: options.body?.before });
      if (path.endsWith('/cancel')) queue = queue.filter((each) => each.id !== id);
      return { data: path.endsWith('/cancel') ? {} : queue, response: { ok: true } };
    },
  },
}));

beforeEach(() => {
  queries.clear();
  asked = [];
  queue = [run('p', 'printing'), run('a', 'waiting'), run('b', 'waiting'), run('c', 'waiting')];
});
afterEach(cleanup);

describe('the queue', () => {
  it('shows what prints and what waits, of every session, and is not there when nothing does', async () => {
    render(QueuePanel, { shown: 'b' });
    const list = await screen.findByRole('list', { name: 'Queue' });
    expect(
      within(list)
        .getAllByRole('listitem')
        .map((item) => item.querySelector('b')!.textContent),
    ).toEqual(['Song p', 'Song a', 'Song b', 'Song c']);
    expect(within(list).getByText('42 %')).toBeTruthy();
    expect(within(list).getAllByRole('link')[2]!.getAttribute('href')).toBe('#/s/s-b/print?run=b');
    cleanup();
    queue = [];
    render(QueuePanel, { shown: 'b' });
    await new Promise((later) => setTimeout(later, 20));
    expect(screen.queryByRole('list')).toBeNull();
  });

  it('moves what waits, the first not up and the last not down', async () => {
    render(QueuePanel, { shown: 'b' });
    const up = await screen.findByLabelText('Earlier: Song c run 1');
    await fireEvent.click(up);
    expect(asked.at(-1)).toEqual({ path: '/api/queue/{runId}/place', id: 'c', before: 'b' });
    await fireEvent.click(screen.getByLabelText('Later: Song a run 1'));
    expect(asked.at(-1)).toMatchObject({ id: 'a', before: 'c' });
    await fireEvent.click(screen.getByLabelText('Later: Song b run 1'));
    expect(asked.at(-1)).toMatchObject({ id: 'b', before: null });
    expect((screen.getByLabelText('Earlier: Song a run 1') as HTMLButtonElement).disabled).toBe(true);
    expect((screen.getByLabelText('Later: Song c run 1') as HTMLButtonElement).disabled).toBe(true);
    expect(screen.queryByLabelText('Earlier: Song p run 1')).toBeNull();
  });

  it('takes a run out', async () => {
    render(QueuePanel, { shown: 'b' });
    await fireEvent.click(await screen.findByLabelText('Cancel Song b run 1'));
    await vi.waitFor(() => expect(screen.queryByText('Song b')).toBeNull());
    expect(asked.at(-1)).toMatchObject({ path: '/api/runs/{id}/cancel', id: 'b' });
  });
});
