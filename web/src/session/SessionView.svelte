<script lang="ts">
  import { router } from 'svelte-spa-router';
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import Tabs from '../lib/chrome/Tabs.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { badges } from '../lib/chrome/badges';
  import { steps } from '../lib/chrome/steps';
  import { openHandoff, openSession } from '../lib/state/open';
  import { Turns } from '../lib/state/turns';
  import { ShownRun } from '../lib/state/shownRun.svelte';
  import { fromDrop } from '../sessions/dropped';
  import ArrivalHead from '../lib/arrivals/ArrivalHead.svelte';
  import type { Arrivals } from '../lib/arrivals/arrivals.svelte';
  import { addFiles, type Brought } from './addFiles';
  import { Editing } from './editing.svelte';
  import { keyboard } from './keyboard';
  import ClipPanel from './panel/ClipPanel.svelte';
  import ManyRows from './panel/ManyRows.svelte';
  import TempoPanel from './panel/TempoPanel.svelte';
  import OffersPanel from './OffersPanel.svelte';
  import RowPanel from './RowPanel.svelte';
  import SessionBar from './SessionBar.svelte';
  import SongPanel from './SongPanel.svelte';
  import Timeline from './Timeline.svelte';

  let { params }: { params: { id: string } } = $props();
  const store = $derived(openSession(params.id));
  const handoff = $derived(openHandoff(params.id));
  const editing = $derived(new Editing(store));
  // svelte-ignore state_referenced_locally
  const shown = new ShownRun(handoff, 'newest');
  let zoom = $state(0);
  let fit = $state(1);
  let pointed = $state<number>();
  let loop = $state<{ start: number; end: number }>();
  let playing = $state<number>();
  let timeline = $state<Timeline>();
  let bar = $state<SessionBar>();
  let over = $state(false);

  const session = $derived(store.session);
  const row = $derived(session && editing.single);

  // A row that another view points at.
  let asked = '';
  $effect(() => {
    const wanted = new URLSearchParams(router.querystring ?? '').get('row');
    if (session && timeline && wanted && wanted !== asked) {
      asked = wanted;
      editing.choose(wanted);
      timeline.show(wanted);
    }
  });

  let said = $state('');
  const keys = $derived(
    keyboard(editing, {
      get loop() {
        return loop;
      },
      set loop(to) {
        loop = to;
      },
      zoom: (by) => timeline?.zoomTo(by === 'whole' ? fit : zoom * by),
      listen: () => bar?.toggle(),
      located: () => {
        timeline?.reveal(editing.head);
        bar?.locate();
      },
      say: (words) => (said = words),
    }),
  );

  let arrivals = $state.raw<Arrivals<Brought>>();

  const turns = new Turns();

  /** One drop after the other. */
  function bringIn(files: File[], as: 'rows' | 'take' = 'rows') {
    const now = addFiles(editing, handoff, files, as);
    void turns.take(async () => {
      arrivals = now;
      await now.send();
      if (now.state === 'done') arrivals = undefined;
    });
  }

  async function ondrop(event: DragEvent) {
    over = false;
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    const { files } = await fromDrop(event.dataTransfer);
    if (files.length) bringIn(files);
  }

  function onkeydown(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    if (target.closest('input, select, textarea, [role=menu], dialog')) return;
    if (steps(event, store)) return;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === ' ' && target.closest('button:not([data-row]), a, [role="button"]')) return;
    const key = event.key === ' ' || !event.shiftKey ? event.key : `Shift ${event.key}`;
    const act = keys[key] ?? keys[event.key];
    if (!act) return;
    event.preventDefault();
    act();
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
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
      class="main"
      class:over
      ondragover={(e) => {
        if (e.dataTransfer?.types.includes('Files')) {
          e.preventDefault();
          over = true;
        }
      }}
      ondragleave={() => (over = false)}
      {ondrop}
    >
      <SessionBar
        bind:this={bar}
        {editing}
        {handoff}
        {zoom}
        {fit}
        {pointed}
        bind:loop
        bind:playing
        onzoom={(to) => timeline?.zoomTo(to)}
        onfiles={bringIn}
      />
      {#if arrivals}<section class="arriving" aria-label="Arriving files" aria-live="polite">
          <ArrivalHead {arrivals} onclose={() => (arrivals = undefined)} />
        </section>{/if}
      <Timeline
        bind:this={timeline}
        {editing}
        bind:zoom
        bind:fit
        bind:pointed
        bind:loop
        {playing}
        onlocate={() => bar?.locate()}
      />
    </div>
    <aside class="side" aria-label="Selected row and song">
      {#if editing.clips.length}<ClipPanel {editing} />{/if}
      {#if editing.rows.length > 1}<ManyRows {editing} />
        <hr />
      {:else if row}{#key row.id}<RowPanel {editing} {row} />{/key}
        <hr />{/if}
      {#if !row && editing.rows.length < 2}<OffersPanel {editing} />{/if}
      <SongPanel {store} />
      <hr />
      <TempoPanel {editing} />
      {#if !row}<p class="hint">
          Select a row to see its signal path. Double-click a name, or press Enter on it, to change it.
        </p>{/if}
    </aside>
  {/if}
</div>
<p class="sr-only" role="status">{said}</p>
<Keys
  keys={[
    ['Space', 'Listen, stop'],
    ['↑ ↓', 'Row above, row below; with Shift several, with Alt move the row'],
    ['Enter', 'Rename the row'],
    ['← →', 'Move the mark, or the chosen clips, by what Snap says'],
    ['Shift ← →', 'Go round from the mark to there'],
    ['Home End', 'Mark to the start, to the end'],
    ['C', 'Choose the next clip of the row; with Shift the one before'],
    ['E', 'What the arrows move of a clip: all of it, start, end, fades'],
    ['N', 'Mark to the next marker; with Shift to the one before'],
    ['X', 'Cut clips at the mark'],
    ['O', 'Join the chosen clips'],
    ['Delete', 'Remove the chosen clips'],
    ['+ −', 'Zoom in, zoom out'],
    ['0', 'Whole song'],
    ['Escape', 'Choose nothing'],
    ['Ctrl Z', 'Undo'],
    ['Ctrl Shift Z', 'Redo'],
  ]}
/>

<style>
  hr {
    border: 0;
    border-top: 1px solid var(--rule);
    margin: 18px -16px 14px;
  }
  .arriving {
    padding: 9px 14px;
    border-bottom: 1px solid var(--rule);
    background: var(--side);
  }
  .over {
    outline: 3px dashed var(--teal);
    outline-offset: -6px;
  }
  .hint {
    color: var(--ink2);
    margin-top: 18px;
  }
</style>
