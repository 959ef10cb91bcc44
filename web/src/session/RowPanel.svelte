<script lang="ts">
  import { effects } from '../lib/catalogue/effects.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { stopsOf } from '../lib/signal/stops';
  import MovesLane from '../lib/signal/MovesLane.svelte';
  import SignalLine from '../lib/signal/SignalLine.svelte';
  import { KIND_WORDS } from '../lib/signal/tree';
  import type { Insert, Row } from '../lib/api/types';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { activeClips } from '../lib/waveform/clips';
  import { grouped, minutes, signed } from '../lib/units';

  let { store, row }: { store: SessionStore; row: Row } = $props();
  const session = $derived(store.session!);
  const number = $derived(session.rows.findIndex((r) => r.id === row.id) + 1);
  const clips = $derived(row.type === 'audio' ? activeClips(row) : []);
  const recordings = $derived([...new Set(clips.map((clip) => clip.recording))].map((hash) => session.recordings.find((r) => r.sha256 === hash)!));
  const stops = $derived(stopsOf(session, row, (id) => effects.find(id), keep));

  async function keep(inserts: Insert[]) {
    await quietly(() => store.edit({ type: 'setInserts', row: row.id, inserts }));
  }

  async function choose(take: string) {
    if (row.type === 'audio') {
      const takes = row.takes;
      await quietly(() => store.edit({ type: 'setTakes', row: row.id, takes, active: take }));
    }
  }

  async function quietly(edit: () => Promise<void>) {
    try {
      await edit();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  function form(sample: string, channels: number): string {
    const bits = sample.replace(/\D+/g, '') + '-bit' + (sample.startsWith('float') ? ' float' : '');
    return `${bits}, ${channels === 1 ? 'mono' : channels === 2 ? 'stereo' : channels + ' channels'}`;
  }
</script>

<p class="cap">{row.type === 'mix' ? 'MIX' : `ROW ${number}${KIND_WORDS[row.type] ? `, ${KIND_WORDS[row.type].toUpperCase()}` : ''}`} · SIGNAL PATH</p>
<h2>{row.name}</h2>
<SignalLine {stops} />
{#if row.strip.faderMoves.length}
  <h3>Fader moves</h3>
  <MovesLane moves={row.strip.faderMoves} frames={store.frames} lowest={-36} highest={6} label="Fader moves" />
{/if}
{#if row.strip.panMoves.length}
  <h3>Pan moves</h3>
  <MovesLane moves={row.strip.panMoves} frames={store.frames} lowest={-100} highest={100} label="Pan moves" />
{/if}
{#if row.type === 'audio'}
  {#if row.takes.length > 1}
    <h3>Takes</h3>
    {#each row.takes as take (take.id)}
      <label class="take"><input type="radio" name="take" checked={take.id === row.active} onchange={() => choose(take.id)} /> {take.name}<span class="cap">{take.clips.length} clips</span></label>
    {/each}
  {/if}
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
  {#each clips.filter((clip) => clip.gainDb !== 0) as clip, i (i)}
    {#if i === 0}<h3>Clip gain</h3>{/if}
    <p class="mono">{minutes(clip.position / session.rate)} {signed(clip.gainDb)} dB</p>
  {/each}
{/if}

<style>
  .recording { padding: 6px 0; border-bottom: 1px solid var(--rule2); }
  .file { overflow-wrap: anywhere; }
  .take { display: flex; gap: 8px; align-items: center; padding: 4px 0; }
  .take .cap { margin-left: auto; }
  .take input { accent-color: var(--teal); }
</style>
