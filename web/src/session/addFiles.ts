import { push } from 'svelte-spa-router';
import client, { answer } from '../lib/api/client';
import type { Added } from '../lib/api/types';
import { Arrivals } from '../lib/arrivals/arrivals.svelte';
import { toasts } from '../lib/chrome/toasts.svelte';
import type { HandoffStore } from '../lib/state/handoff.svelte';
import { count } from '../lib/units';
import type { Editing } from './editing.svelte';

/** What came of it. */
export type Brought = Pick<Added, 'words' | 'refused' | 'remarks'>;

/**
 * Files on their way into the open session: new rows, a take of the chosen row, or newer versions of what is used already. Where
 * something is to be decided first, nothing is added yet, and the intake says so.
 */
export function addFiles(
  editing: Editing,
  handoff: HandoffStore,
  files: File[],
  as: 'rows' | 'take' = 'rows',
): Arrivals<Brought> {
  const id = editing.store.id;
  const [at, row] = [editing.head, as === 'take' ? (editing.single?.id ?? null) : null];
  return new Arrivals(files, async (uploads, watch, turnedAway) => {
    if (!row) {
      const body = { uploads, watch, at, session: id, refused: turnedAway, name: null, folder: null };
      const came = await answer(client.POST('/api/intakes', { body }));
      const { refused, remarks } = came.intake;
      if (came.questions.length) {
        void push(`/intake/${came.id}`);
        return { words: [], refused, remarks };
      }
      const { words } = await answer(
        client.POST('/api/intakes/{id}/session', {
          params: { path: { id: came.id } },
          body: { revision: came.revision },
        }),
      );
      return added({ words, refused, remarks });
    }
    const body = { uploads, watch, at, row };
    return added(await answer(client.POST('/api/sessions/{id}/files/arrived', { params: { path: { id } }, body })));
  });

  async function added(came: Brought): Promise<Brought> {
    await editing.store.load();
    await handoff.load();
    came.words.forEach((words) => toasts.say(words));
    [...came.refused, ...came.remarks].forEach(({ file, reason }) => toasts.say(`“${file}”: ${reason}`, 'wrong'));
    if (!came.words.length && !came.refused.length) toasts.say(`${count(files.length, 'file')} brought in.`);
    return came;
  }
}
