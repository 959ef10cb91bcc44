<script lang="ts">
  import Button from '../controls/Button.svelte';
  import { Progressbar } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import type { Arrivals } from './arrivals.svelte';

  /** How a drop stands, with what can be done about it. */
  let {
    arrivals,
    words = arrivals.words,
    onclose,
    children,
  }: {
    arrivals: Arrivals<{ refused: { file: string; reason: string }[] }>;
    words?: string;
    /** Stopped, or done with. */
    onclose: () => void;
    /** What there is to do once it is done. */
    children?: Snippet;
  } = $props();
  const under = $derived(arrivals.state === 'arriving' || arrivals.state === 'reading');

  function close() {
    arrivals.stop();
    onclose();
  }
</script>

<header>
  <h3 class:wrong={arrivals.state === 'failed' || arrivals.state === 'broken'}>{words}</h3>
  {#if arrivals.state === 'done'}{@render children?.()}{/if}
  {#if arrivals.state === 'broken'}<Button kind="main" onclick={() => void arrivals.send()}>Go on</Button>{/if}
  {#if arrivals.state !== 'done'}<Button onclick={close}>{arrivals.state === 'failed' ? 'Close' : 'Stop'}</Button>{/if}
</header>
{#if under}<Progressbar progress={Math.round(arrivals.share * 100)} size="h-1.5" color="primary" />{/if}

<style>
  header {
    display: flex;
    align-items: center;
    margin-bottom: 8px;
    gap: 12px;
  }
  h3 {
    flex: 1;
    font-size: 14px;
    font-weight: 660;
    overflow-wrap: anywhere;
  }
  h3.wrong {
    color: var(--rust-ink);
  }
</style>
