<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import client, { answer } from '../lib/api/client';
  import type { ClipListForm, TablePreview } from '../lib/api/types';
  import Button from '../lib/controls/Button.svelte';
  import Check from '../lib/controls/Check.svelte';
  import Select from '../lib/controls/Select.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { count, minutes } from '../lib/units';
  import type { IntakeStore } from './intake.svelte';

  type Column = ClipListForm['columns'][number];

  /** What the columns of a table are and what they count, with what comes of it at once in sight. */
  let { store, file, onclose }: { store: IntakeStore; file: string; onclose: () => void } = $props();
  let preview = $state.raw<TablePreview>();
  let failure = $state<string>();
  let remembered = $state(true);
  let open = $state(true);
  const name = $derived(store.intake!.files.find(({ id }) => id === file)?.name ?? '');
  /** As it is told here; what comes of it follows a moment later. */
  let form = $state.raw<ClipListForm>();
  let asked = 0;
  const isCoded = $derived(
    !!preview?.lines.some((line) => line.some((cell) => /^\d{1,2}:\d{2}:\d{2}[:;.]\d{2}/.test(cell.trim()))),
  );

  const HOLDS = [
    ['', 'passed over'],
    ['row', 'row'],
    ['take', 'take'],
    ['file', 'file'],
    ['position', 'position'],
    ['end', 'end'],
    ['offset', 'start in the file'],
    ['length', 'length'],
    ['gain', 'gain'],
    ['fadeIn', 'fade in'],
    ['fadeInCurve', 'fade in curve'],
    ['fadeOut', 'fade out'],
    ['fadeOutCurve', 'fade out curve'],
    ['muted', 'muted'],
    ['polarity', 'polarity'],
    ['note', 'note'],
  ] as const;
  const TIMES = ['position', 'end', 'offset', 'length', 'fadeIn', 'fadeOut'];
  const UNITS = [
    ['samples', 'samples'],
    ['seconds', 'seconds'],
    ['milliseconds', 'milliseconds'],
    ['bars', 'bars'],
  ] as const;
  const CODES = ['23.976', '24', '25', '29.97', '29.97 drop', '30', '50', '59.94', '59.94 drop', '60'] as const;

  async function ask(next: ClipListForm | null) {
    const turn = ++asked;
    if (next) form = next;
    try {
      const comes = await answer(
        client.POST('/api/intakes/{id}/tables/{file}/preview', {
          params: { path: { id: store.id, file } },
          body: { form: next },
        }),
      );
      if (turn !== asked) return; // what was told since comes to something else
      preview = comes;
      form ??= comes.form;
      failure = undefined;
    } catch (thrown) {
      if (turn === asked) failure = (thrown as Error).message;
    }
  }
  void ask(null);

  function change(i: number, part: Partial<Column>) {
    const columns = form!.columns.map((column, k) => {
      if (k === i) return { ...column, ...part };
      return part.is && column.is === part.is ? { ...column, is: null, unit: null } : column;
    });
    void ask({ ...form!, columns });
  }

  function hold(i: number, is: string) {
    const time = TIMES.includes(is);
    change(i, { is: (is || null) as Column['is'], unit: time ? (form!.columns[i]!.unit ?? 'samples') : null });
  }

  async function read() {
    await store.read(file, form!, remembered ? 'forTheseHeadings' : 'once');
    onclose();
  }

  $effect(() => {
    if (!open) onclose();
  });
</script>

<Modal bind:open title="What “{name}” lists" size="lg" class="bg-(--sheet) dark:bg-(--sheet)">
  {#if failure && !preview}
    <Failure words={failure} retry={() => ask(null)} />
  {:else if !preview || !form}
    <Loading words="Reading it…" />
  {:else}
    <div class="table">
      <table>
        <thead>
          <tr>
            {#each form.columns as column, i (i)}
              <th scope="col">
                <span class="heading">{column.heading || `column ${i + 1}`}</span>
                <Select
                  aria-label="What “{column.heading}” holds"
                  value={column.is ?? ''}
                  onchange={(e) => hold(i, e.currentTarget.value)}
                  >{#each HOLDS as [is, words] (is)}<option value={is}>{words}</option>{/each}</Select
                >
                {#if column.is && TIMES.includes(column.is)}
                  <Select
                    aria-label="What bare numbers of “{column.heading}” count"
                    value={column.unit ?? ''}
                    onchange={(e) => change(i, { unit: (e.currentTarget.value || null) as Column['unit'] })}
                    >{#if !column.unit}<option value="">counts…</option
                      >{/if}{#each UNITS as [unit, words] (unit)}<option value={unit}>{words}</option>{/each}</Select
                  >
                {/if}
              </th>
            {/each}
          </tr>
        </thead>
        <tbody>
          {#each preview.lines as line, i (i)}
            <tr
              >{#each form.columns as column, k (k)}<td class="mono" class:out={!column.is}>{line[k] ?? ''}</td
                >{/each}</tr
            >
          {/each}
        </tbody>
      </table>
    </div>
    {#if isCoded}
      <label class="code"
        >Timecode counts
        <Select
          value={form.timecode ?? ''}
          onchange={(e) =>
            void ask({ ...form!, timecode: (e.currentTarget.value || null) as ClipListForm['timecode'] })}
          ><option value="">…</option>{#each CODES as code (code)}<option value={code}>{code}</option>{/each}</Select
        > frames a second</label
      >
    {/if}
    <div class="comes" aria-live="polite">
      {#if failure}<p class="wrong">{failure}</p>
      {:else if !preview.isList}
        <p>A list needs a column of files, and one of positions; or, to say what files are, one of rows or notes.</p>
      {:else if preview.first.length}
        <p><b>{count(preview.clips, 'clip')}</b> on <b>{count(preview.rows, 'row')}</b>; the first of them:</p>
        <ul>
          {#each preview.first.slice(0, 4) as clip, i (i)}
            <li>
              {clip.row} <span class="mono">{minutes(clip.seconds, 3)}</span> for
              <span class="mono">{minutes(clip.length, 3)}</span>
              of <span class="mono">{clip.file}</span>{clip.isHere ? '' : ', which is not here'}
            </li>
          {/each}
        </ul>
      {:else}<p><b>{count(preview.clips, 'file')}</b> named by it.</p>{/if}
      {#each preview.troubles.slice(0, 4) as trouble (trouble)}<p class="odd">{trouble}</p>{/each}
      {#if preview.troubles.length > 4}<p class="odd">and {preview.troubles.length - 4} more</p>{/if}
    </div>
    <div class="foot">
      <label><Check bind:checked={remembered} /> Read every list with these headings so</label>
      <Button onclick={onclose}>Cancel</Button>
      <Button kind="main" disabled={!preview.isList || !!failure || store.busy} onclick={read}>Read it so</Button>
    </div>
  {/if}
</Modal>

<style>
  .table {
    overflow: auto;
    max-height: 320px;
    border: 1px solid var(--rule);
    border-radius: 5px;
  }
  th {
    text-align: left;
    padding: 6px 8px;
    vertical-align: top;
    position: sticky;
    top: 0;
    background: var(--side);
  }
  .heading {
    display: block;
    white-space: nowrap;
  }
  td {
    padding: 3px 8px;
    white-space: nowrap;
    max-width: 220px;
    overflow: hidden;
    text-overflow: ellipsis;
    border-top: 1px solid var(--rule2);
  }
  .out {
    color: var(--ink3);
  }
  .code,
  .foot,
  .foot label {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .code {
    margin-top: 10px;
  }
  .comes {
    margin: 10px 0;
    min-height: 92px;
  }
  .odd {
    color: var(--ochre-ink);
  }
  .wrong {
    color: var(--rust-ink);
  }
  .foot {
    justify-content: flex-end;
  }
  .foot label {
    margin-right: auto;
  }
</style>
