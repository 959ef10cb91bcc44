<script lang="ts">
  import { rules } from '../../lib/catalogue/rules.svelte';
  import Button from '../../lib/controls/Button.svelte';
  import Select from '../../lib/controls/Select.svelte';
  import type { Move, Row, Send } from '../../lib/api/types';
  import type { Editing } from '../editing.svelte';
  import MovesEditor from './MovesEditor.svelte';
  import NumberField from '../../lib/NumberField.svelte';

  /** Fader, pan, sends and outputs of one row, with its moves drawn. */
  let { editing, row }: { editing: Editing; row: Row } = $props();
  const strip = $derived(row.strip);
  const session = $derived(editing.session);
  const returns = $derived(session.rows.filter((each) => each.type === 'return' && each.id !== row.id));
  const targets = $derived(
    session.rows.filter((each) => (each.type === 'bus' || each.type === 'mix') && each.id !== row.id),
  );

  const fader = (change: Parameters<Editing['setFader']>[1]) =>
    void editing.make(`Set the fader of “${row.name}”`, [editing.setFader(row, change)]);
  const sends = (list: Send[]) =>
    void editing.make(`Change the sends of “${row.name}”`, [{ type: 'setSends', row: row.id, sends: list }]);
  const moves = (faderMoves: Move[], panMoves: Move[]) =>
    void editing.make(`Draw moves of “${row.name}”`, [{ type: 'setMoves', row: row.id, faderMoves, panMoves }]);

  async function send(select: HTMLSelectElement) {
    const to = select.value;
    select.value = '';
    if (to === 'new') await editing.addRow('return');
    else if (to) sends([...strip.sends, { to, levelDb: -12, from: 'afterFader' }]);
  }

  async function route(select: HTMLSelectElement) {
    const to = select.value;
    select.value = '';
    if (to === 'new') await editing.addRow('bus');
    else if (to)
      void editing.make(`Route “${row.name}”`, [{ type: 'setOutputs', row: row.id, outputs: [...strip.outputs, to] }]);
  }

  const without = (output: string) =>
    void editing.make(`Route “${row.name}”`, [
      { type: 'setOutputs', row: row.id, outputs: strip.outputs.filter((each) => each !== output) },
    ]);
</script>

<h3>Fader and pan</h3>
<div class="fields">
  <NumberField
    label="Fader"
    value={strip.faderDb}
    unit="dB"
    {...rules.bounds('levelDb')}
    step={0.5}
    digits={1}
    onset={(faderDb) => fader({ faderDb })}
  />
  {#if row.type !== 'mix'}<NumberField
      label="Pan"
      value={strip.pan}
      unit={strip.pan < 0 ? 'left' : strip.pan > 0 ? 'right' : 'centre'}
      {...rules.bounds('pan')}
      digits={0}
      onset={(pan) => fader({ pan })}
    />{/if}
</div>
<MovesEditor
  label="Fader moves"
  moves={strip.faderMoves}
  frames={Math.max(1, editing.store.frames)}
  lowest={-36}
  highest={12}
  unit="dB"
  onset={(list) => moves(list, strip.panMoves)}
/>
{#if row.type !== 'mix'}
  <MovesEditor
    label="Pan moves"
    moves={strip.panMoves}
    frames={Math.max(1, editing.store.frames)}
    {...rules.bounds('pan')}
    unit=""
    onset={(list) => moves(strip.faderMoves, list)}
  />
  <h3>Sends</h3>
  {#each strip.sends as each, i (i)}
    {@const name = session.rows.find((other) => other.id === each.to)?.name ?? each.to}
    <div class="send">
      <NumberField
        label={name}
        value={each.levelDb}
        unit="dB"
        {...rules.bounds('levelDb')}
        step={0.5}
        digits={1}
        onset={(levelDb) => sends(strip.sends.map((one, k) => (k === i ? { ...one, levelDb } : one)))}
      />
      <Button
        kind="tool"
        title="Where it is taken"
        onclick={() =>
          sends(
            strip.sends.map((one, k) =>
              k === i ? { ...one, from: one.from === 'afterFader' ? 'beforeFader' : 'afterFader' } : one,
            ),
          )}>{each.from === 'afterFader' ? 'after fader' : 'before fader'}</Button
      >
      <Button
        kind="tool"
        aria-label="Take out the send to {name}"
        onclick={() => sends(strip.sends.filter((_, k) => k !== i))}>×</Button
      >
    </div>
  {/each}
  <Select class="mt-1" aria-label="Add a send" value="" onchange={(e) => send(e.currentTarget)}
    ><option value="">+ Send…</option>{#each returns as each (each.id)}<option value={each.id}>{each.name}</option
      >{/each}<option value="new">a new return</option></Select
  >
  <h3>Feeds</h3>
  {#each strip.outputs as output (output)}
    <p class="out">
      <b>{session.rows.find((other) => other.id === output)?.name ?? output}</b><Button
        kind="tool"
        aria-label="Do not feed {output}"
        onclick={() => without(output)}>×</Button
      >
    </p>
  {:else}<p class="nowhere">Nothing: it is not heard.</p>{/each}
  <Select class="mt-1" aria-label="Add an output" value="" onchange={(e) => route(e.currentTarget)}
    ><option value="">+ Output…</option
    >{#each targets.filter((each) => !strip.outputs.includes(each.id)) as each (each.id)}<option value={each.id}
        >{each.name}</option
      >{/each}<option value="new">a new bus</option></Select
  >
{/if}

<style>
  .fields {
    display: grid;
    gap: 4px;
  }
  .send {
    display: grid;
    grid-template-columns: 1fr auto auto;
    gap: 4px;
    align-items: center;
  }
  .out {
    display: flex;
    justify-content: space-between;
    padding: 2px 0;
  }
  .nowhere {
    color: var(--rust-ink);
  }
</style>
