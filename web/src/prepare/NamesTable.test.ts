// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Proposed, SessionEdit } from '../lib/api/types';
import type { FindingsStore } from '../lib/state/findings.svelte';
import type { HandoffStore } from '../lib/state/handoff.svelte';
import type { SessionStore } from '../lib/state/session.svelte';
import NamesTable from './NamesTable.svelte';

afterEach(cleanup);

const proposed = (row: string, now: string, better: string, note = ''): Proposed => ({
  proposal: { row, now, proposed: better, note, role: 'other' },
  edits: [{ type: 'renameRow', row, name: better, named: 'proposal' }],
});

function table(names: Proposed[], refuse = false) {
  const sent: SessionEdit[] = [];
  const rows = [
    { id: 'a', name: 'kik', type: 'audio' },
    { id: 'b', name: 'Harp', type: 'audio' },
    { id: 'c', name: 'gtr L', type: 'audio' },
    { id: 'mix', name: 'Mix', type: 'mix' },
  ];
  const edit = async (each: SessionEdit) => {
    if (refuse) throw new Error('A name cannot be empty.');
    sent.push(each);
  };
  render(NamesTable, {
    store: { names } as unknown as FindingsStore,
    session: { session: { rows }, edit } as unknown as SessionStore,
    handoff: { load: vi.fn() } as unknown as HandoffStore,
    onparts: vi.fn(),
    parts: 'row',
  });
  return sent;
}

describe('names', () => {
  it('shows what is proposed, or all rows but the mix', async () => {
    table([proposed('a', 'kik', 'Kick')]);
    expect(screen.getAllByRole('textbox')).toHaveLength(1);
    expect(screen.getByText('1 of 3 proposed')).toBeTruthy();
    await fireEvent.click(screen.getByLabelText('all rows'));
    expect(screen.getAllByRole('textbox').map((field) => (field as HTMLInputElement).value)).toEqual([
      'kik',
      'Harp',
      'gtr L',
    ]);
  });
  it('accepts one, some or all, several as one step', async () => {
    const sent = table([
      proposed('a', 'kik', 'Kick'),
      proposed('b', 'Harp', 'Big Harp'),
      proposed('c', 'gtr L', 'Guitar L', 'x'),
    ]);
    await fireEvent.click(screen.getByLabelText('Accept Kick'));
    await fireEvent.click(screen.getByLabelText('Choose kik'));
    await fireEvent.click(screen.getByLabelText('Choose gtr L'));
    await fireEvent.click(screen.getByText('Accept 2'));
    await fireEvent.click(screen.getByText('Accept all 3'));
    expect(sent.map((edit) => (edit.type === 'together' ? edit.edits.length : edit.type))).toEqual(['renameRow', 2, 3]);
  });
  it('keeps a typed name as a person’s, and puts a refused one back', async () => {
    const sent = table([proposed('a', 'kik', 'Kick')]);
    const field = screen.getByRole('textbox') as HTMLInputElement;
    await fireEvent.input(field, { target: { value: ' Kick close ' } });
    await fireEvent.blur(field);
    expect(sent).toEqual([{ type: 'renameRow', row: 'a', name: 'Kick close', named: 'hand' }]);
    cleanup();
    table([proposed('a', 'kik', 'Kick')], true);
    const refused = screen.getByRole('textbox') as HTMLInputElement;
    await fireEvent.input(refused, { target: { value: '' } });
    await fireEvent.blur(refused);
    await Promise.resolve();
    expect(refused.value).toBe('kik');
  });
  it('finds and replaces over many', async () => {
    const sent = table([]);
    await fireEvent.click(screen.getByText('Find and replace'));
    await fireEvent.input(screen.getByLabelText('Find'), { target: { value: 'GTR' } });
    await fireEvent.input(screen.getByLabelText('Replace with'), { target: { value: 'Guitar' } });
    await fireEvent.click(screen.getByText('Replace in 1 name'));
    expect(sent).toEqual([{ type: 'renameRow', row: 'c', name: 'Guitar L', named: 'hand' }]);
  });
});
