<script lang="ts">
  import type { Snippet } from 'svelte';
  import Header from '../lib/chrome/Header.svelte';

  /** A page before the house: what one has come for, and what it takes. */
  let { title, over, children }: { title: string; over: string; children: Snippet } = $props();
</script>

<svelte:head><title>{title} · Apodex</title></svelte:head>
<Header />
<main>
  <div class="card">
    <p class="cap">{over}</p>
    <h1><span class="tape">{title}</span></h1>
    {@render children()}
  </div>
</main>

<style>
  main {
    display: grid;
    place-content: start center;
    padding: 9vh 20px 40px;
    overflow-y: auto;
  }
  .card {
    width: min(430px, 92vw);
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-radius: 4px;
    box-shadow: 3px 4px 0 var(--band);
    padding: 22px 26px 26px;
  }
  h1 {
    font-size: 21px;
    font-weight: 720;
    margin: 6px 0 16px;
  }
  .tape {
    background: var(--tape);
    padding: 4px 14px;
  }
  .card :global(form) {
    display: grid;
    gap: 12px;
    margin: 14px 0;
  }
  .card :global(label) {
    display: grid;
    gap: 4px;
    color: var(--ink2);
    font-size: 12px;
  }
  .card :global(.wrong) {
    color: var(--red);
  }
</style>
