<script lang="ts">
  import client, { answer } from '../lib/api/client';
  import type { ShelfEntry } from '../lib/api/types';
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { Arrivals } from './arrivals.svelte';
  import ArrivalList from './ArrivalList.svelte';
  import DropTarget from './DropTarget.svelte';
  import Shelf from './Shelf.svelte';
  import TheWay from './TheWay.svelte';

  let shelf = $state.raw<ShelfEntry[]>();
  let failure = $state<string>();
  let arrivals = $state<Arrivals>();

  async function load() {
    try {
      shelf = await answer(client.GET('/api/sessions'));
      failure = undefined;
    } catch (thrown) {
      failure = (thrown as Error).message;
    }
  }

  function bringIn(files: File[]) {
    if (files.length === 0) return;
    arrivals = new Arrivals(files, load);
    arrivals.send();
  }

  function stop() {
    arrivals?.cancel();
    arrivals = undefined;
  }

  void load();
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
      {#if arrivals}<ArrivalList {arrivals} onstop={stop} />{/if}
      {#if failure}
        <Failure words={failure} retry={load} />
      {:else if !shelf}
        <Loading words="Looking at the shelf…" />
      {:else}
        <Shelf entries={shelf} />
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
