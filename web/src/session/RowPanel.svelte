<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import { effects } from '../lib/catalogue/effects.svelte';
  import { stopsOf } from '../lib/signal/stops';
  import SignalLine from '../lib/signal/SignalLine.svelte';
  import { KIND_WORDS } from '../lib/signal/tree';
  import type { Row } from '../lib/api/types';
  import { activeClips } from '../lib/waveform/clips';
  import { grouped, minutes } from '../lib/units';
  import type { Editing } from './editing.svelte';
  import AboutPanel from './panel/AboutPanel.svelte';
  import BroughtPanel from './panel/BroughtPanel.svelte';
  import InsertsEditor from './panel/InsertsEditor.svelte';
  import InstrumentPanel from './panel/InstrumentPanel.svelte';
  import RoutingPicture from './panel/RoutingPicture.svelte';
  import StripEditor from './panel/StripEditor.svelte';
  import TakesPanel from './panel/TakesPanel.svelte';

  let { editing, row }: { editing: Editing; row: Row } = $props();
  const session = $derived(editing.session);
  const number = $derived(session.rows.findIndex((r) => r.id === row.id) + 1);
  const clips = $derived(row.type === 'audio' ? activeClips(row) : []);
  const recordings = $derived(
    [...new Set(clips.map((clip) => clip.recording))].map((hash) => session.recordings.find((r) => r.sha256 === hash)!),
  );
  const stops = $derived(
    stopsOf(
      session,
      row,
      (id) => effects.find(id),
      (inserts) => void editing.setInserts(row, inserts),
    ),
  );

  function form(sample: string, channels: number): string {
    const bits = sample.replace(/\D+/g, '') + '-bit' + (sample.startsWith('float') ? ' float' : '');
    return `${bits}, ${channels === 1 ? 'mono' : channels === 2 ? 'stereo' : channels + ' channels'}`;
  }
</script>

<p class="cap">
  {row.type === 'mix' ? 'MIX' : `ROW ${number}${KIND_WORDS[row.type] ? `, ${KIND_WORDS[row.type].toUpperCase()}` : ''}`} ·
  SIGNAL PATH
</p>
<h2>{row.name}</h2>
{#if row.about.note}<p class="mono note">{row.about.note}</p>{/if}
<SignalLine {stops} />
{#if row.type !== 'mix'}
  <div class="do">
    <Button size="small" onclick={() => editing.duplicateRows()} disabled={row.type === 'part'}>Duplicate</Button>
    <Button size="small" onclick={() => editing.moveRowsBy(-1)} aria-label="Move the row up">↑</Button>
    <Button size="small" onclick={() => editing.moveRowsBy(1)} aria-label="Move the row down">↓</Button>
    <Button size="small" onclick={() => editing.removeRows()}>Remove</Button>
  </div>
{/if}
<RoutingPicture {session} {row} onchoose={(id) => editing.choose(id)} />
{#if row.type !== 'mix'}<h3>What it is</h3>
  <AboutPanel {editing} {row} />{/if}
{#if row.type === 'instrument'}<InstrumentPanel {editing} {row} />{/if}
<h3>Inserts</h3>
<InsertsEditor {editing} {row} inserts={row.strip.inserts} onset={(inserts) => void editing.setInserts(row, inserts)} />
{#if row.type === 'audio' || row.type === 'instrument' || row.type === 'part'}<BroughtPanel {editing} {row} />{/if}
<StripEditor {editing} {row} />
{#if row.type === 'audio'}
  <TakesPanel {editing} {row} />
  <h3>{recordings.length === 1 ? 'Recording' : 'Recordings'}</h3>
  {#if !clips.length}<p>No clip lies on this row.</p>{/if}
  {#each recordings as recording (recording.sha256)}
    <div class="recording">
      <p class="mono file">{recording.fileName}</p>
      <p class="cap">
        {form(recording.sample, recording.channels)} · {minutes(recording.frames / recording.rate)}
        {recording.timeReference === null ? ' · no time stamp' : ` · time stamp ${grouped(recording.timeReference)}`}
      </p>
    </div>
  {/each}
{/if}

<style>
  .recording {
    padding: 6px 0;
    border-bottom: 1px solid var(--rule2);
  }
  .file,
  .note {
    overflow-wrap: anywhere;
  }
  .note {
    color: var(--ink2);
    margin: -6px 0 8px;
  }
  .do {
    display: flex;
    gap: 6px;
    margin-top: 8px;
  }
</style>
