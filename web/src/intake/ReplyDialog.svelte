<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import client, { answer } from '../lib/api/client';
  import Button from '../lib/controls/Button.svelte';
  import { copy } from '../lib/copy';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import type { IntakeStore } from './intake.svelte';

  /** What to write back to the sender, to be copied or taken as a page. */
  let { store, open = $bindable() }: { store: IntakeStore; open: boolean } = $props();
  let text = $state<string>();
  let failure = $state<string>();

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
    <div class="row">
      <Button href="/api/intakes/{store.id}/reply.html" target="_blank">Open as a page</Button>
      <Button kind="main" onclick={() => copy('Reply', text!)}>Copy the text</Button>
    </div>
  {/if}
</Modal>

<style>
  pre {
    white-space: pre-wrap;
    font-family: var(--font-sans);
    max-height: 420px;
    overflow: auto;
  }
  .row {
    display: flex;
    justify-content: flex-end;
    gap: 8px;
    margin-top: 8px;
  }
</style>
