<script lang="ts">
  import Header from '../lib/chrome/Header.svelte';
  import { badges } from '../lib/chrome/badges';
  import Keys from '../lib/chrome/Keys.svelte';
  import Tabs from '../lib/chrome/Tabs.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { openHandoff, openSession } from '../lib/state/open';
  import { ShownRun } from '../lib/state/shownRun.svelte';
  import { moment } from '../lib/units';
  import FilePanel from './FilePanel.svelte';
  import Lanes from './Lanes.svelte';

  let { params }: { params: { id: string } } = $props();
  const session = $derived(openSession(params.id));
  const handoff = $derived(openHandoff(params.id));
  // svelte-ignore state_referenced_locally
  const shown = new ShownRun(handoff, 'newest done');
  const run = $derived(shown.current);
  const view = $derived(run?.view);
  let selected = $state(0);
  const file = $derived(view?.files[Math.min(selected, view.files.length - 1)]);
  const words = { good: 'proved', look: 'to look at', wrong: 'wrong' } as const;

  function lookAt(files: string[]) {
    const at = view!.files.findIndex((f) => f.name === files[0]);
    if (at >= 0) selected = at;
  }
</script>

<svelte:head><title>Proof · {session.session?.song.title ?? 'Apodex'}</title></svelte:head>
<Header store={session} right={view ? `Run ${view.number}, ${moment(view.createdAt)}` : ''} />
<Tabs sessionId={params.id} current="proof" badges={badges(session, handoff, view)} />
<div class="view">
  {#if handoff.failure || run?.failure}
    <Failure words={handoff.failure ?? run?.failure ?? ''} retry={() => handoff.load()} />
  {:else if shown.none}
    <div class="main"><div class="empty">
      <h2>Nothing to prove yet</h2>
      <p>When a run is printed, every file is read back from the disk, and what was found stands here.</p>
      <a class="main-button" href="#/s/{params.id}/plan">Go to the plan</a>
    </div></div>
  {:else if !run || !view || !session.session}
    <Loading words="Fetching the proof…" />
  {:else if view.state !== 'done'}
    <div class="main"><div class="empty">
      <h2>This run is not proved</h2>
      <p>It is {view.state}. {view.failure ?? ''}</p>
      <a class="main-button" href="#/s/{params.id}/print?run={view.id}">See the run</a>
    </div></div>
  {:else}
    <div class="main">
      <ul class="verdicts" aria-label="Verdicts">
        {#each view.verdicts as verdict (verdict.headline)}
          <li class={verdict.grade}>
            {#if verdict.files.length}
              <button onclick={() => lookAt(verdict.files)} title={verdict.files.join('\n')}><b>{verdict.headline}</b></button>
            {:else}<b>{verdict.headline}</b>{/if}
            <span class="cap"><span class="sr-only">{words[verdict.grade]}: </span>{verdict.detail}</span>
          </li>
        {/each}
      </ul>
      <Lanes {run} tempo={session.tempo} bind:selected />
    </div>
    <aside class="side" aria-label="Selected file">{#if file}<FilePanel run={view} {file} sessionId={params.id} />{/if}</aside>
  {/if}
</div>
<Keys keys={[['↑ ↓', 'File above, file below'], ['Tab', 'From the verdicts to the files']]} />

<style>
  .verdicts { flex: none; display: flex; gap: 8px 28px; padding: 12px 18px 11px; border-bottom: 1px solid var(--rule); flex-wrap: wrap; }
  li { display: flex; flex-direction: column; max-width: 250px; }
  b { font-size: 19px; font-weight: 720; font-stretch: 96%; }
  button { text-align: left; cursor: pointer; }
  button:hover { text-decoration: underline; }
  .good b { color: var(--moss-ink); }
  .look b { color: var(--ochre-ink); }
  .wrong b { color: var(--rust-ink); }
</style>
