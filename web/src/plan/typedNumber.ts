import { toasts } from '../lib/chrome/toasts.svelte';

/** Takes the number typed in a field, null when it was emptied; puts back what stood there and says so when it is no number. */
export function typedNumber(field: HTMLInputElement, before: number | null | undefined, take: (number: number | null) => void): void {
  const written = field.value.trim().replace('−', '-').replace(',', '.');
  if (Number.isFinite(Number(written))) {
    take(written === '' ? null : Number(written));
    return;
  }
  toasts.say(`“${field.value}” is not a number, so nothing was changed.`, 'wrong');
  field.value = String(before ?? '');
}
