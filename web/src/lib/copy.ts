import { toasts } from './chrome/toasts.svelte';

/** Puts a text on the clipboard and says so; where the browser does not let pages copy, the text is shown to be copied by hand. */
export async function copy(what: string, text: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text);
    toasts.say(`${what} copied.`);
  } catch {
    toasts.say(`The browser does not let pages copy here. ${what}: ${text}`, 'wrong');
  }
}
