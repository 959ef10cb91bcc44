// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, expect, it, vi } from 'vitest';
import Segments from './Segments.svelte';

afterEach(cleanup);

it('is one group of radio buttons, of which one is chosen', async () => {
  const onchoose = vi.fn();
  render(Segments<'rows' | 'files'>, {
    label: 'The plan as',
    options: [
      ['rows', 'Rows'],
      ['files', 'Files'],
    ],
    value: 'rows',
    onchoose,
  });
  const radios = screen.getAllByRole<HTMLInputElement>('radio');
  expect(radios.map((radio) => radio.checked)).toEqual([true, false]);
  expect(new Set(radios.map((radio) => radio.name)).size).toBe(1); // what makes arrow keys walk
  await fireEvent.click(screen.getByLabelText('Files'));
  expect(onchoose).toHaveBeenCalledExactlyOnceWith('files');
});
