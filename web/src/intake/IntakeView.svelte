<script lang="ts">
  import { onDestroy } from 'svelte';
  import { push } from 'svelte-spa-router';
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import { steps } from '../lib/chrome/steps';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import FilePanel from './FilePanel.svelte';
  import FileTable from './FileTable.svelte';
  import { IntakeStore } from './intake.svelte';
  import IntakeBar from './IntakeBar.svelte';
  import QuestionList from './QuestionList.svelte';

  let { params }: { params: { id: string } } = $props();
  // svelte-ignore state_referenced_locally
  const store = new IntakeStore(params.id);
  onDestroy(() => store.close());

  async function make() {
    const made = await store.make();
    made?.words.forEach((words) => toasts.say(words));
    if (made) void push(`/s/${made.id}`);
  }

  function keys(event: KeyboardEvent) {
    if (!steps(event, store) && event.key === 'Escape') store.chosen = [];
  }
</script>

<svelte:head><title>Intake · {store.intake?.title ?? 'Apodex'}</title></svelte:head>
<svelte:window onkeydown={keys} />
<Header />
{#if store.intake && store.state}
  <IntakeBar {store} onmake={make} />
{/if}
<div class="view">
  {#if store.failure && !store.intake}
    <Failure words={store.failure} retry={store.load} />
  {:else if !store.intake}
    <Loading words="Opening what came…" />
  {:else}
    <div class="main"><FileTable {store} /></div>
    <aside class="side" aria-label="Questions and the chosen files">
      <QuestionList {store} />
      {#if store.files.length}<FilePanel {store} />{/if}
    </aside>
  {/if}
</div>
<Keys
  keys={[
    ['Tab', 'Next file, question or answer'],
    ['Space', 'Choose the file, beside those chosen'],
    ['Ctrl Z', 'Undo what was put right'],
    ['Ctrl Shift Z', 'Redo it'],
    ['Esc', 'Choose nothing'],
  ]}
/>

<style>
  .side {
    width: 388px;
    display: flex;
    flex-direction: column;
    padding: 0;
    overflow: hidden;
  }
  .main {
    overflow: hidden;
  }
</style>
