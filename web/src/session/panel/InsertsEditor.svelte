<script lang="ts">
  import Button from '../../lib/controls/Button.svelte';
  import Check from '../../lib/controls/Check.svelte';
  import Select from '../../lib/controls/Select.svelte';
  import type { Effect, Insert, Row } from '../../lib/api/types';
  import { effects } from '../../lib/catalogue/effects.svelte';
  import type { Editing } from '../editing.svelte';
  import NumberField from '../../lib/NumberField.svelte';
  import ForeignInsert from './ForeignInsert.svelte';

  /** A chain of inserts: add, order, switch off, keep, set; copied to other rows. */
  let {
    editing,
    row,
    inserts,
    onset,
    keys = true,
  }: { editing: Editing; row: Row; inserts: Insert[]; onset: (inserts: Insert[]) => void; keys?: boolean } = $props();
  /** Stands for one that is none of the house's. */
  const FOREIGN = '+';
  let open = $state<number>();
  let naming = $state(false);
  const others = $derived(editing.session.rows.filter((each) => each.id !== row.id && each.type !== 'mix'));

  effects.find('');
  const change = (i: number, part: Partial<Insert>) =>
    onset(inserts.map((each, k) => (k === i ? { ...each, ...part } : each)));

  function move(i: number, by: number) {
    const next = [...inserts];
    const [one] = next.splice(i, 1);
    next.splice(i + by, 0, one!);
    open = i + by;
    onset(next);
  }

  function add(select: HTMLSelectElement) {
    const effect = select.value;
    select.value = '';
    if (effect === FOREIGN) naming = true;
    else if (effect) put({ effect, said: '' });
  }

  function put(named: Pick<Insert, 'effect' | 'said'>) {
    open = inserts.length;
    onset([...inserts, { ...named, settings: {}, key: null, kept: false, on: true }]);
  }

  function copyTo(select: HTMLSelectElement) {
    const to = select.value;
    select.value = '';
    const targets =
      to === 'chosen' ? editing.chosen.filter((each) => each.id !== row.id) : others.filter((each) => each.id === to);
    if (targets.length)
      void editing.make(
        `Copy inserts of “${row.name}”`,
        targets.map((each) => ({
          type: 'setInserts',
          row: each.id,
          inserts: inserts.map((one) => (one.key === each.id ? { ...one, key: null } : one)),
        })),
      );
  }

  const value = (insert: Insert, setting: Effect['settings'][number]) =>
    insert.settings[setting.id] ?? setting.standard;
</script>

{#each inserts as insert, i (i)}
  {@const effect = effects.find(insert.effect)}
  <div class="insert" class:off={!insert.on || !effect}>
    <div class="line">
      <button class="title" aria-expanded={open === i} onclick={() => (open = open === i ? undefined : i)}
        >{open === i ? '▾' : '▸'} {effect?.name ?? insert.effect}{effect ? '' : ' – not here'}</button
      >
      <Button
        kind="tool"
        aria-label="Earlier"
        title="Earlier in the chain"
        disabled={i === 0}
        onclick={() => move(i, -1)}>↑</Button
      >
      <Button
        kind="tool"
        aria-label="Later"
        title="Later in the chain"
        disabled={i === inserts.length - 1}
        onclick={() => move(i, 1)}>↓</Button
      >
      <Button
        kind="tool"
        aria-pressed={insert.on}
        aria-label="Switch {effect?.name ?? insert.effect} {insert.on ? 'off' : 'on'}"
        onclick={() => change(i, { on: !insert.on })}>{insert.on ? 'on' : 'off'}</Button
      >
      <Button
        kind="tool"
        aria-label="Remove {effect?.name ?? insert.effect}"
        title="Remove"
        onclick={() => onset(inserts.filter((_, k) => k !== i))}>×</Button
      >
    </div>
    {#if open === i && !effect}
      <div class="settings">
        <p class="cap">It cannot be made here: it is off in the sound, and stands on the sheet as it is said.</p>
        <textarea
          aria-label="How {insert.effect} was set"
          maxlength="2000"
          rows="3"
          value={insert.said}
          onchange={(e) => change(i, { said: e.currentTarget.value })}></textarea>
      </div>
    {:else if open === i && effect}
      <div class="settings">
        <p class="cap">{effect.words}</p>
        {#each effect.settings as setting (setting.id)}
          {#if setting.choices.length}
            <label class="choice"
              >{setting.name}<Select
                class="max-w-36"
                value={String(value(insert, setting))}
                onchange={(e) =>
                  change(i, { settings: { ...insert.settings, [setting.id]: Number(e.currentTarget.value) } })}
              >
                {#each setting.choices as choice, k (choice)}<option value={String(k)}>{choice}</option>{/each}
              </Select></label
            >
          {:else}
            <NumberField
              label={setting.name}
              value={value(insert, setting)}
              unit={setting.unit}
              lowest={setting.lowest}
              highest={setting.highest}
              step={(setting.highest - setting.lowest) / 100}
              onset={(number) => change(i, { settings: { ...insert.settings, [setting.id]: number } })}
            />
          {/if}
        {/each}
        {#if effect.takesKey && keys}
          <label class="choice"
            >Listens to<Select
              class="max-w-36"
              value={insert.key ?? ''}
              onchange={(e) => change(i, { key: e.currentTarget.value || null })}
            >
              <option value="">itself</option>
              {#each others as other (other.id)}<option value={other.id}>{other.name}</option>{/each}
            </Select></label
          >
        {/if}
        <label class="keep"
          ><Check checked={insert.kept} onchange={() => change(i, { kept: !insert.kept })} /> Part of the sound: in Shaped</label
        >
      </div>
    {/if}
  </div>
{/each}
{#if naming}<ForeignInsert
    onadd={(insert) => {
      naming = false;
      put(insert);
    }}
    oncancel={() => (naming = false)}
  />{/if}
<div class="foot">
  <Select class="flex-1" aria-label="Add an insert" onchange={(e) => add(e.currentTarget)} value=""
    ><option value="">+ Insert…</option>{#each effects.all as effect (effect.id)}<option
        value={effect.id}
        title={effect.words}>{effect.name}</option
      >{/each}<option value={FOREIGN}>From elsewhere…</option></Select
  >
  {#if inserts.length && keys}
    <Select class="flex-1" aria-label="Copy the inserts to" onchange={(e) => copyTo(e.currentTarget)} value=""
      ><option value="">Copy all to…</option>{#if editing.rows.length > 1}<option value="chosen"
          >the other chosen rows</option
        >{/if}{#each others as other (other.id)}<option value={other.id}>{other.name}</option>{/each}</Select
    >
  {/if}
</div>

<style>
  .insert {
    border: 1px solid var(--rule);
    border-radius: 5px;
    margin-bottom: 5px;
    background: var(--sheet);
  }
  .insert.off .title {
    opacity: 0.6;
  }
  .line {
    display: flex;
    align-items: center;
    gap: 1px;
    padding-right: 3px;
  }
  .title {
    flex: 1;
    text-align: left;
    padding: 5px 8px;
    font-weight: 600;
    cursor: pointer;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .settings {
    padding: 2px 8px 8px;
    display: grid;
    gap: 4px;
  }
  .choice {
    display: flex;
    align-items: center;
    gap: 6px;
    justify-content: space-between;
  }
  .keep {
    display: flex;
    gap: 7px;
    align-items: center;
    margin-top: 3px;
  }
  textarea {
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--paper);
    padding: 4px 6px;
    font-size: 13px;
  }
  .foot {
    display: flex;
    gap: 6px;
  }
</style>
