<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import { DownloadOutline } from 'flowbite-svelte-icons';
  import type { RunView } from '../lib/api/types';
  import { copy } from '../lib/copy';
  import { download } from '../lib/download';
  import FileName from '../lib/FileName.svelte';
  import { bytes, count } from '../lib/units';

  let { view }: { view: RunView } = $props();
  const parcels = $derived(view.parcels.filter((parcel) => !parcel.changesSince));
  /** Only what is new since the version before, where that is less. */
  const changes = $derived(view.parcels.findIndex((parcel) => parcel.changesSince));
</script>

<p class="cap">THE PARCEL</p>
<h2>
  {#if parcels.length === 1}<FileName name={parcels[0]!.name} />{:else}{view.version}, in {count(
      parcels.length,
      'zip',
    )}{/if}
</h2>
{#each parcels as parcel, part (parcel.name)}
  {#if parcels.length > 1}<h3><FileName name={parcel.name} /></h3>{/if}
  <dl class="facts-list">
    <dt>Size</dt>
    <dd class="mono">{bytes(parcel.bytes)}</dd>
    {#if parcels.length === 1}<dt>Holds</dt>
      <dd class="mono">{count(view.files.length + view.edits, 'file')}, sheet, checksums</dd>
      <dt>Packed</dt>
      <dd class="mono">stored, not compressed</dd>{/if}
    <dt>SHA-256</dt>
    <dd>
      {#if parcel.sha256}
        {@const sum = parcel.sha256}
        <button class="mono sum" title="Copy the whole checksum" onclick={() => copy('Checksum', sum)}
          >{sum.slice(0, 8)}…{sum.slice(-6)}</button
        >
      {:else}<span class="cap">being taken…</span>{/if}
    </dd>
  </dl>
  <Button kind="main" class="mt-3 w-full" href="/api/runs/{view.id}/parcel?part={part}" download="" onclick={download}
    ><DownloadOutline class="h-4 w-4" />{parcels.length === 1
      ? 'Download the parcel'
      : `Download ${part + 1} of ${parcels.length}`}</Button
  >
{/each}
{#if changes >= 0}
  {@const since = view.parcels[changes]!}
  <Button class="mt-2 w-full" href="/api/runs/{view.id}/parcel?part={changes}" download="" onclick={download}
    ><DownloadOutline class="h-4 w-4" />Only what changed since {since.changesSince}, {bytes(since.bytes)}</Button
  >
{/if}
<p class="cap note">
  A broken download can be resumed. <span class="mono">sha256sum -c checksums.sha256</span> tells whether every file arrived
  whole.
</p>

<style>
  .note {
    margin-top: 10px;
    font-stretch: 90%;
  }
  .note .mono {
    font-size: 12px;
  }
  .sum {
    cursor: pointer;
    text-decoration: underline dotted;
  }
</style>
