<script lang="ts">
  import ConfirmDialog from '../lib/ConfirmDialog.svelte';
  import type { ShelfEntry } from '../lib/api/types';
  import { bytes, count } from '../lib/units';
  import ShelfCard from './ShelfCard.svelte';
  import type { ShelfStore } from './shelf.svelte';

  let { shelf }: { shelf: ShelfStore } = $props();
  const entries = $derived(shelf.entries!);
  let leaving = $state<ShelfEntry>();
  let asking = $state(false);
</script>

{#if entries.length === 0}
  <div class="empty">
    <h2>The shelf is empty</h2>
    <p>
      Drop the recordings of a song above. What comes in is kept as it is; whatever you plan and print later never
      changes it.
    </p>
  </div>
{:else}
  <h2 class="cap">
    On the shelf <a class="free" href="#/space">{bytes(shelf.free)} left on the disk · space and bin</a>
  </h2>
  <ul>
    {#each entries as entry (entry.id)}
      <ShelfCard
        {entry}
        {shelf}
        onremove={() => {
          leaving = entry;
          asking = true;
        }}
      />
    {/each}
  </ul>
{/if}
{#if leaving}
  <ConfirmDialog
    bind:open={asking}
    title="Remove “{leaving.title}”?"
    verb="Remove the session"
    onconfirm={() => shelf.remove(leaving!.id)}
  >
    <p>
      The session goes into the bin for a month, with its history, {count(leaving.rowCount, 'row')}, its plans{leaving.parcels
        ? `, ${count(leaving.parcels, 'parcel')} (${bytes(leaving.printedBytes)}) and their pickup links, which open nothing from now on`
        : ''}.
    </p>
    <p>
      Until then it can be brought back from <a href="#/space">the bin</a>; its recordings ({bytes(
        leaving.recordingBytes,
      )}) go with it, except those that other sessions use.
    </p>
  </ConfirmDialog>
{/if}

<style>
  h2 {
    margin: 26px 0 10px;
  }
  .free {
    margin-left: 10px;
    font-weight: 400;
    text-transform: none;
    letter-spacing: 0;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(310px, 1fr));
    gap: 16px;
  }
</style>
