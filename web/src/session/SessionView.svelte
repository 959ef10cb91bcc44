<script lang="ts">
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import Tabs from '../lib/chrome/Tabs.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { badges } from '../lib/chrome/badges';
  import { steps } from '../lib/chrome/steps';
  import { openHandoff, openSession } from '../lib/state/open';
  import { ShownRun } from '../lib/state/shownRun.svelte';
  import { barAndBeat } from '../lib/time/ticks';
  import { minutes } from '../lib/units';
  import RowPanel from './RowPanel.svelte';
  import { sliderOf, zoomOf } from './scale';
  import SongPanel from './SongPanel.svelte';
  import Timeline from './Timeline.svelte';

  let { params }: { params: { id: string } } = $props();
  const store = $derived(openSession(params.id));
  const handoff = $derived(openHandoff(params.id));
  // svelte-ignore state_referenced_locally
  const shown = new ShownRun(handoff, 'newest');
  let selected = $state<string>();
  let zoom = $state(0);
  let fit = $state(1);
  let pointed = $state<number>();
  let timeline = $state<Timeline>();

  const session = $derived(store.session);
  const row = $derived(session?.rows.find((r) => r.id === selected));
  const where = $derived.by(() => {
    if (pointed === undefined) return undefined;
    const at = store.tempo && barAndBeat(pointed, store.tempo);
    return { bar: at ? `bar ${at.bar} · ${at.beat}` : '', time: minutes(pointed, 3) };
  });

  function onkeydown(event: KeyboardEvent) {
    if ((event.target as HTMLElement).closest('input, select, textarea')) return;
    if (steps(event, store)) return;
    if (event.key === '+' || event.key === '=') timeline?.zoomTo(zoom * 1.5);
    else if (event.key === '-') timeline?.zoomTo(zoom / 1.5);
    else if (event.key === '0') timeline?.zoomTo(fit);
    else if (event.key === 'Escape') selected = undefined;
  }
</script>

<svelte:head><title>{session?.song.title ?? 'Session'} · Apodex</title></svelte:head>
<svelte:window {onkeydown} />
<Header {store} edits />
<Tabs sessionId={params.id} current="session" badges={badges(store, handoff, shown.current?.view)} />
<div class="view">
  {#if store.failure && !session}
    <Failure words={store.failure} retry={() => store.load()} />
  {:else if !session}
    <Loading words="Opening the session…" />
  {:else}
    <div class="main">
      <div class="bar">
        <span class="mono where">{where?.bar}</span><span class="mono time">{where?.time ?? 'point at the timeline to read its place'}</span>
        <button class="plain" onclick={() => timeline?.zoomTo(fit)} disabled={zoom <= fit * 1.001}>Whole song</button>
        <label class="cap" for="zoom">Zoom</label>
        <input id="zoom" type="range" min="0" max="1" step="0.002" value={sliderOf(Math.max(zoom, fit), fit)} oninput={(e) => timeline?.zoomTo(zoomOf(Number(e.currentTarget.value), fit))} />
      </div>
      <Timeline bind:this={timeline} {store} bind:selected bind:zoom bind:fit bind:pointed />
    </div>
    <aside class="side" aria-label="Selected row and song">
      {#if row}
        <RowPanel {store} {row} />
        <hr />
      {/if}
      <SongPanel {store} />
      {#if !row}<p class="hint">Select a row to see its signal path. Double-click a name, or press Enter on it, to change it.</p>{/if}
    </aside>
  {/if}
</div>
<Keys keys={[['↑ ↓', 'Row above, row below'], ['Enter', 'Rename the row'], ['Escape', 'Leave the name as it was; select nothing'], ['+ −', 'Zoom in, zoom out'], ['0', 'Whole song'], ['Ctrl Z', 'Undo'], ['Ctrl Shift Z', 'Redo']]} />

<style>
  .bar { height: 46px; flex: none; display: flex; align-items: center; gap: 10px; padding: 0 16px; border-bottom: 1px solid var(--rule); }
  .where { font-size: 15px; }
  .time { color: var(--ink3); margin-right: auto; }
  input[type='range'] { width: 130px; accent-color: var(--teal); }
  hr { border: 0; border-top: 1px solid var(--rule); margin: 18px -16px 14px; }
  .hint { color: var(--ink2); margin-top: 18px; }
</style>
