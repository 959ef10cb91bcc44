// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import Choices from './Choices.svelte';

afterEach(cleanup);

const options = [
  ['wav', 'WAV'],
  ['aiff', 'AIFF'],
] as const;

function shown(letGo?: () => void) {
  const onchoose = vi.fn();
  const ondone = vi.fn();
  render(Choices<'wav' | 'aiff'>, { label: 'Kind of file', options, value: 'wav', onchoose, ondone, letGo });
  return { onchoose, ondone };
}

describe('one of several', () => {
  it('begins where it stands, so that arrows go on from there', () => {
    shown();
    expect(document.activeElement).toBe(screen.getByLabelText('WAV'));
  });

  it('takes what is chosen by keys at once and stays open, and closes on Enter', async () => {
    const { onchoose, ondone } = shown();
    const aiff = screen.getByLabelText('AIFF');
    await fireEvent.click(aiff, { detail: 0 }); // as a browser does when an arrow key chooses
    expect(onchoose).toHaveBeenCalledExactlyOnceWith('aiff');
    expect(ondone).not.toHaveBeenCalled();
    await fireEvent.keyDown(aiff, { key: 'Enter' });
    expect(ondone).toHaveBeenCalledOnce();
  });

  it('closes when it is chosen with the mouse', async () => {
    const { onchoose, ondone } = shown();
    await fireEvent.click(screen.getByLabelText('AIFF'), { detail: 1 });
    expect(onchoose).toHaveBeenCalledWith('aiff');
    expect(ondone).toHaveBeenCalledOnce();
  });

  it('gives up what was set by hand, where something was', async () => {
    const letGo = vi.fn();
    const { ondone } = shown(letGo);
    await fireEvent.click(screen.getByText('As the brief has it'));
    expect(letGo).toHaveBeenCalledOnce();
    expect(ondone).toHaveBeenCalledOnce();
    cleanup();
    shown();
    expect(screen.queryByText('As the brief has it')).toBeNull();
  });
});
