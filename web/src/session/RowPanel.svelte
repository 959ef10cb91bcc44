<script lang="ts">
  import type { Row, Session } from '../lib/api/types';
  import SignalLine from '../lib/signal/SignalLine.svelte';
  import { count, grouped, minutes, signed } from '../lib/units';

  let { session, row }: { session: Session; row: Row } = $props();
  const number = $derived(session.rows.findIndex((r) => r.id === row.id) + 1);
  const clips = $derived(row.type === 'audio' ? row.clips : []);
  const recordings = $derived([...new Set(clips.map((clip) => clip.recording))].map((hash) => session.recordings.find((r) => r.sha256 === hash)!));
  const end = $derived(Math.max(0, ...clips.map((clip) => clip.position + clip.frames)));
  const start = $derived(Math.min(...clips.map((clip) => clip.position)));
  const touched = $derived(clips.filter((clip) => clip.gainDb !== 0).length);
  const stops = $derived(row.type === 'mix'
    ? [{ name: 'Sum', words: `${session.rows.length - 1} rows at unity` }, { name: 'Fader', words: 'the reference mix' }]
    : [
        { name: 'Clips', words: clips.length ? count(clips.length, 'clip') + (touched ? `, ${touched} with gain` : '') : 'none' },
        { name: 'Mix', words: 'at unity, centred' },
      ]);

  function form(sample: string, channels: number): string {
    const bits = sample.replace(/\D+/g, '') + '-bit' + (sample.startsWith('float') ? ' float' : '');
    return `${bits}, ${channels === 1 ? 'mono' : channels === 2 ? 'stereo' : channels + ' channels'}`;
  }
</script>

<p class="cap">{row.type === 'mix' ? 'MIX' : `ROW ${number}`} · SIGNAL PATH</p>
<h2>{row.name}</h2>
<SignalLine {stops} />
{#if row.type === 'audio'}
  <h3>Where it sounds</h3>
  {#if clips.length}
    <p class="mono">{minutes(start / session.rate)} – {minutes(end / session.rate)}</p>
  {:else}
    <p>No clip lies on this row.</p>
  {/if}
  <h3>{recordings.length === 1 ? 'Recording' : 'Recordings'}</h3>
  {#each recordings as recording (recording.sha256)}
    <div class="recording">
      <p class="mono file">{recording.fileName}</p>
      <p class="cap">
        {form(recording.sample, recording.channels)} · {minutes(recording.frames / recording.rate)}
        {recording.timeReference === null ? ' · no time stamp' : ` · time stamp ${grouped(recording.timeReference)}`}
      </p>
    </div>
  {/each}
  {#if touched}
    <h3>Clip gain</h3>
    {#each clips.filter((clip) => clip.gainDb !== 0) as clip, i (i)}
      <p class="mono">{minutes(clip.position / session.rate)} {signed(clip.gainDb)} dB</p>
    {/each}
  {/if}
{/if}

<style>
  .recording { padding: 6px 0; border-bottom: 1px solid var(--rule2); }
  .file { overflow-wrap: anywhere; }
</style>
