<script lang="ts">
  import type { AudioRow, Plan, PlanRow, Session } from '../lib/api/types';
  import { bytes, CHANNEL_WORDS, dbfs } from '../lib/units';
  import RowWave from '../lib/waveform/RowWave.svelte';
  import { levelWord } from './level';

  let { plan, row, session, frames }: { plan: Plan; row: PlanRow; session: Session; frames: number } = $props();
  const prints = $derived(plan.prints.filter((print) => print.row === row.row));
  const audio = $derived(session.rows.find((r) => r.id === row.row && r.type === 'audio') as AudioRow | undefined);
  const marks = [-30, -24, -18, -12, -6, 0];
  const position = $derived(row.peakDbfs === null ? 0 : Math.max(0, Math.min(1, (row.peakDbfs + 30) / 30)));
</script>

<p class="cap">{row.image === null ? 'MIX' : `ROW ${row.number}`}</p>
<h2>{row.name}</h2>
{#if audio}<div class="wave"><RowWave {session} row={audio} {frames} /></div>{/if}
<h3>Channels</h3>
<p><b>{CHANNEL_WORDS[row.channels]}</b> – {row.evidence}</p>
<h3>Files from this row</h3>
{#each prints as print (print.file)}
  <p class="file"><span class="mono">{print.file}</span><span class="cap">{CHANNEL_WORDS[print.channels]} · {bytes(print.bytes)}</span></p>
{:else}
  <p class="none">None. Click its station on the line to print it.</p>
{/each}
{#if audio}
  <h3>Level</h3>
  <div class="level"><span class={levelWord(row.peakDbfs)} style="width:{position * 100}%"></span></div>
  <div class="marks mono">{#each marks as mark (mark)}<span>{mark === 0 ? '0' : `−${-mark}`}</span>{/each}</div>
  <p class="cap">{row.peakDbfs === null ? 'Silent all through.' : `Loudest sample ${dbfs(row.peakDbfs)}`}</p>
{/if}

<style>
  .wave { background: var(--sheet); border: 1px solid var(--rule); }
  .file { display: flex; justify-content: space-between; gap: 10px; padding: 4px 0; }
  .file .mono { overflow-wrap: anywhere; }
  .file .cap { white-space: nowrap; }
  .none { color: var(--ink2); }
  .level { height: 10px; border-radius: 5px; background: var(--rule2); overflow: hidden; }
  .level span { display: block; height: 100%; border-radius: 5px; }
  .fine { background: var(--moss); }
  .hot, .low { background: var(--ochre); }
  .full { background: var(--rust); }
  .marks { display: flex; justify-content: space-between; font-size: 11px; color: var(--ink2); margin: 4px 0; }
</style>
