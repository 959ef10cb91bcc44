<script lang="ts">
  import Button from './controls/Button.svelte';
  import { Modal } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import { toasts } from './chrome/toasts.svelte';

  /** Asks before something that cannot be undone. What goes is said inside. */
  let {
    open = $bindable(),
    title,
    verb,
    onconfirm,
    children,
  }: {
    open: boolean;
    title: string;
    /** On the button: what is done. */
    verb: string;
    onconfirm: () => Promise<void>;
    children: Snippet;
  } = $props();
  let busy = $state(false);

  async function confirm() {
    busy = true;
    try {
      await onconfirm();
      open = false;
    } catch (thrown) {
      toasts.wrong(thrown);
    } finally {
      busy = false;
    }
  }
</script>

<Modal bind:open {title} size="sm" role="alertdialog" class="confirm-dialog">
  <div class="words">{@render children()}</div>
  <div class="row">
    <Button onclick={() => (open = false)}>Keep it</Button>
    <Button kind="danger" disabled={busy} onclick={confirm}>{busy ? 'Removing…' : verb}</Button>
  </div>
</Modal>

<style>
  .words {
    display: grid;
    gap: 8px;
    color: var(--ink);
  }
  .row {
    display: flex;
    justify-content: flex-end;
    gap: 8px;
    margin-top: 4px;
  }
</style>
