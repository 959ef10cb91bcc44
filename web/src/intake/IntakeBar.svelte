<script lang="ts">
  import { RedoOutline, UndoOutline } from 'flowbite-svelte-icons';
  import { push } from 'svelte-spa-router';
  import { rules } from '../lib/catalogue/rules.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import ConfirmDialog from '../lib/ConfirmDialog.svelte';
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import Select from '../lib/controls/Select.svelte';
  import { count, rate } from '../lib/units';
  import type { IntakeStore } from './intake.svelte';
  import { safe } from './layout';

  let { store, onmake }: { store: IntakeStore; onmake: () => Promise<void> } = $props();
  const intake = $derived(store.intake!);
  const putRight = $derived(safe(store.questions));
  const safeOnes = $derived(store.questions.filter(({ answers }) => answers.some((answer) => answer.safe)).length);
  const onto = $derived(intake.onto);
  let asking = $state(false);

  async function giveUp() {
    try {
      await store.giveUp();
      void push('/');
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }
</script>

<div class="bar">
  {#if onto}
    <p class="onto">For <b>{onto.title}</b></p>
  {:else}<Field
      class="w-44!"
      aria-label="Title of the session"
      maxlength={rules.longestName}
      value={intake.title}
      onchange={(e) => void store.correct({ type: 'titled', title: e.currentTarget.value })}
    />{/if}
  <p>
    <b>{count(intake.files.length, 'file')}</b> become <b>{count(store.state!.rows, onto ? 'new row' : 'row')}</b>
    {#if !onto}at {rate(intake.rate)}{/if}
  </p>
  <label
    ><span class="cap">Rows</span>
    <Select
      value={intake.order}
      onchange={(e) => void store.correct({ type: 'ordered', order: e.currentTarget.value as typeof intake.order })}
    >
      <option value="asNumbered">as numbered</option>
      <option value="byRole">by role</option>
      <option value="byName">by name</option>
      <option value="asTheyCame">as they came</option>
    </Select></label
  >
  <span class="spring"></span>
  <Button class="px-2!" disabled={!store.state!.canUndo || store.busy} onclick={store.undo} aria-label="Undo"
    ><UndoOutline class="h-4 w-4" /></Button
  >
  <Button class="px-2!" disabled={!store.state!.canRedo || store.busy} onclick={store.redo} aria-label="Redo"
    ><RedoOutline class="h-4 w-4" /></Button
  >
  {#if onto}
    <Button disabled={store.busy} onclick={() => void store.correct({ type: 'onItsOwn' })}>A session of its own</Button>
  {/if}
  <Button onclick={() => (asking = true)}>Give up…</Button>
  {#if putRight}
    <Button disabled={store.busy} onclick={() => void store.correct(putRight)}>All that is safe ({safeOnes})</Button>
  {/if}
  <Button kind="main" disabled={store.busy} onclick={onmake}>{onto ? 'Add to the session' : 'Make the session'}</Button>
</div>
<ConfirmDialog bind:open={asking} title="Give this intake up?" verb="Give it up" onconfirm={giveUp}>
  <p>
    Nothing of it {onto ? `comes into “${onto.title}”` : 'becomes a session'}. What came is removed from this computer;
    the files you dropped stay where they are.
  </p>
</ConfirmDialog>

<style>
  .bar {
    display: flex;
    align-items: center;
    gap: 8px;
    padding: 8px 16px;
    border-top: 1px solid var(--rule);
    background: var(--band);
  }
  p {
    color: var(--ink2);
    white-space: nowrap;
  }
  b {
    color: var(--ink);
    font-weight: 620;
  }
  label {
    display: flex;
    align-items: center;
    gap: 6px;
  }
  .spring {
    flex: 1;
  }
</style>
