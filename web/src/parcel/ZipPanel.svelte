<script lang="ts">
  import { DownloadOutline } from 'flowbite-svelte-icons';
  import type { RunView } from '../lib/api/types';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { bytes, count } from '../lib/units';

  let { view, parcel }: { view: RunView; parcel: NonNullable<RunView['parcel']> } = $props();

  async function copy() {
    try {
      await navigator.clipboard.writeText(parcel.sha256);
      toasts.say('Checksum copied.');
    } catch {
      toasts.say(`The browser does not let pages copy here. The checksum is ${parcel.sha256}`, 'wrong');
    }
  }
</script>

<p class="cap">THE PARCEL</p>
<h2>{parcel.name}</h2>
<dl class="facts-list">
  <dt>Size</dt><dd class="mono">{bytes(parcel.bytes)}</dd>
  <dt>Holds</dt><dd class="mono">{count(view.files.length, 'file')}, sheet, checksums</dd>
  <dt>Packed</dt><dd class="mono">stored, not compressed</dd>
  <dt>SHA-256</dt><dd><button class="mono sum" title="Copy the whole checksum" onclick={copy}>{parcel.sha256.slice(0, 8)}…{parcel.sha256.slice(-6)}</button></dd>
</dl>
<a class="main-button download" href="/api/runs/{view.id}/parcel" download><DownloadOutline class="h-4 w-4" />Download the parcel</a>
<p class="cap note">A broken download can be resumed. On the other side, <span class="mono">sha256sum -c checksums.sha256</span> tells whether every file arrived whole.</p>

<style>
  .download { display: flex; align-items: center; justify-content: center; gap: 7px; margin-top: 18px; }
  .note { margin-top: 12px; font-stretch: 90%; }
  .note .mono { font-size: 11px; }
  .sum { cursor: pointer; text-decoration: underline dotted; }
</style>
