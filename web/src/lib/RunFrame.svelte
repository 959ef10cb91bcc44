<script lang="ts">
  import Button from './controls/Button.svelte';
  import type { Snippet } from 'svelte';
  import type { RunView } from './api/types';
  import { badges } from './chrome/badges';
  import Header from './chrome/Header.svelte';
  import Keys from './chrome/Keys.svelte';
  import Tabs, { type TabName } from './chrome/Tabs.svelte';
  import Failure from './Failure.svelte';
  import Loading from './Loading.svelte';
  import type { HandoffStore } from './state/handoff.svelte';
  import { openHandoff, openSession } from './state/open';
  import type { RunStore } from './state/run.svelte';
  import type { SessionStore } from './state/session.svelte';
  import { ShownRun } from './state/shownRun.svelte';
  import { moment } from './units';

  /** A run with its session, once all of it is there. */
  interface Shown {
    run: RunStore;
    view: RunView;
    session: SessionStore;
    handoff: HandoffStore;
  }

  /** What the views of a run share: head, tabs, and what is shown while there is no run, or none yet. */
  let {
    sessionId,
    tab,
    which,
    title,
    none,
    keys,
    children,
  }: {
    sessionId: string;
    tab: TabName;
    which: 'newest' | 'newest done';
    title: string;
    none: { heading: string; words: string };
    keys: [string, string][];
    children: Snippet<[Shown]>;
  } = $props();

  const session = $derived(openSession(sessionId));
  const handoff = $derived(openHandoff(sessionId));
  // svelte-ignore state_referenced_locally
  const shown = new ShownRun(handoff, which);
  const run = $derived(shown.current);
  const view = $derived(run?.view);
</script>

<svelte:head><title>{title} · {session.session?.song.title ?? 'Apodex'}</title></svelte:head>
<Header store={session} right={view ? `Run ${view.number}, ${moment(view.createdAt)}` : ''} />
<Tabs {sessionId} current={tab} badges={badges(session, handoff, view)} />
<div class="view">
  {#if run?.failure || (handoff.failure && !handoff.runsKnown)}
    <Failure
      words={run?.failure ?? handoff.failure ?? ''}
      retry={() => {
        void handoff.load();
        if (run?.failure) void run.reload();
      }}
    />
  {:else if shown.none}
    <div class="main">
      <div class="empty">
        <h2>{none.heading}</h2>
        <p>{none.words}</p>
        <Button kind="main" href="#/s/{sessionId}/plan">Go to the plan</Button>
      </div>
    </div>
  {:else if !run || !view || !session.session}
    <Loading words="Looking for the run…" />
  {:else if which === 'newest done' && view.state !== 'done'}
    <div class="main">
      <div class="empty">
        <h2>This run is not done</h2>
        <p>It is {view.state}. {view.failure ?? ''}</p>
        <Button kind="main" href="#/s/{sessionId}/print?run={view.id}">See the run</Button>
      </div>
    </div>
  {:else}
    {@render children({ run, view, session, handoff })}
  {/if}
</div>
<Keys {keys} />
