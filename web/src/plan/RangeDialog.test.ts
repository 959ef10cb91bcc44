// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Handoff } from '../lib/api/types';
import type { HandoffStore } from '../lib/state/handoff.svelte';
import type { SessionStore } from '../lib/state/session.svelte';
import { steady, type Tempo } from '../lib/time/tempo';
import RangeDialog from './RangeDialog.svelte';

// asked for while the dialog's parts are loaded; the test's page has no media
vi.hoisted(() => {
  window.matchMedia = (() => ({ matches: false, addEventListener: () => undefined })) as never;
  Element.prototype.animate ??= (() => ({ cancel: () => undefined, finished: Promise.resolve() })) as never;
});

const session = {
  session: {
    markers: [
      { frame: 96_000, name: 'Verse' },
      { frame: 0, name: 'Intro' },
    ],
    song: { tempo: 120, meter: '4/4' },
    rate: 48_000,
  },
  frames: 192_000,
};
/** Four seconds that grow faster after the first bar: 4 quarters in two seconds, 8 more in the other two. */
const faster: Tempo = {
  ...steady(120, '4/4'),
  tempos: [
    { quarter: 0, quartersPerMinute: 120, way: 'jump' },
    { quarter: 4, quartersPerMinute: 240, way: 'jump' },
  ],
};

function opened(sections: Handoff['sections'], tempo = steady(120, '4/4')) {
  let handoff = { sections } as Handoff;
  const change = vi.fn(async (make: (now: Handoff) => Handoff) => void (handoff = make(handoff)));
  HTMLDialogElement.prototype.showModal ??= function open(this: HTMLDialogElement) {
    this.open = true;
  };
  HTMLDialogElement.prototype.close ??= function close(this: HTMLDialogElement) {
    this.open = false;
  };
  render(RangeDialog, {
    store: {
      get handoff() {
        return handoff;
      },
      change,
    } as unknown as HandoffStore,
    session: { ...session, tempo } as unknown as SessionStore,
    open: true,
  });
  return () => handoff.sections;
}
afterEach(cleanup);
const field = (label: string) => screen.getByLabelText(label) as HTMLInputElement;
const set = async () => fireEvent.click(screen.getByText('Set the range'));

describe('the range', () => {
  it('is a part of the song, from a marker to a time', async () => {
    const sections = opened([]);
    await fireEvent.click(screen.getByText('A part of it'));
    expect(field('To, section 1').value).toBe('3');
    await fireEvent.input(field('From, section 1'), { target: { value: 'verse' } });
    await fireEvent.input(field('To, section 1'), { target: { value: '0:03.5' } });
    await set();
    expect(sections()).toEqual([
      { name: '', stretch: { from: { unit: 'marker', at: 0, marker: 'Verse' }, to: { unit: 'seconds', at: 3.5 } } },
    ]);
  });

  it('ends, when nothing else is said, where the song does, by its tempo map', async () => {
    opened([], faster);
    await fireEvent.click(screen.getByText('A part of it'));
    expect(field('To, section 1').value).toBe('4');
  });

  it('is a section for every marker, each with a name', async () => {
    const sections = opened([]);
    await fireEvent.click(screen.getByText('A section for every marker'));
    await fireEvent.input(field('Name of section 2'), { target: { value: ' ' } });
    expect(screen.getByRole('alert').textContent).toContain('needs a name');
    await fireEvent.input(field('Name of section 2'), { target: { value: 'Verse one' } });
    await set();
    expect(sections().map((section) => section.name)).toEqual(['Intro', 'Verse one']);
  });

  it('shows what is set, says what cannot be read, and goes back to the whole session', async () => {
    const sections = opened([
      { name: 'A', stretch: { from: { unit: 'bars', at: 2 }, to: { unit: 'seconds', at: 75 } } },
    ]);
    expect([field('From, section 1').value, field('To, section 1').value]).toEqual(['2', '1:15']);
    await fireEvent.input(field('From, section 1'), { target: { value: 'there' } });
    expect(field('From, section 1').getAttribute('aria-invalid')).toBe('true');
    expect((screen.getByText('Set the range') as HTMLButtonElement).disabled).toBe(true);
    await fireEvent.click(screen.getByText('Whole session'));
    await set();
    expect(sections()).toEqual([]);
  });
});
