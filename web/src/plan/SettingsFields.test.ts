// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Settings } from '../lib/api/types';
import { toasts } from '../lib/chrome/toasts.svelte';
import SettingsFields from './SettingsFields.svelte';

const behind: Settings = {
  format: 'wav',
  depth: null,
  rate: null,
  sides: 'automatic',
  returns: 'sharedOut',
  dynamics: 'inPlace',
  leadInBars: 2,
  count: true,
  click: 'first',
  tailSeconds: null,
  takes: false,
  notes: true,
  listening: false,
  document: false,
  folders: 'kind',
};

afterEach(cleanup);

function shown(settings: Settings = {}) {
  const onset = vi.fn();
  render(SettingsFields, { settings, behind, behindWords: 'For overdubs', onset });
  return onset;
}

describe('what holds for all files', () => {
  it('says what stands behind a field that nobody set', () => {
    shown();
    expect((screen.getByLabelText('Returns at Bus and Mix') as HTMLSelectElement).selectedOptions[0]!.text).toBe(
      'For overdubs: shared out to rows',
    );
    expect((screen.getByLabelText('Sample format') as HTMLSelectElement).selectedOptions[0]!.text).toBe(
      'For overdubs: as recorded',
    );
    expect((screen.getByLabelText('Lead-in bars') as HTMLInputElement).placeholder).toBe('2');
    expect((screen.getByLabelText('Count the lead-in in clicks') as HTMLInputElement).checked).toBe(true);
    expect(screen.getByText(/Rows alone add up to the mix/)).toBeTruthy();
  });

  it('sets a field, and gives it back', async () => {
    const onset = shown({ depth: 'int16' });
    await fireEvent.change(screen.getByLabelText('Rate'), { target: { value: '96000' } });
    expect(onset).toHaveBeenLastCalledWith({ rate: 96_000 });
    await fireEvent.change(screen.getByLabelText('Sample format'), { target: { value: '' } });
    expect(onset).toHaveBeenLastCalledWith({ depth: null });
    await fireEvent.change(screen.getByLabelText('Tail s'), { target: { value: '2,5' } });
    expect(onset).toHaveBeenLastCalledWith({ tailSeconds: 2.5 });
    await fireEvent.change(screen.getByLabelText('Zips no larger than MB'), { target: { value: '' } });
    expect(onset).toHaveBeenLastCalledWith({ splitMegabytes: null });
  });

  it('puts back what stood there when no number is typed', async () => {
    const onset = shown({ tailSeconds: 3 });
    const tail = screen.getByLabelText('Tail s') as HTMLInputElement;
    await fireEvent.change(tail, { target: { value: 'long' } });
    expect(onset).not.toHaveBeenCalled();
    expect(tail.value).toBe('3');
    expect(toasts.list.at(-1)).toMatchObject({
      kind: 'wrong',
      text: expect.stringContaining('“long” is not a number'),
    });
  });

  it('a box that is set as it is behind says nothing of its own', async () => {
    const onset = shown({ count: false });
    await fireEvent.click(screen.getByLabelText('Count the lead-in in clicks'));
    expect(onset).toHaveBeenLastCalledWith({ count: null });
    await fireEvent.click(screen.getByLabelText('An MP3 of the reference mix'));
    expect(onset).toHaveBeenLastCalledWith({ listening: true });
  });

  it('what is set by hand counts in what it means', () => {
    shown({ returns: 'leftOut', dynamics: 'alone' });
    expect(screen.getByText(/only in the reference mix.*do not add up/)).toBeTruthy();
  });
});
