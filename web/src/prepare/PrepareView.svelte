<script lang="ts">
  import { onDestroy } from 'svelte';
  import { badges } from '../lib/chrome/badges';
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import Tabs from '../lib/chrome/Tabs.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { openFindings, openHandoff, openSession } from '../lib/state/open';
  import { ShownRun } from '../lib/state/shownRun.svelte';
  import { steps } from '../lib/chrome/steps';
  import FindingDetail from './FindingDetail.svelte';
  import FindingList from './FindingList.svelte';
  import NamePartsPanel from './NamePartsPanel.svelte';
  import { PART_WORDS } from './nameParts';
  import NamesTable from './NamesTable.svelte';

  let { params }: { params: { id: string } } = $props();
  const session = $derived(openSession(params.id));
  const handoff = $derived(openHandoff(params.id));
  const store = $derived(openFindings(params.id));
  // svelte-ignore state_referenced_locally
  const shown = new ShownRun(handoff, 'newest');
  // svelte-ignore state_referenced_locally
  store.looking = true;
  onDestroy(() => (store.looking = false));
  let selected = $state<string>();
  let naming = $state(false);

  const all = $derived([...store.open, ...store.left]);
  const found = $derived(all.find((each) => each.finding.key === selected) ?? store.open[0]);
  const parts = $derived((handoff.state?.settled.naming?.parts ?? []).map((part) => PART_WORDS[part]).join(' · '));
</script>

<svelte:head><title>Prepare · {session.session?.song.title ?? 'Apodex'}</title></svelte:head>
<svelte:window onkeydown={(event) => steps(event, session)} />
<Header store={session} edits />
<Tabs sessionId={params.id} current="prepare" badges={badges(session, handoff, shown.current?.view)} />
<div class="view">
  {#if (session.failure || store.failure) && !(session.session && store.report)}
    <Failure
      words={session.failure ?? store.failure ?? ''}
      retry={() => {
        void session.load();
        void store.load();
      }}
    />
  {:else if !session.session || !store.report}
    <Loading words="Looking the session over…" />
  {:else}
    <FindingList
      {store}
      rows={session.session.rows}
      bind:selected={() => found?.finding.key, (key) => (selected = key)}
    />
    <div class="main">
      {#if found}{#key found.finding.key}<FindingDetail
            {store}
            {session}
            {found}
            onleft={() => (selected = undefined)}
          />{/key}
      {:else}<p class="calm">
          <b>{store.report.unmeasured ? 'Nothing so far.' : 'This session is ready.'}</b>
          {store.report.unmeasured
            ? 'Recordings are still being read.'
            : 'Go on to the plan, or look at the names once more.'}
        </p>{/if}
      <NamesTable {store} {session} {handoff} {parts} onparts={() => (naming = true)} />
    </div>
  {/if}
</div>
{#if handoff.state}<NamePartsPanel store={handoff} bind:open={naming} />{/if}
<Keys
  keys={[
    ['↑ ↓', 'Finding above, finding below'],
    ['Enter', 'In a name: keep it, on to the next'],
    ['Tab', 'On to the next name'],
    ['Ctrl Z', 'Undo'],
    ['Ctrl Shift Z', 'Redo'],
  ]}
/>

<style>
  .calm {
    padding: 22px 18px;
    border-bottom: 2px solid var(--ink);
    color: var(--ink2);
  }
  .calm b {
    color: var(--moss-ink);
    font-size: 15px;
    margin-right: 6px;
  }
</style>
