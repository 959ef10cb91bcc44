<script lang="ts">
  import { DownloadOutline } from 'flowbite-svelte-icons';
  import Header from '../lib/chrome/Header.svelte';
  import { badges } from '../lib/chrome/badges';
  import Keys from '../lib/chrome/Keys.svelte';
  import Tabs from '../lib/chrome/Tabs.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { openHandoff, openSession } from '../lib/state/open';
  import { ShownRun } from '../lib/state/shownRun.svelte';
  import { bytes, count, moment } from '../lib/units';
  import Tree from './Tree.svelte';

  let { params }: { params: { id: string } } = $props();
  const session = $derived(openSession(params.id));
  const handoff = $derived(openHandoff(params.id));
  // svelte-ignore state_referenced_locally
  const shown = new ShownRun(handoff, 'newest done');
  const run = $derived(shown.current);
  const view = $derived(run?.view);
  let sheet = $state<{ run: string; text: string }>();

  $effect(() => {
    const id = view?.state === 'done' ? view.id : undefined;
    if (!id || sheet?.run === id) return;
    fetch(`/api/runs/${id}/sheet`)
      .then((response) => (response.ok ? response.text() : Promise.reject(new Error('The session sheet could not be fetched.'))))
      .then((text) => (sheet = { run: id, text }))
      .catch((thrown) => toasts.wrong(thrown));
  });

  async function copy(text: string) {
    await navigator.clipboard.writeText(text);
    toasts.say('Checksum copied.');
  }
</script>

<svelte:head><title>Parcel · {session.session?.song.title ?? 'Apodex'}</title></svelte:head>
<Header store={session} right={view ? `Run ${view.number}, ${moment(view.createdAt)}` : ''} />
<Tabs sessionId={params.id} current="parcel" badges={badges(session, handoff, view)} />
<div class="view">
  {#if handoff.failure || run?.failure}
    <Failure words={handoff.failure ?? run?.failure ?? ''} retry={() => handoff.load()} />
  {:else if shown.none}
    <div class="main"><div class="empty">
      <h2>No parcel yet</h2>
      <p>A parcel is packed as soon as a run is printed and read back: files in folders, a session sheet, checksums, one zip.</p>
      <a class="main-button" href="#/s/{params.id}/plan">Go to the plan</a>
    </div></div>
  {:else if !view?.parcel}
    <Loading words="Fetching the parcel…" />
  {:else}
    <div class="tree"><p class="cap">AS IT WILL ARRIVE</p><Tree zip={view.parcel.name} files={view.files} /></div>
    <div class="main desk">
      <article aria-label="Session sheet"><pre>{sheet?.text ?? 'Fetching the sheet…'}</pre></article>
    </div>
    <aside class="side" aria-label="The zip">
      <p class="cap">THE PARCEL</p>
      <h2>{view.parcel.name}</h2>
      <dl class="facts-list">
        <dt>Size</dt><dd class="mono">{bytes(view.parcel.bytes)}</dd>
        <dt>Holds</dt><dd class="mono">{count(view.files.length, 'file')}, sheet, checksums</dd>
        <dt>Packed</dt><dd class="mono">stored, not compressed</dd>
        <dt>SHA-256</dt><dd><button class="mono sum" title="Copy the whole checksum" onclick={() => copy(view.parcel!.sha256)}>{view.parcel.sha256.slice(0, 8)}…{view.parcel.sha256.slice(-6)}</button></dd>
      </dl>
      <a class="main-button download" href="/api/runs/{view.id}/parcel" download><DownloadOutline class="h-4 w-4" />Download the parcel</a>
      <p class="cap note">A broken download can be resumed. On the other side, <span class="mono">sha256sum -c checksums.sha256</span> tells whether every file arrived whole.</p>
    </aside>
  {/if}
</div>
<Keys keys={[['Tab', 'Next button']]} />

<style>
  .tree { width: 290px; flex: none; padding: 14px 16px; overflow: auto; border-right: 1px solid var(--rule); }
  .desk { background: var(--band); overflow: auto; display: block; padding: 22px; }
  article { background: var(--sheet); border: 1px solid var(--rule); box-shadow: 3px 4px 0 var(--rule2); padding: 26px 30px; max-width: 760px; margin: 0 auto; overflow-x: auto; }
  pre { font: 11.5px/1.55 'IBM Plex Mono', monospace; white-space: pre-wrap; overflow-wrap: anywhere; }
  .download { display: flex; align-items: center; justify-content: center; gap: 7px; margin-top: 18px; }
  .note { margin-top: 12px; font-stretch: 90%; }
  .note .mono { font-size: 11px; }
  .sum { cursor: pointer; text-decoration: underline dotted; }
</style>
