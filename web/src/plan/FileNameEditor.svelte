<script lang="ts">
  import { rules } from '../lib/catalogue/rules.svelte';
  import Field from '../lib/controls/Field.svelte';
  import type { Print } from '../lib/api/types';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { STATIONS } from '../lib/signal/stations';

  /** What of a file's name people give: the row's name, in the session, and the word for the station, in this handoff. */
  let {
    store,
    session,
    print,
    ondone,
  }: { store: HandoffStore; session: SessionStore; print: Print; ondone: () => void } = $props();
  // svelte-ignore state_referenced_locally
  const row = session.session!.rows.find((each) => each.id === print.row);
  // svelte-ignore state_referenced_locally
  const words = store.handoff.byRow[print.row]?.words ?? {};
  // svelte-ignore state_referenced_locally
  const word = words[print.station] ?? '';
  let closed = false;

  async function save(form: HTMLFormElement) {
    if (closed) return;
    closed = true;
    const typed = new FormData(form);
    const name = (typed.get('name') ?? '').toString().trim();
    const newWord = (typed.get('word') ?? '').toString().trim();
    ondone();
    if (newWord !== word) {
      const others = Object.fromEntries(Object.entries(words).filter(([station]) => station !== print.station));
      await store.setRow(print.row, { words: newWord ? { ...others, [print.station]: newWord } : others });
    }
    if (!row || !name || name === row.name) return;
    try {
      await session.edit({ type: 'renameRow', row: row.id, name, named: 'hand' });
      await store.load();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.key !== 'Escape') return;
    closed = true;
    ondone();
  }

  function focused(input: HTMLInputElement) {
    input.select();
  }
</script>

<form
  onsubmit={(e) => {
    e.preventDefault();
    void save(e.currentTarget);
  }}
  onfocusout={(e) => {
    if (!e.currentTarget.contains(e.relatedTarget as Node | null)) void save(e.currentTarget);
  }}
>
  <Field
    class="flex-1 font-mono"
    name="name"
    aria-label="Name of the row"
    value={row?.name ?? print.rowName}
    disabled={!row || row.type === 'mix'}
    maxlength={rules.longestName}
    autocomplete="off"
    {onkeydown}
    {@attach focused}
  />
  <Field
    name="word"
    class="flex-[0_0_104px] font-mono"
    aria-label="Word for {STATIONS.find((each) => each.station === print.station)?.name}"
    value={word}
    placeholder="usual word"
    maxlength="30"
    autocomplete="off"
    {onkeydown}
  />
  <button class="sr-only">Save</button>
</form>

<style>
  form {
    display: flex;
    gap: 6px;
    min-width: 0;
  }
</style>
