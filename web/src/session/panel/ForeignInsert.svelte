<script lang="ts">
  import Button from '../../lib/controls/Button.svelte';
  import Field from '../../lib/controls/Field.svelte';
  import { rules } from '../../lib/catalogue/rules.svelte';
  import type { Insert } from '../../lib/api/types';

  /** Names an effect that Apodex does not have, and how it was set. */
  let { onadd, oncancel }: { onadd: (insert: Pick<Insert, 'effect' | 'said'>) => void; oncancel: () => void } =
    $props();
  let effect = $state('');
  let said = $state('');
  const isWhole = $derived(!!effect.trim() && !!said.trim());
</script>

<form
  onsubmit={(e) => {
    e.preventDefault();
    if (isWhole) onadd({ effect: effect.trim(), said: said.trim() });
  }}
>
  <label><span class="cap">Effect</span><Field maxlength={rules.longestName} bind:value={effect} /></label>
  <label
    ><span class="cap">How it was set, in words</span><textarea maxlength="2000" rows="3" bind:value={said}
    ></textarea></label
  >
  <div>
    <Button size="small" onclick={oncancel}>Cancel</Button>
    <Button size="small" kind="main" type="submit" disabled={!isWhole}>Add to the chain</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    gap: 6px;
    border: 1px solid var(--rule);
    border-radius: 5px;
    padding: 8px;
    margin-bottom: 5px;
  }
  label {
    display: grid;
    gap: 2px;
  }
  textarea {
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--paper);
    padding: 4px 6px;
    font-size: 13px;
  }
  div {
    display: flex;
    gap: 6px;
    justify-content: flex-end;
  }
</style>
