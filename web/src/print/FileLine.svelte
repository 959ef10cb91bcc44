<script lang="ts">
  import type { AudioRow, RunFile, Session } from '../lib/api/types';
  import { CHANNEL_WORDS, dbfs } from '../lib/units';
  import PictureWave from '../lib/waveform/PictureWave.svelte';
  import RowWave from '../lib/waveform/RowWave.svelte';

  let {
    file,
    session,
    row,
    frames,
    done,
    picture,
  }: {
    file: RunFile;
    session: Session;
    row?: AudioRow;
    frames: number;
    done: number;
    picture?: Int16Array;
  } = $props();
  const percent = $derived(Math.floor(done * 100));
</script>

<li>
  <span class="mono name" title={file.name}>{file.name}</span>
  <span class="wave">
    {#if picture}<PictureWave {picture} height={26} colour={file.reference ? 'rust' : 'ink'} />
    {:else if row}<RowWave {session} {row} {frames} height={26} {done} colour="teal" />
    {:else}<span class="bar"><span class:mix={file.reference} style="width:{done * 100}%"></span></span>{/if}
  </span>
  <span class="cap channels">{CHANNEL_WORDS[file.channels]}</span>
  <span class="mono state">{file.takenOver ? 'as it was' : file.sha256 ? dbfs(file.peakDbfs) : `${percent} %`}</span>
</li>

<style>
  li {
    display: grid;
    grid-template-columns: 230px 1fr 52px 96px;
    gap: 14px;
    align-items: center;
    padding: 0 16px;
    height: 34px;
    content-visibility: auto; /* of hundreds only those in sight are drawn */
    border-bottom: 1px solid var(--rule2);
  }
  .name {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .bar {
    display: block;
    height: 5px;
    border-radius: 3px;
    background: var(--rule2);
    overflow: hidden;
  }
  .bar span {
    display: block;
    height: 100%;
    background: var(--teal);
  }
  .bar span.mix {
    background: var(--rust);
  }
  .state {
    text-align: right;
    color: var(--ink2);
  }
</style>
