// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/svelte';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import type { Finding, Found, Row } from '../lib/api/types';
import type { FindingsStore } from '../lib/state/findings.svelte';
import FindingList from './FindingList.svelte';

beforeAll(() => {
  globalThis.CSS ??= { escape: (text: string) => text.replace(/[^\w-]/g, '\\$&') } as typeof CSS;
});
afterEach(cleanup);

const found = (key: string, severity: Finding['severity'], rows: string[], part: Partial<Found> = {}): Found => ({
  finding: {
    check: 'x',
    key,
    severity,
    title: `Title ${key}`,
    words: 'words',
    rows,
    evidence: { figures: [], drawing: null },
    remedies: [],
  },
  seen: '',
  dismissed: false,
  safe: false,
  ...part,
});
const rows = [
  { id: 'a', name: 'Tuba', type: 'audio' },
  { id: 'b', name: 'Harp', type: 'audio' },
] as unknown as Row[];

function list(all: Found[], { unmeasured = 0, by = 'worst', untold = 0 } = {}) {
  const open = all.filter((each) => !each.dismissed);
  const count = (severity: string) => open.filter((each) => each.finding.severity === severity).length;
  const report = {
    recordings: 10,
    unmeasured,
    open: { stops: count('stops'), look: count('look'), know: count('know') },
    safe: open.filter((each) => each.safe).length,
  };
  const store = {
    open,
    left: all.filter((each) => each.dismissed),
    report,
    by,
    untold,
    order: vi.fn(),
    more: vi.fn(),
    takeAllThatIsSafe: vi.fn(),
  } as unknown as FindingsStore;
  render(FindingList, { store, rows, selected: undefined });
  return store;
}

describe('the list of findings', () => {
  it('groups by what matters or by row, and counts', async () => {
    const all = [found('one', 'know', ['b']), found('two', 'stops', ['b']), found('three', 'look', ['a'])];
    const store = list(all);
    expect(screen.getByText('1 stops · 1 to look at · 1 to know')).toBeTruthy();
    const titles = () => screen.getAllByRole('heading', { level: 3 }).map((heading) => heading.textContent);
    expect(titles()).toEqual(['Stops the print', 'To look at', 'To know']);
    await fireEvent.click(screen.getByText('row'));
    expect(store.order).toHaveBeenCalledWith('row');
    cleanup();
    list(all, { by: 'row' });
    expect(titles()).toEqual(['01 Tuba', '02 Harp']);
  });
  it('is walked with the arrows, past what was left', async () => {
    list([found('one', 'look', ['a']), found('two', 'look', ['a']), found('gone', 'look', ['a'], { dismissed: true })]);
    const buttons = () => screen.getAllByRole('button').filter((button) => button.hasAttribute('data-key'));
    buttons()[0]!.focus();
    await fireEvent.click(buttons()[0]!);
    await fireEvent.keyDown(buttons()[0]!, { key: 'ArrowDown' });
    await fireEvent.keyDown(buttons()[1]!, { key: 'ArrowDown' });
    expect(document.activeElement?.getAttribute('data-key')).toBe('gone');
    expect(buttons().map((button) => button.getAttribute('aria-pressed'))).toEqual(['false', 'false', 'true']);
    expect(screen.getByText('Left as they are')).toBeTruthy();
  });
  it('tells how many more there are, and asks for them', async () => {
    const store = list([found('one', 'look', ['a'])], { untold: 4043 });
    await fireEvent.click(screen.getByText('4,043 more · show the next'));
    expect(store.more).toHaveBeenCalledOnce();
  });
  it('offers what is safe only when something is', async () => {
    const store = list([
      found('one', 'look', ['a'], { safe: true }),
      found('two', 'know', ['a'], { safe: true }),
      found('three', 'know', ['a']),
    ]);
    await fireEvent.click(screen.getByText('Put right all that is safe (2)'));
    expect(store.takeAllThatIsSafe).toHaveBeenCalledOnce();
    cleanup();
    list([found('one', 'look', ['a'])]);
    expect(screen.queryByText(/Put right/)).toBeNull();
  });
  it('says ready only when every recording has been read', () => {
    list([], { unmeasured: 3 });
    expect(within(screen.getByRole('status')).getByText('Reading recordings: 7 of 10')).toBeTruthy();
    expect(screen.queryByText('Ready.')).toBeNull();
    cleanup();
    list([]);
    expect(screen.getByText('Ready.')).toBeTruthy();
  });
});
