import { Refusal, toProblem } from '../lib/api/client';
import { toasts } from '../lib/chrome/toasts.svelte';
import type { HandoffStore } from '../lib/state/handoff.svelte';
import { count } from '../lib/units';
import type { Editing } from './editing.svelte';

/** Brings files into the open session: new rows, a take of the chosen row, or newer versions of what is used already. */
export async function addFiles(
  editing: Editing,
  handoff: HandoffStore,
  files: File[],
  as: 'rows' | 'take' = 'rows',
): Promise<void> {
  const form = new FormData();
  files.forEach((file) => form.append('file', file, file.name));
  const query = new URLSearchParams({ at: String(editing.head) });
  if (as === 'take' && editing.single) query.set('row', editing.single.id);
  try {
    const response = await fetch(`/api/sessions/${editing.store.id}/files?${query}`, { method: 'POST', body: form });
    const body: unknown = await response.json();
    if (!response.ok) throw new Refusal(toProblem(response.status, body));
    const added = body as {
      revision: number;
      words: string[];
      refused: { file: string; reason: string }[];
      remarks: { file: string; reason: string }[];
    };
    await editing.store.load();
    await handoff.load();
    added.words.forEach((words) => toasts.say(words));
    [...added.refused, ...added.remarks].forEach(({ file, reason }) => toasts.say(`“${file}”: ${reason}`, 'wrong'));
    if (!added.words.length && !added.refused.length) toasts.say(`${count(files.length, 'file')} brought in.`);
  } catch (thrown) {
    toasts.wrong(thrown);
  }
}
