<script lang="ts">
  import { Toast } from 'flowbite-svelte';
  import { toasts } from './toasts.svelte';
</script>

<div class="stack" aria-live="polite">
  {#each toasts.list as message (message.id)}
    <Toast
      dismissable
      class="border border-(--rule) bg-(--sheet) text-(--ink) dark:bg-(--sheet) dark:text-(--ink) shadow-lg max-w-md"
      onclose={() => toasts.dismiss(message.id)}
    >
      <span class="mark {message.kind}" aria-hidden="true">{message.kind === 'good' ? '✓' : '!'}</span>
      {message.text}
      {#if message.href}<a class="way" href={message.href}>{message.link}</a>{/if}
    </Toast>
  {/each}
</div>

<style>
  .stack {
    position: fixed;
    right: 16px;
    bottom: 16px;
    z-index: 60;
    display: flex;
    flex-direction: column;
    gap: 8px;
  }
  .mark {
    display: inline-grid;
    place-items: center;
    width: 20px;
    height: 20px;
    border-radius: 5px;
    font-weight: 700;
    margin-right: 8px;
  }
  .mark.good {
    background: var(--teal-wash);
    color: var(--moss-ink);
  }
  .mark.wrong {
    background: var(--rust-wash);
    color: var(--rust-ink);
  }
  .way {
    margin-left: 10px;
    color: var(--teal);
    font-weight: 640;
    text-decoration: underline;
  }
</style>
