import { Refusal, toProblem } from './api/client';
import { toasts } from './chrome/toasts.svelte';

/** The click on a download: it begins only when the server can give the file; what it says instead is shown, not saved as the file. */
export async function download(event: MouseEvent): Promise<void> {
  const link = event.currentTarget as HTMLAnchorElement;
  if (event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return;
  event.preventDefault();
  try {
    // the second byte, since the first would count as a download
    const probe = await fetch(link.href, { headers: { Range: 'bytes=1-1' } });
    if (!probe.ok) throw new Refusal(toProblem(probe.status, await probe.json().catch(() => undefined)));
    const begun = document.createElement('a');
    begun.href = link.href;
    begun.download = '';
    begun.click();
  } catch (thrown) {
    toasts.wrong(thrown instanceof Refusal ? thrown : new Error('The server does not answer. Is it still running?'));
  }
}
