// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ParcelPage } from '../lib/api/types';
import PickupView from './PickupView.svelte';
import { queries } from '../lib/state/queries';

const file = (name: string, reference = false) => ({
  name,
  folder: 'Tracks',
  channels: 1,
  bytes: 2_000_000,
  peakDbfs: -6.4,
  reference,
  section: 0,
});
const open: ParcelPage = {
  locked: false,
  message: 'Hello <b>there</b>',
  endsAt: '2026-12-09T10:00:00Z',
  parcel: {
    edits: 0,
    song: 'Low Tide Waltz',
    artist: 'Salt Harbour Players',
    receiver: 'The mixer',
    brief: 'For mixing',
    version: 'v2',
    tempo: '96',
    meter: '3/4',
    key: 'G major',
    rate: 48_000,
    depth: '24-bit',
    sections: [{ name: '', frames: 3_600_000 }],
    files: [file('01_Tuba.wav'), file('00_Reference Mix.wav', true)],
    zips: [{ name: 'a.zip', bytes: 4_100_000, sha256: 'ab'.repeat(32), changesSince: null }],
  },
};
let page: ParcelPage;
let phrase: string;
let refusal: { status: number; detail: string } | undefined;
let replies: (string | null)[];

vi.mock('../lib/api/client', async (original) => ({
  ...(await original<object>()),
  default: {
    GET: async () =>
      refusal
        ? { error: refusal, response: { ok: false, status: refusal.status } }
        : { data: page, response: { ok: true } },
    POST: async (path: string, options: { body: { passPhrase?: string; problem?: string | null } }) => {
      if (path.endsWith('/reply')) replies.push(options.body.problem ?? null);
      else if (options.body.passPhrase !== phrase)
        return { error: { detail: 'That is not the pass phrase.' }, response: { ok: false, status: 403 } };
      else page = open;
      return { data: undefined, response: { ok: true } };
    },
  },
}));

beforeEach(() => {
  queries.clear();
  page = open;
  phrase = 'low tide';
  refusal = undefined;
  replies = [];
  vi.stubGlobal('fetch', async () => new Response(new Int16Array([-5, 5]).buffer));
  HTMLCanvasElement.prototype.getContext = (() => null) as never;
});
afterEach(cleanup);

const route = vi.hoisted(() => ({ querystring: '' }));
vi.mock('svelte-spa-router', () => ({ router: route }));
const shown = () => render(PickupView, { params: { token: 'tok' } });

describe('what a receiver sees', () => {
  it('is the song with its facts, the message as it was written, and one download', async () => {
    page = { ...open, parcel: { ...open.parcel!, files: [] } };
    shown();
    expect(await screen.findByRole('heading', { name: 'Low Tide Waltz' })).toBeTruthy();
    expect(screen.getByText('Hello <b>there</b>')).toBeTruthy();
    for (const fact of ['96', '3/4', 'G major', '24-bit 48 kHz', '1:15']) expect(screen.getByText(fact)).toBeTruthy();
    const download = screen.getByRole('link', { name: /Download everything, 4.1 MB/ });
    expect(download.getAttribute('href')).toBe('/api/p/tok/parcel?part=0');
  });

  it('offers every part of a parcel that was split', async () => {
    page = {
      ...open,
      parcel: {
        ...open.parcel!,
        files: [],
        zips: [...open.parcel!.zips, { name: 'b.zip', bytes: 1_000, sha256: 'cd'.repeat(32), changesSince: null }],
      },
    };
    shown();
    expect((await screen.findByRole('link', { name: /Download part 2 of 2, 1 kB/ })).getAttribute('href')).toBe(
      '/api/p/tok/parcel?part=1',
    );
  });

  it('shows what changed beside everything', async () => {
    const small = { name: 'c.zip', bytes: 2_000, sha256: null, changesSince: 'v1' };
    page = { ...open, parcel: { ...open.parcel!, files: [], zips: [...open.parcel!.zips, small] } };
    shown();
    expect(await screen.findByRole('link', { name: /Download everything, 4.1 MB/ })).toBeTruthy();
    expect(screen.getByRole('link', { name: /Only what changed since v1, 2 kB/ }).getAttribute('href')).toBe(
      '/api/p/tok/parcel?part=1',
    );
  });

  it('stays shut until the pass phrase is right', async () => {
    page = { locked: true, message: '', endsAt: null, parcel: null };
    shown();
    const field = await screen.findByLabelText('Pass phrase');
    expect((screen.getByRole('button', { name: 'Open' }) as HTMLButtonElement).disabled).toBe(true);
    await fireEvent.input(field, { target: { value: 'ebb' } });
    await fireEvent.click(screen.getByRole('button', { name: 'Open' }));
    expect((await screen.findByRole('alert')).textContent).toContain('not the pass phrase');
    expect(screen.queryByText('Low Tide Waltz')).toBeNull();
  });

  it('says in a sentence why a link leads nowhere', async () => {
    refusal = { status: 410, detail: 'This link was withdrawn. Ask whoever sent it for a new one.' };
    shown();
    expect(await screen.findByText(/was withdrawn/)).toBeTruthy();
  });

  it('tells the sender that all arrived, or what is wrong', async () => {
    page = { ...open, parcel: { ...open.parcel!, files: [] } };
    shown();
    await fireEvent.click(await screen.findByRole('button', { name: 'Something is wrong' }));
    expect((screen.getByRole('button', { name: 'Tell them' }) as HTMLButtonElement).disabled).toBe(true);
    await fireEvent.input(screen.getByLabelText('What is wrong, or missing?'), { target: { value: 'No tuba' } });
    await fireEvent.click(screen.getByRole('button', { name: 'Tell them' }));
    expect(await screen.findByText(/now reads what you wrote/)).toBeTruthy();
    cleanup();
    shown();
    await fireEvent.click(await screen.findByRole('button', { name: 'All arrived' }));
    expect(await screen.findByText(/now knows that all arrived/)).toBeTruthy();
    expect(replies).toEqual(['No tuba', null]);
    cleanup();
    route.querystring = `answer=${encodeURIComponent('“lost.wav” did not come.')}`;
    shown();
    expect(((await screen.findByLabelText('What is wrong, or missing?')) as HTMLTextAreaElement).value).toBe(
      '“lost.wav” did not come.',
    );
    route.querystring = '';
  });
});
