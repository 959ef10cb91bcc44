import { toasts } from '../lib/chrome/toasts.svelte';
import { readNumber } from '../lib/numbers';

/** Takes the number typed in a field, null when it was emptied. The field then shows what holds: what was typed, or, when that is no number or was refused, what stood there. */
export async function typedNumber(
  field: HTMLInputElement,
  take: (number: number | null) => unknown,
  holds: () => number | null | undefined,
): Promise<void> {
  const typed = field.value.trim() === '' ? null : readNumber(field.value);
  if (typed === undefined) toasts.say(`“${field.value}” is not a number, so nothing was changed.`, 'wrong');
  else await take(typed);
  field.value = String(holds() ?? '');
}
