<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import { onDestroy, untrack } from 'svelte';
  import client, { answer } from '../lib/api/client';
  import type { Offer } from '../lib/api/types';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { Served } from '../lib/state/served.svelte';
  import type { Editing } from './editing.svelte';

  /** Rows that look like parts of one: what could be made of them. */
  let { editing }: { editing: Editing } = $props();
  const WORDS = {
    stereoRow: 'Make one stereo row',
    clipsOfOneRow: 'Make one row of them',
    takesOfOneRow: 'Make takes of one row',
  } as const;
  const served = new Served<Offer[]>();
  const offers = $derived(served.failure ? [] : (served.data ?? []));

  $effect(() => {
    const { id } = editing.store;
    void editing.store.state?.revision;
    untrack(
      () =>
        void served.look({
          key: ['session', id, 'offers'],
          ask: (signal) => answer(client.GET('/api/sessions/{id}/offers', { params: { path: { id } }, signal })),
        }),
    );
  });
  onDestroy(() => served.close());

  async function accept(offer: Offer) {
    if (offer.edit) {
      await editing.make('', [offer.edit]);
      return;
    }
    try {
      const [left, right] = offer.rows as [string, string];
      await editing.store.changed((revision) =>
        client.POST('/api/sessions/{id}/pairs', {
          params: { path: { id: editing.store.id } },
          body: { revision, left, right },
        }),
      );
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }
</script>

{#if offers.length}
  <p class="cap">PARTS OF ONE?</p>
  {#each offers as offer (offer.rows.join())}
    <div class="offer">
      <p>{offer.words}</p>
      <Button size="small" onclick={() => accept(offer)}>{WORDS[offer.kind]}</Button>
    </div>
  {/each}
  <hr />
{/if}

<style>
  .offer {
    padding: 6px 0 8px;
    border-bottom: 1px solid var(--rule2);
  }
  hr {
    border: 0;
    border-top: 1px solid var(--rule);
    margin: 14px -16px;
  }
</style>
