// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, expect, it, vi } from 'vitest';
import NumberField from './NumberField.svelte';

afterEach(cleanup);

function field(value = -3.5) {
  const onset = vi.fn();
  render(NumberField, { label: 'Fader', value, unit: 'dB', lowest: -144, highest: 24, step: 0.5, digits: 1, onset });
  return { onset, input: screen.getByLabelText(/Fader/) as HTMLInputElement };
}

it('takes what is typed on Enter or when left, within its range', async () => {
  const { onset, input } = field();
  expect(input.value).toBe('−3.5');
  await fireEvent.input(input, { target: { value: '+6,25' } });
  await fireEvent.keyDown(input, { key: 'Enter' });
  expect(onset).toHaveBeenLastCalledWith(6.25);
  await fireEvent.input(input, { target: { value: '99' } });
  await fireEvent.blur(input);
  expect(onset).toHaveBeenLastCalledWith(24);
  await fireEvent.input(input, { target: { value: 'silent' } });
  await fireEvent.blur(input);
  expect(onset).toHaveBeenLastCalledWith(-144);
});

it('leaves what makes no sense, and Escape takes typing back', async () => {
  const { onset, input } = field();
  await fireEvent.input(input, { target: { value: 'loud' } });
  await fireEvent.blur(input);
  expect(input.value).toBe('−3.5');
  await fireEvent.input(input, { target: { value: '4' } });
  await fireEvent.keyDown(input, { key: 'Escape' });
  await fireEvent.blur(input);
  expect(onset).not.toHaveBeenCalled();
});

it('steps with the arrows, ten times as far with Shift', async () => {
  const { onset, input } = field(0);
  await fireEvent.keyDown(input, { key: 'ArrowUp' });
  await fireEvent.keyDown(input, { key: 'ArrowDown', shiftKey: true });
  expect(input.value).toBe('−4.5');
  await fireEvent.keyDown(input, { key: 'Enter' });
  expect(onset).toHaveBeenCalledExactlyOnceWith(-4.5);
});
