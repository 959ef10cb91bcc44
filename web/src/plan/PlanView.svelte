<script lang="ts">
  import { push } from 'svelte-spa-router';
  import type { Depth } from '../lib/api/types';
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import Tabs from '../lib/chrome/Tabs.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { badges } from '../lib/chrome/badges';
  import { openHandoff, openSession } from '../lib/state/open';
  import { ShownRun } from '../lib/state/shownRun.svelte';
  import { depths } from '../lib/signal/tree';
  import { bytes, count, DEPTH_WORDS, minutes } from '../lib/units';
  import Grid from './Grid.svelte';
  import PlanBar from './PlanBar.svelte';
  import PlanPanel from './PlanPanel.svelte';

  let { params }: { params: { id: string } } = $props();
  const session = $derived(openSession(params.id));
  const store = $derived(openHandoff(params.id));
  // svelte-ignore state_referenced_locally
  const shown = new ShownRun(store, 'newest');
  let selected = $state<string>();
  let starting = $state(false);
  const DEPTHS: Depth[] = ['int16', 'int24', 'int32', 'float32'];

  const plan = $derived(store.state?.plan);
  const row = $derived(plan?.rows.find((r) => r.row === selected) ?? plan?.rows[0]);
  const mono = $derived(plan?.prints.filter((print) => print.channels === 1).length ?? 0);
  const lossy = $derived(!!plan && plan.depth !== plan.ownDepth && DEPTHS.indexOf(plan.depth) < DEPTHS.indexOf(plan.ownDepth));
  const depth = $derived(depths(session.session?.rows ?? []));
  const length = $derived(plan ? minutes(plan.frames / plan.rate) + (plan.ringsOut > 0 ? `, and until all is quiet (about ${plan.ringsOut.toFixed(1)} s)` : '') : '');

  async function print() {
    starting = true;
    const run = await store.print();
    starting = false;
    if (run) await push(`/s/${params.id}/print`);
  }

  function onkeydown(event: KeyboardEvent) {
    if ((event.target as HTMLElement).closest('input, select')) return;
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      event.preventDefault();
      void store.undoChoice();
    }
  }
</script>

<svelte:head><title>Plan · {session.session?.song.title ?? 'Apodex'}</title></svelte:head>
<svelte:window {onkeydown} />
<Header store={session} right={store.state ? `For: ${store.state.handoff.name}` : ''} />
<Tabs sessionId={params.id} current="plan" badges={badges(session, store, shown.current?.view)} />
<div class="view">
  {#if (store.failure || session.failure) && !(plan && session.session)}
    <Failure words={store.failure ?? session.failure ?? ''} retry={() => { void store.load(); void session.load(); }} />
  {:else if !plan || !session.session}
    <Loading words="Measuring the rows…" />
  {:else}
    <div class="main">
      <PlanBar {store} />
      <Grid {store} {depth} bind:selected />
      <footer>
        <span class="big">{count(plan.prints.length, 'file')}<span class="cap">{mono} mono · {plan.prints.length - mono} stereo</span></span>
        <span class="big">{bytes(plan.bytes)}<span class="cap">each {length}</span></span>
        {#if lossy}<span class="badge ochre">{DEPTH_WORDS[plan.depth]} is less than the recordings have{plan.depth === 'int16' ? '; dither is added' : ''}</span>{/if}
        {#if plan.notes.length}<span class="cap">with {count(plan.notes.length, 'file')} of notes</span>{/if}
        <button class="plain undo" onclick={() => store.undoChoice()} disabled={!store.canUndo}>Undo choice</button>
        <button class="main-button" onclick={print} disabled={starting || plan.prints.length === 0}>
          {plan.prints.length ? `Print ${count(plan.prints.length, 'file')}` : 'Choose a row to print'}
        </button>
      </footer>
    </div>
    <aside class="side" aria-label="Selected row">
      {#if row}<PlanPanel {store} {session} {row} />{/if}
    </aside>
  {/if}
</div>
<Keys keys={[['↑ ↓ ← →', 'Walk the grid'], ['Enter', 'Print the row there, or not'], ['Ctrl Z', 'Undo the last choice']]} />

<style>
  footer { height: 56px; flex: none; border-top: 2px solid var(--ink); display: flex; align-items: center; gap: 20px; padding: 0 16px; }
  .big { font-size: 15.5px; font-weight: 680; white-space: nowrap; }
  .big .cap { margin-left: 6px; }
  footer .undo { margin-left: auto; }
</style>
