<script lang="ts">
  import { Input, Select } from 'flowbite-svelte';
  import type { AudioRow, Insert, PlanRow, Sides } from '../lib/api/types';
  import { effects } from '../lib/catalogue/effects.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { settings } from '../lib/signal/words';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { bytes, CHANNEL_WORDS, dbfs } from '../lib/units';
  import RowWave from '../lib/waveform/RowWave.svelte';
  import { levelWord } from './level';

  /** The selected row: what stays in its sound, its channels, trim, files and level. */
  let { store, session: sessions, row }: { store: HandoffStore; session: SessionStore; row: PlanRow } = $props();
  const plan = $derived(store.state!.plan);
  const handoff = $derived(store.state!.handoff);
  const session = $derived(sessions.session!);
  const prints = $derived(plan.prints.filter((print) => print.row === row.row));
  const source = $derived(session.rows.find((r) => r.id === row.row));
  const audio = $derived(source?.type === 'audio' ? (source as AudioRow) : undefined);
  const marks = [-30, -24, -18, -12, -6, 0];
  const place = $derived(row.peakDbfs === null ? 0 : Math.max(0, Math.min(1, (row.peakDbfs + 30) / 30)));
  const SIDES = [{ value: 'automatic', name: 'automatic' }, { value: 'mono', name: 'mono' }, { value: 'stereo', name: 'stereo' }, { value: 'twoMono', name: 'two mono files' }];
  const box = 'py-1! h-8! bg-(--sheet) dark:bg-(--paper) border-(--rule) dark:border-(--rule) text-(--ink) dark:text-(--ink)';

  async function keep(index: number) {
    const inserts: Insert[] = source!.strip.inserts.map((each, i) => (i === index ? { ...each, kept: !each.kept } : each));
    try {
      await sessions.edit({ type: 'setInserts', row: row.row, inserts });
      await store.load();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  function side(value: string) {
    const sides: Record<string, Sides> = { ...handoff.sides, [row.row]: value as Sides };
    if (value === 'automatic') delete sides[row.row];
    void store.set({ sides });
  }

  function trim(field: HTMLInputElement) {
    const db = Number(field.value.trim().replace('−', '-').replace(',', '.'));
    const trimsDb: Record<string, number> = { ...handoff.trimsDb };
    if (Number.isFinite(db) && db !== 0) trimsDb[row.row] = db;
    else delete trimsDb[row.row];
    field.value = String(trimsDb[row.row] ?? 0);
    void store.set({ trimsDb });
  }
</script>

<p class="cap">{row.kind === 'mix' ? 'MIX' : `ROW ${row.number}`}</p>
<h2>{row.name}</h2>
{#if audio}<div class="wave"><RowWave {session} row={audio} frames={sessions.frames} /></div>{/if}
{#if source?.strip.inserts.length && row.kind !== 'return'}
  <h3>What stays in the sound</h3>
  {#each source.strip.inserts as insert, i (i)}
    <label class="insert" class:faint={!insert.on || row.unknown.includes(insert.effect)}>
      <input type="checkbox" checked={insert.kept} onchange={() => keep(i)} />
      <span>{effects.find(insert.effect)?.name ?? insert.effect}</span><span class="cap">{settings(insert, effects.find(insert.effect), 1)}</span>
    </label>
  {/each}
  <p class="cap">Ticked inserts are in Shaped.</p>
{/if}
<h3>Channels</h3>
<div class="choice"><Select aria-label="Channels of this row" size="sm" items={SIDES} value={handoff.sides?.[row.row] ?? 'automatic'} placeholder="" onchange={(e) => side((e.currentTarget as HTMLSelectElement).value)} classes={{ select: box }} />
  <label class="cap" for="trim">Trim</label><span class="trim"><Input id="trim" size="sm" value={String(handoff.trimsDb?.[row.row] ?? 0)} title={row.kind === 'bus' ? 'For this bus and all that feeds it' : 'For the files of this row'} onchange={(e) => trim(e.currentTarget as HTMLInputElement)} class={box} /></span><span class="cap">dB</span></div>
<p class="evidence"><b>{CHANNEL_WORDS[row.channels]}</b> – {row.evidence}</p>
{#if row.kind === 'mix'}
  <label class="insert"><input type="checkbox" checked={handoff.listening ?? false} onchange={(e) => void store.set({ listening: e.currentTarget.checked })} /><span>An MP3 of the reference mix, to listen to</span></label>
{/if}
{#if row.kind === 'instrument'}
  <label class="insert"><input type="checkbox" checked={handoff.notes ?? true} onchange={(e) => void store.set({ notes: e.currentTarget.checked })} /><span>Notes as Standard MIDI Files</span></label>
{/if}
<h3>Files from this row</h3>
{#each prints as print (print.file)}
  <p class="file"><span class="mono">{print.file}</span><span class="cap">{CHANNEL_WORDS[print.channels]} · {bytes(print.bytes)}</span></p>
{:else}
  <p class="none">None. Click a station on its line to print it.</p>
{/each}
{#if row.image !== null}
  <h3>Level at Raw</h3>
  <div class="level"><span class={levelWord(row.peakDbfs)} style="width:{place * 100}%"></span></div>
  <div class="marks mono">{#each marks as mark (mark)}<span>{mark === 0 ? '0' : `−${-mark}`}</span>{/each}</div>
  <p class="cap">{row.peakDbfs === null ? 'Silent all through.' : `Loudest sample ${dbfs(row.peakDbfs)}`}</p>
{/if}

<style>
  .wave { background: var(--sheet); border: 1px solid var(--rule); }
  .insert { display: flex; align-items: center; gap: 8px; padding: 4px 0; border-bottom: 1px solid var(--rule2); cursor: pointer; }
  .insert .cap { margin-left: auto; white-space: nowrap; }
  .insert input { accent-color: var(--teal); width: 15px; height: 15px; }
  .faint { opacity: 0.62; }
  .choice { display: flex; align-items: center; gap: 7px; }
  .trim { width: 58px; flex: none; }
  .evidence { margin-top: 6px; }
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
