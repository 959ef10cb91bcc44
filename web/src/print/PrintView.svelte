<script lang="ts">
  import { push } from 'svelte-spa-router';
  import type { AudioRow, RunView } from '../lib/api/types';
  import Header from '../lib/chrome/Header.svelte';
  import { badges } from '../lib/chrome/badges';
  import Keys from '../lib/chrome/Keys.svelte';
  import Tabs from '../lib/chrome/Tabs.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { openHandoff, openSession } from '../lib/state/open';
  import { ShownRun } from '../lib/state/shownRun.svelte';
  import { bytes, count, minutes } from '../lib/units';
  import EarlierRuns from './EarlierRuns.svelte';
  import FileLine from './FileLine.svelte';

  let { params }: { params: { id: string } } = $props();
  const session = $derived(openSession(params.id));
  const handoff = $derived(openHandoff(params.id));
  // svelte-ignore state_referenced_locally
  const shown = new ShownRun(handoff, 'newest');
  const run = $derived(shown.current);
  const view = $derived(run?.view);
  const written = $derived(view ? (view.frames ? view.detail.framesPrinted / view.frames : 1) : 0);
  const total = $derived(view?.files.reduce((sum, file) => sum + file.bytes, 0) ?? 0);

  function headline(v: RunView): string {
    switch (v.state) {
      case 'waiting': return 'Waiting for its turn';
      case 'printing': return `Printing ${count(v.files.length, 'file')}`;
      case 'proofing': return v.detail.filesRead < v.files.length ? `Reading back ${v.detail.filesRead} of ${v.files.length}` : 'Packing the parcel';
      case 'done': return `${count(v.files.length, 'file')} printed`;
      case 'failed': return 'This run failed';
      case 'cancelled': return 'Cancelled';
    }
  }

  async function again() {
    if (await handoff.print()) await push(`/s/${params.id}/print`);
  }
</script>

<svelte:head><title>Print · {session.session?.song.title ?? 'Apodex'}</title></svelte:head>
<Header store={session} right={view ? `Run ${view.number}` : ''} />
<Tabs sessionId={params.id} current="print" badges={badges(session, handoff, view)} />
<div class="view">
  {#if handoff.failure || run?.failure}
    <Failure words={handoff.failure ?? run?.failure ?? ''} retry={() => handoff.load()} />
  {:else if shown.none}
    <div class="main"><div class="empty">
      <h2>Nothing printed yet</h2>
      <p>Choose rows and a format in the plan; then print them all in one walk through the song.</p>
      <a class="main-button" href="#/s/{params.id}/plan">Go to the plan</a>
    </div></div>
  {:else if !view || !session.session}
    <Loading words="Looking for the run…" />
  {:else}
    <div class="main">
      <section class="overall {view.state}" aria-label="Progress" data-state={view.state}>
        <div class="words">
          <h2>{headline(view)}</h2>
          {#if view.failure}<p class="wrong">{view.failure}</p>{/if}
          {#if view.state === 'cancelled'}<p class="cap">What was printed of it was removed.</p>{/if}
        </div>
        <div class="figures">
          <div><span class="mono value">{Math.floor(view.progress * 100)} %</span><span class="cap">done</span></div>
          <div><span class="mono value">{view.detail.timesRealTime ? `${view.detail.timesRealTime.toFixed(0)}×` : '–'}</span><span class="cap">real time</span></div>
          <div><span class="mono value">{view.state === 'done' ? minutes(view.detail.secondsPrinted) : view.detail.secondsLeft === null ? '–' : minutes(view.detail.secondsLeft, 0)}</span><span class="cap">{view.state === 'done' ? 'to print' : 'left'}</span></div>
          <div><span class="mono value">{bytes(total)}</span><span class="cap">in all</span></div>
        </div>
        <div class="do">
          {#if run?.isOver}
            {#if view.state === 'done'}<a class="main-button" href="#/s/{params.id}/proof">See the proof</a>{:else}<button class="main-button" onclick={again}>Print again</button>{/if}
          {:else}
            <button class="plain" onclick={() => run?.cancel()}>Cancel</button>
          {/if}
        </div>
        <div class="track" role="progressbar" aria-valuenow={Math.round(view.progress * 100)} aria-valuemin="0" aria-valuemax="100" aria-label="All files"><span style="width:{view.progress * 100}%"></span></div>
      </section>
      <ul class="files" aria-label="Files">
        {#each view.files as file, i (file.name)}
          <FileLine
            {file} session={session.session} row={session.session.rows.find((r) => r.id === file.row && r.type === 'audio') as AudioRow | undefined}
            frames={view.frames} done={view.state === 'failed' || view.state === 'cancelled' ? 0 : written} picture={run && run.picturesCome >= 0 ? run.picture(i) : undefined}
          />
        {/each}
      </ul>
    </div>
    <aside class="side" aria-label="Runs"><EarlierRuns sessionId={params.id} runs={handoff.runs} shown={view.id} sessionRevision={session.state!.revision} /></aside>
  {/if}
</div>
<Keys keys={[['Tab', 'Next button or run']]} />

<style>
  .overall { flex: none; display: flex; align-items: center; gap: 26px; padding: 14px 16px 20px; border-bottom: 1px solid var(--rule); position: relative; flex-wrap: wrap; }
  h2 { font-size: 19px; font-weight: 700; }
  .done h2 { color: var(--moss-ink); }
  .failed h2, .wrong { color: var(--rust-ink); }
  .figures { display: flex; gap: 24px; margin-left: auto; }
  .figures div { display: flex; flex-direction: column; align-items: flex-end; }
  .value { font-size: 15px; }
  .track { position: absolute; left: 0; right: 0; bottom: 0; height: 7px; background: var(--rule2); }
  .track span { display: block; height: 100%; background: var(--teal); transition: width 0.2s linear; }
  .done .track span { background: var(--moss); }
  .failed .track span, .cancelled .track span { background: var(--rust); }
  .files { flex: 1; overflow-y: auto; min-height: 0; }
</style>
