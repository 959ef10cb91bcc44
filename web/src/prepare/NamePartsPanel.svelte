<script lang="ts">
  import Field from '../lib/controls/Field.svelte';
  import Select from '../lib/controls/Select.svelte';
  import { Modal } from 'flowbite-svelte';
  import type { NameStyle } from '../lib/api/types';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import { ALL_PARTS, examples, PART_WORDS, placed, type Part } from './nameParts';

  /** What file names are made of, put in order by dragging, or with the arrow keys. */
  let { store, open = $bindable() }: { store: HandoffStore; open: boolean } = $props();
  const style = $derived(store.state!.settled.naming as NameStyle);
  const parts = $derived(style.parts ?? []);
  const spare = $derived(ALL_PARTS.filter((part) => !parts.includes(part)));
  const shown = $derived(examples(store.state!.plan.prints));
  let dragged = $state<Part>();
  let over = $state<number>();
  const SEPARATORS = { underscore: '_', hyphen: '-', blank: 'blank', spacedHyphen: ' - ' } as const;

  const set = (change: Partial<NameStyle>) => void store.set({ naming: { ...style, ...change } });

  function drop(at: number) {
    if (dragged) set({ parts: placed(parts, dragged, at) });
    dragged = over = undefined;
  }

  function out(part: Part) {
    const rest = parts.filter((each) => each !== part);
    if (rest.includes('row') || rest.includes('number')) set({ parts: rest });
  }

  function onkeydown(event: KeyboardEvent, part: Part, i: number) {
    if (event.key === 'ArrowLeft' && i > 0) set({ parts: placed(parts, part, i - 1) });
    else if (event.key === 'ArrowRight' && i < parts.length - 1) set({ parts: placed(parts, part, i + 2) });
    else if (event.key === 'Delete' || event.key === 'Backspace') out(part);
    else return;
    event.preventDefault();
  }
</script>

<Modal bind:open title="File names" size="md" class="parts-dialog">
  <p class="cap">Drag parts into order. Arrow keys move the part in focus, Delete takes it out.</p>
  <div class="chips" role="list" aria-label="Parts in order">
    {#each parts as part, i (part)}
      <span
        class="gap"
        class:over={over === i}
        role="presentation"
        ondragover={(e) => {
          e.preventDefault();
          over = i;
        }}
        ondrop={() => drop(i)}
      ></span>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
      <span
        class="chip on"
        role="listitem"
        tabindex="0"
        draggable="true"
        ondragstart={() => (dragged = part)}
        ondragover={(e) => {
          e.preventDefault();
          over = i;
        }}
        ondrop={() => drop(i)}
        onkeydown={(e) => onkeydown(e, part, i)}
      >
        {PART_WORDS[part]}<button aria-label="Take out {PART_WORDS[part]}" onclick={() => out(part)}>×</button>
      </span>
    {/each}
    <span
      class="gap last"
      class:over={over === parts.length}
      role="presentation"
      ondragover={(e) => {
        e.preventDefault();
        over = parts.length;
      }}
      ondrop={() => drop(parts.length)}
    ></span>
  </div>
  <div class="chips spare" role="group" aria-label="Parts to add">
    {#each spare as part (part)}<button
        class="chip"
        draggable="true"
        ondragstart={() => (dragged = part)}
        onclick={() => set({ parts: [...parts, part] })}>+ {PART_WORDS[part]}</button
      >{/each}
  </div>
  <div class="fields">
    <label
      >Between parts <Select
        value={style.separator ?? 'underscore'}
        onchange={(e) => set({ separator: e.currentTarget.value as NameStyle['separator'] })}
        >{#each Object.entries(SEPARATORS) as [value, words] (value)}<option {value}>{words}</option>{/each}</Select
      ></label
    >
    <label
      >Capitals <Select
        value={style.letters ?? 'asWritten'}
        onchange={(e) => set({ letters: e.currentTarget.value as NameStyle['letters'] })}
        ><option value="asWritten">as written</option><option value="lower">all small</option><option value="upper"
          >all capitals</option
        ></Select
      ></label
    >
    <label
      >Longest <Field
        class="w-16!"
        type="number"
        min="16"
        max="120"
        value={style.longest ?? 100}
        onchange={(e) =>
          set({ longest: Math.min(120, Math.max(16, Math.round(Number(e.currentTarget.value)) || 100)) })}
      /> letters</label
    >
    <label
      >Version <Field
        class="w-16!"
        value={style.version ?? 'v1'}
        maxlength="20"
        onchange={(e) => set({ version: e.currentTarget.value })}
      /></label
    >
  </div>
  <dl>
    <dt class="cap">The longest name</dt>
    <dd class="mono">{shown.longest}</dd>
    <dt class="cap">The oddest</dt>
    <dd class="mono">{shown.oddest}</dd>
  </dl>
</Modal>

<style>
  .chips {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    min-height: 40px;
    row-gap: 8px;
  }
  .gap {
    width: 10px;
    height: 30px;
    border-radius: 3px;
  }
  .gap.last {
    flex: 1;
  }
  .gap.over {
    background: var(--teal);
  }
  .chip {
    padding: 5px 11px;
    border: 1px solid var(--rule);
    border-radius: 5px;
    background: var(--sheet);
    color: var(--ink);
    cursor: grab;
  }
  .chip.on {
    border-color: var(--teal);
    background: var(--teal-wash);
    color: var(--teal);
    font-weight: 620;
  }
  .chip button {
    margin-left: 7px;
    cursor: pointer;
  }
  .spare {
    gap: 7px;
    margin: 4px 0 14px;
  }
  .fields {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 18px;
    align-items: center;
  }
  .fields label {
    display: flex;
    align-items: center;
    gap: 7px;
    color: var(--ink);
  }
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 7px 14px;
    margin-top: 16px;
    border-top: 1px solid var(--rule);
    padding-top: 12px;
  }
  dd {
    overflow-wrap: anywhere;
    color: var(--ink);
  }
</style>
