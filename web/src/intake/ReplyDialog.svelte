<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import client, { answer } from '../lib/api/client';
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { copy } from '../lib/copy';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { answerAddress } from '../pickup/answer';
  import type { IntakeStore } from './intake.svelte';

  /** What to write back to the sender, to be copied or taken as a page. */
  let { store, open = $bindable() }: { store: IntakeStore; open: boolean } = $props();
  let text = $state<string>();
  let failure = $state<string>();
  let address = $state('');
  const there = $derived(answerAddress(address, text ?? ''));

  async function load() {
    text = failure = undefined;
    try {
      const path = { id: store.id };
      text = await answer(client.GET('/api/intakes/{id}/reply.txt', { params: { path }, parseAs: 'text' }));
    } catch (thrown) {
      failure = (thrown as Error).message;
    }
  }

  $effect(() => {
    if (open) void load();
  });
</script>

<Modal bind:open title="Reply to the sender" size="lg" class="bg-(--sheet) dark:bg-(--sheet)">
  {#if failure}
    <Failure words={failure} retry={load} />
  {:else if text === undefined}
    <Loading words="Writing it…" />
  {:else}
    <pre>{text}</pre>
    <label class="pickup">
      <span class="cap">Where it was picked up, if it came by a link</span>
      <Field placeholder="https://…/p/…" bind:value={address} aria-describedby="pickup-hint" />
      <span id="pickup-hint" class="under"
        >{address.trim() && !there
          ? 'That is no address of a pickup.'
          : 'The page of the pickup opens with these words in it; there you send them.'}</span
      >
    </label>
    <div class="row">
      {#if there}<Button href={there} target="_blank" rel="noopener">Answer there</Button>{/if}
      <Button href="/api/intakes/{store.id}/reply.html" target="_blank">Open as a page</Button>
      <Button kind="main" onclick={() => copy('Reply', text!)}>Copy the text</Button>
    </div>
  {/if}
</Modal>

<style>
  .pickup {
    display: block;
    margin-top: 10px;
  }
  .under {
    font-size: 12px;
    color: var(--ink2);
  }
  pre {
    white-space: pre-wrap;
    font-family: var(--font-sans);
    max-height: 360px;
    overflow: auto;
  }
  .row {
    display: flex;
    justify-content: flex-end;
    gap: 8px;
    margin-top: 8px;
  }
</style>
