<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { onDestroy, untrack } from 'svelte';
  import { push, router } from 'svelte-spa-router';
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import Tabs from '../lib/chrome/Tabs.svelte';
  import Hint from '../lib/Hint.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { badges } from '../lib/chrome/badges';
  import { Levels } from '../lib/state/levels.svelte';
  import { openHandoff, openSession } from '../lib/state/open';
  import { ShownRun } from '../lib/state/shownRun.svelte';
  import { nesting } from '../lib/signal/tree';
  import { bytes, count, minutes } from '../lib/units';
  import { soundFiles } from './extras';
  import { foretold } from './foretold';
  import FileList from './FileList.svelte';
  import Grid from './Grid.svelte';
  import PlanBar, { type Face } from './PlanBar.svelte';
  import PlanPanel from './PlanPanel.svelte';

  let { params }: { params: { id: string } } = $props();
  const session = $derived(openSession(params.id));
  const store = $derived(openHandoff(params.id));
  // svelte-ignore state_referenced_locally
  const shown = new ShownRun(store, 'newest');
  let selected = $state<string | undefined>(new URLSearchParams(router.querystring ?? '').get('row') ?? undefined);
  let starting = $state(false);
  let face = $state<Face>('rows');

  const plan = $derived(store.state?.plan);
  const row = $derived(plan?.rows.find((r) => r.row === selected) ?? plan?.rows[0]);
  const sounds = $derived(plan ? soundFiles(plan) : []);
  const mono = $derived(sounds.filter((file) => file.channels === 1).length);
  const loss = $derived(store.state?.loss);
  /** Under their buses as far as the receiver's order has them there. */
  const nested = $derived.by(() => {
    const rows = new Map(session.session?.rows.map((each) => [each.id, each]));
    return nesting(plan?.rows.flatMap((each) => rows.get(each.row) ?? []) ?? []);
  });
  const roles = $derived(
    new Map((session.session?.rows ?? []).map((r) => [r.id, r.about.role === 'other' ? '' : r.about.role])),
  );
  const seconds = $derived(plan ? plan.sections.reduce((sum, section) => sum + section.frames, 0) / plan.rate : 0);
  const estimate = $derived(store.state?.estimate);
  const tooBig = $derived(!!estimate && estimate.bytes > estimate.bytesFree);
  // svelte-ignore state_referenced_locally
  const levels = new Levels(store);
  const over = $derived(levels.over);
  /** As long and as large as the files will be, once every one has been looked at. */
  const exact = $derived(levels.exact);
  const tail = $derived(exact ? exact.seconds.reduce((sum, each) => sum + each, 0) - seconds : (plan?.ringsOut ?? 0));
  const tailWords = $derived(
    tail < 0.05 ? '' : exact ? ` with ${tail.toFixed(1)} s tail` : ` + about ${tail.toFixed(0)} s tail`,
  );
  const length = $derived(
    plan
      ? (plan.sections.length > 1 ? `${plan.sections.length} sections, together ` : '') +
          minutes(exact ? seconds + tail : seconds) +
          tailWords
      : '',
  );
  const silent = $derived(
    plan ? levels.silent.map((print) => plan.prints[print]!).filter((print) => print.row !== 'mix') : [],
  );
  /** A tenth of a dB is as fine as anybody turns. */
  const down = $derived(Math.ceil(over.db * 10) / 10);

  /** Changes when what is planned does. */
  const planned = $derived(
    store.state && `${store.id} ${store.state.revision} ${store.state.sessionRevision} ${store.runs[0]?.id}`,
  );
  $effect(() => {
    if (planned) untrack(() => levels.follow());
    return () => levels.stop();
  });
  onDestroy(() => levels.close());

  let version = $state('');
  const since = $derived(store.since);
  const unchanged = $derived(since?.number ? since.same : 0);

  const runsKnown = $derived(store.runsKnown);
  $effect(() => {
    if (planned && runsKnown) untrack(() => void store.loadSince());
  });

  async function print(everything: boolean) {
    starting = true;
    const run = await store.print({ version, everything });
    starting = false;
    if (run) await push(`/s/${params.id}/print`);
  }

  function onkeydown(event: KeyboardEvent) {
    if ((event.target as HTMLElement).closest('input, select')) return;
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      event.preventDefault();
      void store.undo();
    }
  }
</script>

<svelte:head><title>Plan · {session.session?.song.title ?? 'Apodex'}</title></svelte:head>
<svelte:window {onkeydown} />
<Header store={session} right={store.state ? `For: ${store.state.handoff.name}` : ''} />
<Tabs sessionId={params.id} current="plan" badges={badges(session, store, shown.current?.view)} />
<div class="view">
  {#if (store.failure || session.failure) && !(plan && session.session)}
    <Failure
      words={store.failure ?? session.failure ?? ''}
      retry={() => {
        void store.load();
        void session.load();
      }}
    />
  {:else if !plan || !session.session}
    <Loading words="Measuring the rows…" />
  {:else}
    <div class="main">
      <PlanBar {store} {session} bind:face />
      {#if face === 'rows'}<Grid {store} {levels} {nested} {roles} bind:selected />
      {:else}<FileList {store} {levels} {session} bind:selected />{/if}
      <footer>
        <span class="big"
          >{count(sounds.length, 'file')}<span class="cap">{mono} mono · {sounds.length - mono} stereo</span></span
        >
        <span class="big"
          >{bytes(exact?.bytes ?? plan.bytes)}<span class="cap">{plan.sections.length > 1 ? '' : 'each '}{length}</span
          ></span
        >
        {#if estimate}<span class="big"
            ><Hint words="From the button to the parcel, by what this machine’s last runs took"
              >{foretold(estimate)}</Hint
            ><span class="cap" class:wrong={tooBig}
              >{tooBig
                ? `needs ${bytes(estimate.bytes)} of ${bytes(estimate.bytesFree)} free`
                : `${bytes(estimate.bytesFree)} free`}</span
            ></span
          >
        {/if}
        {#if store.state!.doubled.length}<Hint
            class="badge ochre"
            words={store.state!.doubled.map((each) => each.words).join(' ')}
            >{count(store.state!.doubled.length, 'doubling')}</Hint
          >{/if}
        {#if over.count}
          <Button
            onclick={() => void store.turn(-down)}
            title="{count(
              over.count,
              'file',
            )} would be held at full scale. This brings all files of the handoff down, so that their balance stays; the session sheet says so. A row’s trim brings down one of them; 32-bit float holds all as they are."
            ><b class="over">{over.count} over</b>, all down {down.toFixed(1)} dB</Button
          >
        {/if}
        {#if silent.length}
          <Button
            onclick={() =>
              void store.stamp(
                silent.map(({ row, station }) => ({ row, station })),
                false,
              )}
            title="{silent.map((print) => print.file).join(', ')}: not one sample differs from silence."
            ><b class="over">{silent.length} silent</b>, leave out</Button
          >
        {/if}
        {#if loss}<Hint class="badge ochre" words={loss}>{loss}</Hint>{/if}
        <Button class="ml-auto" onclick={() => store.undo()} disabled={!store.canUndo}>Undo</Button>
        <label class="cap version"
          >as <Field
            class="w-14!"
            aria-label="Version"
            bind:value={version}
            maxlength="30"
            placeholder="v{(store.runs[0]?.number ?? 0) + 1}"
          /></label
        >
        {#if unchanged}<Button
            onclick={() => print(true)}
            disabled={starting || tooBig}
            title="Print what has not changed as well">All again</Button
          >{/if}
        <Button
          kind="main"
          title={unchanged && !since!.fresh.length ? 'Nothing changed since the last run' : undefined}
          onclick={() => print(false)}
          disabled={starting || sounds.length === 0 || tooBig}
        >
          {!sounds.length
            ? 'Choose a row to print'
            : !unchanged
              ? `Print ${count(sounds.length, 'file')}`
              : since!.fresh.length
                ? `Print ${since!.fresh.length} changed`
                : `Take over all ${count(sounds.length, 'file')}`}
        </Button>
      </footer>
    </div>
    <aside class="side" aria-label="Selected row">
      {#if row}<PlanPanel {store} {levels} {session} {row} />{/if}
    </aside>
  {/if}
</div>
<Keys
  keys={[
    ['↑ ↓ ← →', 'Walk the grid'],
    ['Enter', 'Print the row there, or not'],
    ['Alt ↑ ↓', 'Move the row in the receiver’s order'],
    ['F2', 'Name a file, in the list of files'],
    ['Ctrl Z', 'Undo'],
  ]}
/>

<style>
  .over {
    color: var(--rust-ink);
  }
  footer {
    height: 56px;
    flex: none;
    border-top: 2px solid var(--ink);
    display: flex;
    align-items: center;
    gap: 16px;
    padding: 0 16px;
  }
  .big {
    font-size: 15.5px;
    font-weight: 680;
    white-space: nowrap;
    display: flex;
    flex-direction: column;
    line-height: 1.15;
  }
  footer > * {
    flex: none;
  }
  footer > :global(.badge) {
    flex: 0 1 auto;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .wrong {
    color: var(--rust-ink);
    font-weight: 640;
  }
  .version {
    display: flex;
    align-items: center;
    gap: 5px;
  }
</style>
