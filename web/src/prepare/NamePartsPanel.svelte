<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import Select from '../lib/controls/Select.svelte';
  import { Modal } from 'flowbite-svelte';
  import { dndzone, type DndEvent } from 'svelte-dnd-action';
  import type { NameStyle, Station } from '../lib/api/types';
  import { STATIONS } from '../lib/signal/stations';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import { ALL_PARTS, examples, PART_WORDS, placed, type Part } from './nameParts';

  /** What file names are made of, put in order by dragging, or with the arrow keys. */
  let { store, open = $bindable() }: { store: HandoffStore; open: boolean } = $props();
  const style = $derived(store.state!.settled.naming as NameStyle);
  const parts = $derived(style.parts ?? []);
  const spare = $derived(ALL_PARTS.filter((part) => !parts.includes(part)));
  const shown = $derived(examples(store.state!.plan.prints));
  /** As they lie while one is dragged. */
  let dragged = $state.raw<{ id: Part }[]>();
  const items = $derived(dragged ?? parts.map((id) => ({ id })));
  const SEPARATORS = { underscore: '_', hyphen: '-', blank: 'blank', spacedHyphen: ' - ' } as const;

  /** What is said while nobody says otherwise. */
  const WHAT_WORDS: Record<Station, string> = {
    raw: 'Dry, DI',
    shaped: 'Shaped, Amp',
    inserts: 'Wet',
    fader: 'Level',
    bus: 'via Bus',
    mix: 'via Mix',
  };

  const set = (change: Partial<NameStyle>) => void store.set({ naming: { ...style, ...change } });

  function say(station: Station, word: string) {
    const { [station]: before, ...others } = style.words ?? {};
    if (word.trim() !== (before ?? '')) set({ words: word.trim() ? { ...others, [station]: word.trim() } : others });
  }

  function drop({ detail }: CustomEvent<DndEvent<{ id: Part }>>) {
    dragged = undefined;
    set({ parts: detail.items.map(({ id }) => id) });
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
  <div
    class="chips"
    role="list"
    aria-label="Parts in order"
    use:dndzone={{ items, type: 'parts', flipDurationMs: 120, dropTargetStyle: {}, autoAriaDisabled: true }}
    onconsider={({ detail }) => (dragged = detail.items)}
    onfinalize={drop}
  >
    {#each items as { id: part }, i (part)}
      <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
      <span class="chip on" role="listitem" tabindex="0" onkeydown={(e) => onkeydown(e, part, i)}>
        {PART_WORDS[part]}<Button kind="tool" aria-label="Take out {PART_WORDS[part]}" onclick={() => out(part)}
          >×</Button
        >
      </span>
    {/each}
  </div>
  <div class="chips spare" role="group" aria-label="Parts to add">
    {#each spare as part (part)}<button class="chip" onclick={() => set({ parts: [...parts, part] })}
        >+ {PART_WORDS[part]}</button
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
  <div class="fields">
    <label
      >Numbers <Select
        value={style.numbers ?? 'session'}
        onchange={(e) => set({ numbers: e.currentTarget.value as NameStyle['numbers'] })}
        ><option value="session">as in the session</option><option value="folder">in each folder, without holes</option
        ></Select
      ></label
    >
    <label
      >A left side ends in <Field
        class="w-16!"
        value={style.left ?? '.L'}
        maxlength="12"
        onchange={(e) => set({ left: e.currentTarget.value })}
      /></label
    >
    <label
      >a right side in <Field
        class="w-16!"
        value={style.right ?? '.R'}
        maxlength="12"
        onchange={(e) => set({ right: e.currentTarget.value })}
      /></label
    >
  </div>
  <div class="fields words" role="group" aria-label="What files are called, by station">
    <span class="cap">Where a name needs a word for what it is, say</span>
    {#each STATIONS as { station, name } (station)}
      <label
        >{name}
        <Field
          class="w-27!"
          value={style.words?.[station] ?? ''}
          placeholder={WHAT_WORDS[station]}
          maxlength="30"
          onchange={(e) => say(station, e.currentTarget.value)}
        /></label
      >
    {/each}
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
    gap: 8px;
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
  .fields + .fields {
    margin-top: 10px;
  }
  .words .cap {
    width: 100%;
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
