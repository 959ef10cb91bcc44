<script lang="ts">
  import Check from '../lib/controls/Check.svelte';
  import { InSight } from '../lib/inSight.svelte';
  import { count } from '../lib/units';
  import FileRow from './FileRow.svelte';
  import type { IntakeStore } from './intake.svelte';
  import { inOrder, rowsOfTakes } from './layout';

  /** Of a file in a long list, in pixels. */
  const LINE = 45;

  /** Every file as it will be laid out, those with a question first. */
  let { store }: { store: IntakeStore } = $props();
  const order = $derived(inOrder(store.state!));
  const takes = $derived(rowsOfTakes(store.intake!));
  const all = $derived([...order.asked, ...order.others]);
  const everyone = $derived(all.length > 0 && store.chosen.length === all.length);
  let last = $state<string>();

  const bands = $derived(
    (
      [
        [order.asked, 'with a question'],
        [order.others, order.asked.length ? 'without' : 'as they will be laid out'],
      ] as const
    ).filter(([files]) => files.length),
  );
  /** Bands and files under each other; long lists are drawn as far as they are in sight. */
  const list = $derived(
    bands.flatMap(([files, words]) => [
      { id: words, band: count(files.length, 'file'), file: undefined },
      ...files.map((file) => ({ id: file.id, band: undefined, file })),
    ]),
  );
  const lines = new InSight(() => list, LINE);
  const flat = $derived(lines.items.length < list.length);

  /** Alone, beside those chosen (Ctrl), or all up to it (Shift). */
  function choose(id: string, event: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }) {
    const from = all.findIndex((file) => file.id === last);
    const to = all.findIndex((file) => file.id === id);
    if (event.shiftKey && from >= 0)
      store.chosen = all.slice(Math.min(from, to), Math.max(from, to) + 1).map((file) => file.id);
    else if (event.ctrlKey || event.metaKey) toggle(id);
    else store.chosen = store.chosen.length === 1 && store.chosen[0] === id ? [] : [id];
    last = id;
  }

  function toggle(id: string) {
    store.chosen = store.chosen.includes(id) ? store.chosen.filter((each) => each !== id) : [...store.chosen, id];
    last = id;
  }
</script>

<div class="scroll" {@attach lines.scrolling}>
  <table style="--line:{LINE}px">
    <thead>
      <tr class="cap">
        <th class="check"
          ><Check
            aria-label="Choose all files"
            checked={everyone}
            onchange={() => (store.chosen = everyone ? [] : all.map((file) => file.id))}
          /></th
        >
        <th>Row</th>
        <th>File</th>
        <th class="right">Lies at</th>
        <th class="right">Length</th>
        <th>Sound</th>
        <th class="right">Peak</th>
      </tr>
    </thead>
    <tbody>
      {#if lines.before}<tr><td colspan="7" style="height:{lines.before}px"></td></tr>{/if}
      {#each lines.items as { item } (item.id)}
        {#if item.file}
          <FileRow
            {store}
            file={item.file}
            isTake={takes.has(item.file.seat.row)}
            {flat}
            chosen={store.chosen.includes(item.file.id)}
            onchoose={(event) => choose(item.file.id, event)}
            ontoggle={() => toggle(item.file.id)}
          />
        {:else}
          <tr class="band"><th colspan="7" scope="rowgroup" class="cap">{item.band} {item.id}</th></tr>
        {/if}
      {/each}
      {#if lines.after}<tr><td colspan="7" style="height:{lines.after}px"></td></tr>{/if}
    </tbody>
  </table>
</div>

<style>
  .scroll {
    height: 100%;
    overflow: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    text-align: left;
    padding: 6px 8px;
    position: sticky;
    top: 0;
    background: var(--sheet);
    z-index: 1;
  }
  .right {
    text-align: right;
  }
  .check {
    width: 30px;
    padding-left: 14px;
  }
  .band th {
    position: static;
    background: var(--band);
    padding: 4px 14px;
    border-top: 1px solid var(--rule);
    border-bottom: 1px solid var(--rule);
  }
</style>
