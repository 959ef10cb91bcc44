<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Check from '../lib/controls/Check.svelte';
  import Select from '../lib/controls/Select.svelte';
  import { onDestroy } from 'svelte';
  import { PlaySolid, StopSolid } from 'flowbite-svelte-icons';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import { barAndBeat } from '../lib/time/ticks';
  import { minutes } from '../lib/units';
  import type { Editing } from './editing.svelte';
  import Meter from '../lib/listen/Meter.svelte';
  import { Player } from '../lib/listen/player.svelte';
  import { sliderOf, zoomOf } from './scale';
  import type { Snap } from './snap';
  import AddMenu from './AddMenu.svelte';

  let {
    editing,
    handoff,
    zoom,
    fit,
    pointed,
    loop = $bindable(),
    playing = $bindable(),
    onzoom,
    onfiles,
  }: {
    editing: Editing;
    handoff: HandoffStore;
    zoom: number;
    fit: number;
    pointed?: number;
    loop?: { start: number; end: number };
    playing?: number;
    onzoom: (pixelsPerSecond: number) => void;
    onfiles: (files: File[], as: 'rows' | 'take') => void;
  } = $props();
  const player = new Player();
  let alone = $state(false);
  const session = $derived(editing.session);
  const store = $derived(editing.store);
  const shown = $derived(pointed ?? (player.playing ? player.frame : editing.head) / session.rate);
  const where = $derived.by(() => {
    const at = store.tempo && barAndBeat(shown, store.tempo);
    return { bar: at ? `bar ${at.bar} · ${at.beat}` : '', time: minutes(shown, 3) };
  });

  $effect(() => {
    playing = player.playing ? player.frame : undefined;
  });
  onDestroy(() => player.stop());

  export function toggle() {
    if (player.playing) player.stop();
    else begin();
  }

  /** The place to listen from was set; what plays goes on from there. */
  export function locate() {
    if (player.playing) begin();
  }

  function begin() {
    const from = editing.head >= store.frames ? 0 : editing.head;
    void player.play(
      `/api/sessions/${store.id}/sound`,
      session.rate,
      from,
      loop,
      alone && editing.rows.length ? { rows: editing.rows.join(',') } : {},
    );
  }
</script>

<div class="bar">
  <Button kind="listen" onclick={toggle} disabled={store.frames === 0} title="Space"
    >{#if player.playing}<StopSolid class="h-4 w-4" />Stop{:else}<PlaySolid class="h-4 w-4" />Listen{/if}</Button
  >
  <label class="cap check"><Check bind:checked={alone} disabled={!editing.rows.length} /> only chosen</label>
  <span class="mono where">{where.bar}</span><span class="mono time" aria-live="off"
    >{where.time}{player.waiting ? ' · coming…' : ''}</span
  >
  <Meter peaks={player.peaks} held={player.held} />
  {#if loop}<Button size="small" title="Stop going round" onclick={() => (loop = undefined)}>loop ×</Button>{/if}
  <span class="gap" data-first-sound={player.firstSound?.toFixed(3)}></span>
  <AddMenu {editing} {handoff} {onfiles} />
  <label class="cap" for="snap">Snap</label>
  <Select id="snap" value={editing.snap} onchange={(e) => (editing.snap = e.currentTarget.value as Snap)}
    ><option value="bar">bar</option><option value="beat">beat</option><option value="off">off</option></Select
  >
  <Button size="small" onclick={() => onzoom(fit)} disabled={zoom <= fit * 1.001}>Whole song</Button>
  <label class="cap" for="zoom">Zoom</label>
  <input
    id="zoom"
    type="range"
    min="0"
    max="1"
    step="0.002"
    value={sliderOf(Math.max(zoom, fit), fit)}
    oninput={(e) => onzoom(zoomOf(Number(e.currentTarget.value), fit))}
  />
</div>

<style>
  .bar {
    height: 46px;
    flex: none;
    display: flex;
    align-items: center;
    gap: 9px;
    padding: 0 14px;
    border-bottom: 1px solid var(--rule);
    white-space: nowrap;
  }
  .check {
    display: flex;
    gap: 5px;
    align-items: center;
  }
  .where {
    font-size: 14px;
    min-width: 74px;
  }
  .time {
    color: var(--ink3);
    min-width: 66px;
  }
  .gap {
    flex: 1;
  }
  input[type='range'] {
    width: 84px;
    accent-color: var(--teal);
  }
</style>
