<script lang="ts">
  import type { Snippet } from 'svelte';
  import Header from './Header.svelte';

  /** A page about the house rather than a session: a title on tape, and what there is below it. */
  let {
    title,
    called = title,
    over = '',
    children,
  }: {
    /** In the window's title. */
    title: string;
    /** On the page, where that is another. */
    called?: string;
    /** Small, above it. */
    over?: string;
    children: Snippet;
  } = $props();
</script>

<svelte:head><title>{title} · Apodex</title></svelte:head>
<Header />
<main>
  <div class="page">
    {#if over}<p class="cap">{over}</p>{/if}
    <h1><span class="tape">{called}</span></h1>
    {@render children()}
  </div>
</main>

<style>
  main {
    overflow-y: auto;
  }
  .page {
    max-width: 1060px;
    margin: 0 auto;
    padding: 26px 24px 40px;
  }
  h1 {
    font-size: 21px;
    font-weight: 720;
    margin: 4px 0 10px;
  }
  .tape {
    background: var(--tape);
    padding: 4px 14px;
  }
</style>
