<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Check from '../lib/controls/Check.svelte';
  import Field from '../lib/controls/Field.svelte';
  import Select from '../lib/controls/Select.svelte';
  import type { AudioRow, PlanRow, Print, Sides, Station } from '../lib/api/types';
  import NumberField from '../lib/NumberField.svelte';
  import { rules } from '../lib/catalogue/rules.svelte';
  import { effects } from '../lib/catalogue/effects.svelte';
  import { settings } from '../lib/signal/words';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { Levels } from '../lib/state/levels.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { barAndBeat } from '../lib/time/ticks';
  import { bytes, CHANNEL_WORDS, dbfs, minutes, signed } from '../lib/units';
  import RowWave from '../lib/waveform/RowWave.svelte';
  import { levelWord } from './level';
  import { CHANNELS } from './settingWords';
  import { STATIONS } from '../lib/signal/stations';
  import { column } from './stamping.svelte';

  /** The selected row: what stays in its sound, its channels, trim, files and level. */
  let {
    store,
    levels,
    session: sessions,
    row,
  }: { store: HandoffStore; levels: Levels; session: SessionStore; row: PlanRow } = $props();
  const plan = $derived(store.state!.plan);
  const handoff = $derived(store.state!.handoff);
  const settled = $derived(store.state!.settled);
  const session = $derived(sessions.session!);
  const prints = $derived(plan.prints.filter((print) => print.row === row.row));
  const edited = $derived(plan.edits.rows.some((each) => each.row === row.row));
  const source = $derived(session.rows.find((r) => r.id === row.row));
  const audio = $derived(source?.type === 'audio' ? (source as AudioRow) : undefined);
  const marks = [-30, -24, -18, -12, -6, 0];
  const place = $derived(row.peakDbfs === null ? 0 : Math.max(0, Math.min(1, (row.peakDbfs + 30) / 30)));

  const byHand = $derived(handoff.byRow[row.row] ?? {});
  const members = $derived(
    source?.type === 'bus' ? plan.rows.filter((each) => each === row || each.under.includes(row.row)) : [],
  );
  const alike = $derived(
    source && source.about.role !== 'other'
      ? plan.rows.filter((each) => session.rows.find((r) => r.id === each.row)?.about.role === source.about.role)
      : [],
  );
  const takes = $derived(audio && audio.takes.length > 1 ? audio.takes : []);
  function word(print: Print, field: HTMLInputElement) {
    const words = { ...byHand.words };
    const typed = field.value.trim();
    if (typed === wordOf(print)) return;
    words[print.station] = typed;
    void store.setRow(row.row, { words });
  }

  const usualWord = (print: Print) =>
    void store.setRow(row.row, {
      words: Object.fromEntries(Object.entries(byHand.words ?? {}).filter(([station]) => station !== print.station)),
    });
  /** The word as it stands in the name, as far as it can be told from outside. */
  const wordOf = (print: Print) => byHand.words?.[print.station] ?? '';

  function stampAll(rows: PlanRow[], station: Station) {
    const { changed, adding } = column(rows, station, store.chosen());
    void store.stamp(changed, adding);
  }

  const elsewhere = $derived([...levels.elsewhere(row.row)].sort((a, b) => order(a.station) - order(b.station)));
  const order = (station: Station) => STATIONS.findIndex((each) => each.station === station);

  /** ` in bar 14`, or the time while no tempo is known. */
  function where(frame: number | null): string {
    if (frame === null) return '';
    const at = frame / sessions.session!.rate;
    return sessions.tempo ? ` in bar ${barAndBeat(at, sessions.tempo).bar}` : ` at ${minutes(at)}`;
  }
</script>

<p class="cap">{row.kind === 'mix' ? 'MIX' : `ROW ${row.number}`}</p>
<h2>{row.name}</h2>
{#each store.state!.doubled.filter((each) => each.at === row.row) as { words } (words)}<p class="twice">
    {words}
  </p>{/each}
{#if audio}<div class="wave"><RowWave {session} row={audio} frames={sessions.frames} /></div>{/if}
{#if source?.strip.inserts.length && row.kind !== 'return'}
  <h3>What stays in the sound</h3>
  {#each source.strip.inserts as insert, i (i)}
    <label class="insert" class:faint={!insert.on || row.unknown.includes(insert.effect)}>
      <Check checked={row.kept[i]} onchange={() => void store.keep(row.row, i, !row.kept[i])} />
      <span>{effects.find(insert.effect)?.name ?? insert.effect}</span><span class="cap"
        >{settings(insert, effects.find(insert.effect), 1)}</span
      >
    </label>
  {/each}
  <p class="cap">Ticked inserts are in Shaped. This is kept with the handoff; the session stays as it is.</p>
{/if}
<h3>Channels</h3>
<div class="choice">
  <Select
    class="flex-1"
    aria-label="Channels of this row"
    value={byHand.sides ?? ''}
    onchange={(e) => void store.setRow(row.row, { sides: (e.currentTarget.value || null) as Sides | null })}
    ><option value="">as for all: {CHANNELS.find(([value]) => value === settled.sides)?.[1]}</option
    >{#each CHANNELS as [value, words] (value)}<option {value}>{words}</option>{/each}</Select
  >
  <span title={row.kind === 'bus' ? 'For this bus and all that feeds it' : 'For the files of this row'}
    ><NumberField
      label="Trim"
      value={byHand.trimDb ?? 0}
      unit="dB"
      {...rules.bounds('trimDb')}
      step={0.5}
      onset={(db) => void store.setRow(row.row, { trimDb: db === 0 ? null : db })}
    /></span
  >
</div>
<p class="evidence"><b>{CHANNEL_WORDS[row.channels]}</b> – {row.evidence}</p>
{#if takes.length}
  <h3>Takes at Raw</h3>
  {#each takes as take (take.id)}
    <label class="insert"
      ><Check
        checked={row.takes.includes(take.id)}
        onchange={() => void store.include(row.row, take.id, !row.takes.includes(take.id))}
      /><span>{take.name}</span>{#if take.id === audio!.active}<span class="cap">chosen in the session</span
        >{/if}</label
    >
  {/each}
{/if}
{#if members.length > 1}{@render many('This group and its members at', members)}{/if}
{#if alike.length > 1}{@render many(`All ${source!.about.role} at`, alike)}{/if}
<h3>Files from this row</h3>
{#if edited}
  <p class="cap">Raw goes out as edits: its recordings with {settled.handleSeconds} s beside each clip.</p>
{/if}
{#each prints as print (print.folder + print.file)}
  {@const level = levels.of(plan.prints.indexOf(print))}
  <p class="file">
    <span class="mono">{print.file}</span><span class="cap">{CHANNEL_WORDS[print.channels]} · {bytes(print.bytes)}</span
    >
  </p>
  <p class="cap heights" class:wrong={level && plan.depth !== 'float32' && (level.peakDbfs ?? -99) > 0}>
    {#if !level}{levels.failure ?? (levels.pending ? 'Measuring…' : 'Not measured')}
    {:else if level.peakDbfs === null}Silent all through: leave it out, unless its place matters.
    {:else}
      Loudest {dbfs(level.peakDbfs)}{where(levels.placeOf(plan.prints.indexOf(print)))}, true peak {signed(
        level.truePeakDbtp ?? level.peakDbfs,
      )} dBTP{level.loudnessLufs === null ? '' : `, ${signed(level.loudnessLufs)} LUFS`}
    {/if}
  </p>
  {#if print.source === print.row}<label class="word cap"
      >{STATIONS.find((each) => each.station === print.station)?.name}, word in the name
      <Field
        class="flex-1"
        value={wordOf(print)}
        placeholder="usual"
        maxlength="30"
        onchange={(e) => word(print, e.currentTarget)}
      />{#if byHand.words?.[print.station] !== undefined}<Button size="small" onclick={() => usualWord(print)}
          >usual</Button
        >{/if}</label
    >{/if}
{:else}
  {#if !edited}<p class="none">None. Click a station on its line to print it.</p>{/if}
{/each}
{#if elsewhere.length}
  <h3>If it were taken elsewhere</h3>
  <dl class="elsewhere">
    {#each elsewhere as { station, peakDbfs, loudnessLufs } (station)}
      <dt class="cap">{STATIONS.find((each) => each.station === station)?.name}</dt>
      <dd class="mono" class:wrong={plan.depth !== 'float32' && (peakDbfs ?? -99) > 0}>
        {peakDbfs === null ? 'silent' : dbfs(peakDbfs)}
      </dd>
      <dd class="mono">{loudnessLufs === null ? '' : `${signed(loudnessLufs)} LUFS`}</dd>
    {/each}
  </dl>
{/if}
{#if row.image !== null}
  <h3>Level at Raw</h3>
  <div class="level"><span class={levelWord(row.peakDbfs)} style="width:{place * 100}%"></span></div>
  <div class="marks mono">
    {#each marks as mark (mark)}<span>{mark === 0 ? '0' : `−${-mark}`}</span>{/each}
  </div>
  <p class="cap">{row.peakDbfs === null ? 'Silent all through.' : `Loudest sample ${dbfs(row.peakDbfs)}`}</p>
{/if}

{#snippet many(words: string, rows: PlanRow[])}
  <h3>{words}</h3>
  <div class="many">
    {#each STATIONS as each (each.station)}{#if rows.some((r) => r.stations.includes(each.station))}<Button
          size="small"
          onclick={() => stampAll(rows, each.station)}>{each.name}</Button
        >{/if}{/each}
  </div>
{/snippet}

<style>
  .twice {
    margin-bottom: 8px;
    padding: 5px 8px;
    border-radius: 4px;
    background: var(--ochre-wash);
    color: var(--ochre-ink);
  }
  .many {
    display: flex;
    flex-wrap: wrap;
    gap: 5px;
  }
  .word {
    display: flex;
    align-items: center;
    gap: 7px;
    padding-bottom: 6px;
    border-bottom: 1px solid var(--rule2);
  }
  .wave {
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  .insert {
    display: flex;
    align-items: center;
    gap: 8px;
    padding: 4px 0;
    border-bottom: 1px solid var(--rule2);
    cursor: pointer;
  }
  .insert .cap {
    margin-left: auto;
    white-space: nowrap;
  }
  .faint {
    opacity: 0.62;
  }
  .choice {
    display: flex;
    align-items: center;
    gap: 7px;
  }
  .evidence {
    margin-top: 6px;
  }
  .file {
    display: flex;
    justify-content: space-between;
    gap: 10px;
    padding: 4px 0;
  }
  .file .mono {
    overflow-wrap: anywhere;
  }
  .file .cap {
    white-space: nowrap;
  }
  .heights {
    padding-bottom: 5px;
  }
  .heights.wrong {
    color: var(--rust);
  }
  .none {
    color: var(--ink2);
  }
  .elsewhere {
    display: grid;
    grid-template-columns: auto auto 1fr;
    gap: 2px 14px;
    align-items: baseline;
    font-size: 12px;
  }
  .elsewhere dd {
    margin: 0;
  }
  .elsewhere .wrong {
    color: var(--rust);
  }
  .level {
    height: 10px;
    border-radius: 5px;
    background: var(--rule2);
    overflow: hidden;
  }
  .level span {
    display: block;
    height: 100%;
    border-radius: 5px;
  }
  .fine {
    background: var(--moss);
  }
  .hot,
  .low {
    background: var(--ochre);
  }
  .full {
    background: var(--rust);
  }
  .marks {
    display: flex;
    justify-content: space-between;
    font-size: 12px;
    color: var(--ink2);
    margin: 4px 0;
  }
</style>
