import client, { answer } from '../lib/api/client';
import type { Added } from '../lib/api/types';
import { Arrivals } from '../lib/arrivals/arrivals.svelte';
import { toasts } from '../lib/chrome/toasts.svelte';
import type { HandoffStore } from '../lib/state/handoff.svelte';
import { count } from '../lib/units';
import type { Editing } from './editing.svelte';

/** Files on their way into the open session: new rows, a take of the chosen row, or newer versions of what is used already. */
export function addFiles(
  editing: Editing,
  handoff: HandoffStore,
  files: File[],
  as: 'rows' | 'take' = 'rows',
): Arrivals<Added> {
  const path = { id: editing.store.id };
  const [at, row] = [editing.head, as === 'take' ? (editing.single?.id ?? null) : null];
  return new Arrivals(files, async (uploads, watch) => {
    const body = { uploads, watch, at, row };
    const added = await answer(client.POST('/api/sessions/{id}/files/arrived', { params: { path }, body }));
    await editing.store.load();
    await handoff.load();
    added.words.forEach((words) => toasts.say(words));
    [...added.refused, ...added.remarks].forEach(({ file, reason }) => toasts.say(`“${file}”: ${reason}`, 'wrong'));
    if (!added.words.length && !added.refused.length) toasts.say(`${count(files.length, 'file')} brought in.`);
    return added;
  });
}
