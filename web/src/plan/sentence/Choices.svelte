<script lang="ts" generics="T extends string | number">
  import Button from '../../lib/controls/Button.svelte';
  /** One of several, as a list of radio buttons: arrows walk, a choice is taken at once. */
  let {
    label,
    options,
    value,
    onchoose,
    ondone,
    letGo,
  }: {
    label: string;
    options: readonly (readonly [T, string])[];
    value: T | undefined;
    onchoose: (value: T) => unknown;
    /** Somebody is through with it: chose with the mouse, or pressed Enter. */
    ondone: () => void;
    /** Gives up what was set by hand; left out where nothing was. */
    letGo?: (() => unknown) | undefined;
  } = $props();
  const name = $props.id();

  function focused(field: HTMLElement) {
    (field.querySelector<HTMLElement>('input:checked') ?? field.querySelector<HTMLElement>('input'))?.focus();
  }
</script>

<fieldset {@attach focused}>
  <legend class="cap">{label}</legend>
  {#each options as [each, words] (each)}
    <label
      ><input
        type="radio"
        {name}
        value={each}
        checked={each === value}
        onchange={() => onchoose(each)}
        onkeydown={(e) => {
          if (e.key === 'Enter') ondone();
        }}
        onclick={(e) => {
          if (e.detail > 0) ondone(); // arrow keys click too, without a button pressed
        }}
      />{words}</label
    >
  {/each}
  {#if letGo}<Button
      class="mt-1"
      size="small"
      onclick={() => {
        letGo();
        ondone();
      }}>As the brief has it</Button
    >{/if}
</fieldset>

<style>
  fieldset {
    display: grid;
    gap: 1px;
    border: 0;
  }
  legend {
    padding: 2px 6px 5px;
  }
  label {
    display: flex;
    align-items: center;
    gap: 8px;
    padding: 5px 6px;
    border-radius: 4px;
    cursor: pointer;
  }
  label:hover,
  label:focus-within {
    background: var(--teal-wash);
  }
</style>
