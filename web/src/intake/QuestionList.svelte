<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import type { Question } from '../lib/api/types';
  import { count } from '../lib/units';
  import type { IntakeStore } from './intake.svelte';
  import ParcelLine from './ParcelLine.svelte';
  import ReplyDialog from './ReplyDialog.svelte';
  import SumDialog from './SumDialog.svelte';
  import TableDialog from './TableDialog.svelte';
  import NumberField from '../lib/NumberField.svelte';

  /** What is open, with the answers there are; then what did not come in. */
  let { store }: { store: IntakeStore } = $props();
  const intake = $derived(store.intake!);
  let adding = $state(false);
  let replying = $state(false);
  let tempo = $state(120);
  /** Id of the table that is being told how to be read. */
  let table = $state<string>();

  const isShown = (question: Question) =>
    question.files.length === store.chosen.length && question.files.every((id) => store.chosen.includes(id));
</script>

<section aria-label="Questions" class:beside={store.files.length > 0}>
  <header>
    <h2>{store.questions.length ? count(store.questions.length, 'question') : 'No questions'}</h2>
    <div class="doings">
      {#if store.reference}<Button size="small" onclick={() => (adding = true)}>Does it add up?</Button>{/if}
      <Button size="small" onclick={() => (replying = true)}>Reply to the sender</Button>
    </div>
  </header>
  {#if intake.parcel}<ParcelLine parcel={intake.parcel} />{/if}
  {#if !store.questions.length}
    <p class="none">
      {#if intake.along?.taken}
        The session it was printed from is taken up again, with these files in it.
      {:else if intake.onto}
        Everything has its place. One press adds it to “{intake.onto.title}”; it can be changed there as well.
      {:else}
        Everything has its place. One press makes the session; it can be changed there as well.
      {/if}
    </p>
  {/if}
  <ul>
    {#each store.questions as question (question.kind + question.files.join())}
      <li class:shown={isShown(question)}>
        <button type="button" class="words" onclick={() => (store.chosen = question.files)}>{question.words}</button>
        <div class="answers">
          {#if question.kind === 'table'}
            <Button size="small" onclick={() => (table = question.files[0])}>Say what it is…</Button>
          {:else if question.kind === 'tempo'}
            <NumberField
              label="Quarters a minute"
              value={tempo}
              lowest={10}
              highest={999}
              onset={(typed) => (tempo = typed)}
            />
            <Button
              size="small"
              disabled={store.busy}
              onclick={() => void store.correct({ type: 'tempo', quartersAMinute: tempo })}>Count with it</Button
            >
          {/if}
          {#each question.answers as answer (answer.words)}
            <Button
              size="small"
              class={answer.safe ? 'border-(--teal)! text-(--teal)!' : undefined}
              disabled={store.busy}
              onclick={() => void store.correct(answer.correction)}>{answer.words}</Button
            >
          {:else}
            {#if question.kind !== 'tempo'}<span class="cap">for the sender to know</span>{/if}
          {/each}
        </div>
      </li>
    {/each}
  </ul>
  {#if intake.refused.length || intake.remarks.length || intake.missing.length}
    <h2>Not all came in</h2>
    <ul class="refused">
      {#each intake.refused as { file, reason }, i (i)}
        <li><span class="mono">{file}</span> <span class="badge rust">refused</span><br />{reason}</li>
      {/each}
      {#each intake.missing as name (name)}
        <li>
          <span class="mono">{name}</span> <span class="badge ochre">missing</span><br />Named by a list and not here.
          It can be dropped on the session later.
        </li>
      {/each}
      {#each intake.remarks as { file, reason }, i (i)}
        <li><span class="mono">{file}</span> <span class="badge ochre">noted</span><br />{reason}</li>
      {/each}
    </ul>
  {/if}
</section>
<SumDialog {store} bind:open={adding} />
<ReplyDialog {store} bind:open={replying} />
{#if table}<TableDialog {store} file={table} onclose={() => (table = undefined)} />{/if}

<style>
  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    margin: 8px 0 4px;
  }
  header h2 {
    margin: 0;
  }
  .doings {
    display: flex;
    gap: 6px;
  }
  section {
    flex: 0 1 auto;
    min-height: 0;
    overflow: auto;
    padding: 2px 16px 8px;
  }
  section.beside {
    flex: 0 1 42%;
  }
  .none {
    color: var(--ink2);
  }
  li {
    border-top: 1px solid var(--rule2);
    padding: 7px 0 8px;
  }
  li.shown {
    box-shadow: inset 3px 0 0 var(--ochre);
    padding-left: 9px;
    background: var(--ochre-wash);
  }
  .words {
    text-align: left;
    color: var(--ink);
    overflow-wrap: anywhere;
  }
  .answers {
    display: flex;
    gap: 6px;
    flex-wrap: wrap;
    margin-top: 5px;
  }
  .refused li {
    color: var(--ink2);
    overflow-wrap: anywhere;
  }
</style>
