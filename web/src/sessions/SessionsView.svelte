<script lang="ts">
  import { onDestroy } from 'svelte';
  import { push } from 'svelte-spa-router';
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import client, { answer } from '../lib/api/client';
  import type { Arrived } from '../lib/api/types';
  import { Arrivals } from '../lib/arrivals/arrivals.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import ArrivalList, { type Examined } from './ArrivalList.svelte';
  import type { Dropped } from './dropped';
  import DropTarget from './DropTarget.svelte';
  import Shelf from './Shelf.svelte';
  import { ShelfStore } from './shelf.svelte';
  import TheWay from './TheWay.svelte';
  import WaitingIntakes from './WaitingIntakes.svelte';

  const shelf = new ShelfStore();
  let arrivals = $state.raw<Arrivals<Examined>>();

  function bringIn({ files, folder }: Dropped) {
    if (files.length === 0) return;
    arrivals = new Arrivals(files, (uploads, watch, refused) =>
      examine({ uploads, watch, refused, name: null, folder: folder ?? null, session: null, at: null }),
    );
    void arrivals.send();
  }

  /** What is open about it is asked in a view of its own, which whoever has not gone elsewhere meanwhile is taken to. */
  async function examine(body: Arrived): Promise<Examined> {
    const { id, intake } = await answer(client.POST('/api/intakes', { body }));
    if (here) void push(`/intake/${id}`);
    else toasts.say(`“${intake.title}” is examined.`, 'good', { href: `#/intake/${id}`, link: 'See what came' });
    return { id, refused: intake.refused };
  }

  let here = true;

  onDestroy(() => {
    here = false;
    shelf.close();
  });
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
        <WaitingIntakes waiting={shelf.waiting} />
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
