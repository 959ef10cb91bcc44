<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import { type Dropped, fromDrop, fromInput } from './dropped';

  let { onfiles, small, busy }: { onfiles: (dropped: Dropped) => void; small: boolean; busy: boolean } = $props();
  let over = $state(false);
  let files: HTMLInputElement;
  let folder: HTMLInputElement;

  async function ondrop(event: DragEvent) {
    event.preventDefault();
    over = false;
    if (!busy && event.dataTransfer) onfiles(await fromDrop(event.dataTransfer));
  }

  function chosen(input: HTMLInputElement) {
    onfiles(fromInput(input));
    input.value = '';
  }
</script>

<svelte:window ondragover={(e) => e.preventDefault()} {ondrop} />
<section
  class:over
  class:small
  aria-label="Bring recordings in"
  ondragenter={() => (over = true)}
  ondragover={(e) => {
    e.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
>
  <svg class="slots" viewBox="0 0 120 52" aria-hidden="true">
    <path d="M8 4v44" stroke="var(--ink)" stroke-width="2" />
    <path d="M8 12h86M8 26h54M8 40h70" stroke="var(--teal)" stroke-width="6" opacity="0.85" />
    <path d="M98 12h14M66 26h20M82 40h26" stroke="var(--clip-edge)" stroke-width="6" stroke-dasharray="3 3" />
  </svg>
  <div>
    <h2>Drop recordings, a folder or a zip</h2>
    <p>
      WAV, RF64, AIFF or FLAC become rows, placed by their time stamps. MIDI files, OpenTimelineIO, clip lists in CSV
      and saved sessions can come with them.
    </p>
  </div>
  <div class="ways">
    <Button kind="main" disabled={busy} onclick={() => files.click()}>Choose files</Button>
    <Button disabled={busy} onclick={() => folder.click()}>Choose a folder</Button>
  </div>
  <input bind:this={files} data-testid="files" type="file" multiple hidden onchange={() => chosen(files)} />
  <input bind:this={folder} type="file" webkitdirectory hidden onchange={() => chosen(folder)} />
</section>

<style>
  section {
    display: flex;
    align-items: center;
    gap: 26px;
    padding: 34px 30px;
    border: 2px dashed var(--clip-edge);
    border-radius: 10px;
    background: var(--paper);
    transition: background 0.15s;
  }
  section.small {
    padding: 14px 22px;
  }
  section.over {
    background: var(--teal-wash);
    border-color: var(--teal);
  }
  .slots {
    width: 120px;
    flex: none;
  }
  .small .slots {
    width: 66px;
  }
  h2 {
    font-size: 19px;
    font-weight: 700;
  }
  p {
    color: var(--ink2);
    margin-top: 3px;
  }
  .ways {
    margin-left: auto;
    display: flex;
    gap: 8px;
  }
</style>
