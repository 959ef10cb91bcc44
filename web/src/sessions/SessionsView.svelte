<script lang="ts">
  import { onDestroy } from 'svelte';
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import client, { answer } from '../lib/api/client';
  import type { Imported } from '../lib/api/types';
  import { Arrivals } from '../lib/arrivals/arrivals.svelte';
  import ArrivalList from './ArrivalList.svelte';
  import type { Dropped } from './dropped';
  import DropTarget from './DropTarget.svelte';
  import Shelf from './Shelf.svelte';
  import { ShelfStore } from './shelf.svelte';
  import TheWay from './TheWay.svelte';

  const shelf = new ShelfStore();
  let arrivals = $state.raw<Arrivals<Imported>>();

  function bringIn({ files, folder }: Dropped) {
    if (files.length === 0) return;
    arrivals = new Arrivals(files, (uploads, watch) => makeSession(uploads, watch, folder));
    void arrivals.send();
  }

  async function makeSession(uploads: string[], watch: string, folder?: string) {
    const body = { uploads, watch, name: null, folder: folder ?? null };
    const made = await answer(client.POST('/api/sessions/import/arrived', { body }));
    void shelf.load();
    return made;
  }

  onDestroy(() => shelf.close());
</script>

<svelte:head><title>Sessions · Apodex</title></svelte:head>
<Header />
<div class="view">
  <div class="main">
    <div class="page">
      <DropTarget
        onfiles={bringIn}
        small={!!arrivals}
        busy={arrivals?.state === 'arriving' || arrivals?.state === 'reading'}
      />
      {#if arrivals}<ArrivalList {arrivals} onclose={() => (arrivals = undefined)} />{/if}
      {#if shelf.failure}
        <Failure words={shelf.failure} retry={shelf.load} />
      {:else if !shelf.entries}
        <Loading words="Looking at the shelf…" />
      {:else}
        <Shelf {shelf} />
        <TheWay />
      {/if}
    </div>
  </div>
</div>
<Keys
  keys={[
    ['Tab', 'Next session, or the drop field'],
    ['Enter', 'Open the session, or choose files'],
  ]}
/>

<style>
  .page {
    max-width: 1060px;
    width: 100%;
    margin: 0 auto;
    padding: 26px 24px 40px;
    overflow: visible;
  }
  .main {
    overflow: auto;
  }
</style>
