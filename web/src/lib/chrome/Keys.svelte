<script lang="ts">
  import { Kbd, Modal } from 'flowbite-svelte';

  /** Keys of the current view: what to press, what it does. */
  let { keys }: { keys: [string, string][] } = $props();
  let open = $state(false);

  function onkeydown(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    if (event.key === '?' && !target.closest('input, textarea, select')) {
      event.preventDefault();
      open = !open;
    }
  }
</script>

<svelte:window {onkeydown} />
<Modal title="Keys here" bind:open size="sm" class="bg-(--sheet) dark:bg-(--sheet)">
  <dl class="list">
    {#each [...keys, ['?', 'Show or hide this list'] as [string, string]] as [key, words] (key)}
      <dt>
        {#each key.split(' ') as part, i (i)}<Kbd class="px-2 py-1 mr-1">{part}</Kbd>{/each}
      </dt>
      <dd>{words}</dd>
    {/each}
  </dl>
  <p><a href="#/guide" onclick={() => (open = false)}>The guide: from a drop to a pickup</a></p>
</Modal>

<style>
  .list {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 8px 18px;
    align-items: center;
  }
  a {
    color: var(--teal);
    text-decoration: underline;
  }
  dd {
    color: var(--ink);
  }
</style>
