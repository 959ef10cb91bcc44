<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Check from '../lib/controls/Check.svelte';
  import Field from '../lib/controls/Field.svelte';
  import Select from '../lib/controls/Select.svelte';
  import { Modal } from 'flowbite-svelte';
  import type { Brief, BriefDocument, BriefEntry, PlanRow, Station } from '../lib/api/types';
  import { briefs } from '../lib/catalogue/briefs.svelte';
  import { linkTo } from '../brief/code';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { copy } from '../lib/copy';
  import { download } from '../lib/download';
  import { me } from '../lib/state/me.svelte';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import SettingsFields from './SettingsFields.svelte';
  import { STATIONS } from '../lib/signal/stations';

  /** Looks at briefs, changes people's own, copies those that come with Apodex, and uses one for this handoff. */
  let { store, open = $bindable() }: { store: HandoffStore; open: boolean } = $props();

  const KINDS: { kind: PlanRow['kind']; words: string }[] = [
    { kind: 'audio', words: 'Recorded rows' },
    { kind: 'instrument', words: 'Instruments' },
    { kind: 'part', words: 'Parts of instruments' },
    { kind: 'bus', words: 'Groups' },
    { kind: 'return', words: 'Returns' },
    { kind: 'mix', words: 'The mix' },
  ];
  let edited = $state.raw<Brief>();
  let id = $state<string>();
  const entry = $derived(briefs.all.find((each) => each.id === id));
  const changed = $derived(!!edited && !!entry && JSON.stringify(edited) !== JSON.stringify(entry.brief));

  $effect(() => {
    if (open && !edited) {
      id = briefs.like(store.handoff.brief)?.id;
      edited = store.handoff.brief;
    }
    if (!open) edited = undefined;
  });

  function look(at: BriefEntry) {
    id = at.id;
    edited = at.brief;
  }

  function toggle(kind: PlanRow['kind'], station: Station) {
    const now = edited!.stations[kind] ?? [];
    const next = now.includes(station)
      ? now.filter((each) => each !== station)
      : STATIONS.map((each) => each.station).filter((each) => each === station || now.includes(each));
    edited = { ...edited!, stations: { ...edited!.stations, [kind]: next } };
  }

  async function attempt(act: () => Promise<unknown>) {
    try {
      await act();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  const copyName = (name: string) => {
    for (let n = 1; ; n++) {
      const wanted = `${name}, ${n === 1 ? 'ours' : `ours ${n}`}`;
      if (!briefs.all.some((each) => each.brief.name.toLowerCase() === wanted.toLowerCase())) return wanted;
    }
  };

  const saveAsOwn = () =>
    attempt(async () => {
      const wanted =
        entry && edited!.name === entry.brief.name ? { ...edited!, name: copyName(edited!.name) } : edited!;
      look(await briefs.create(wanted));
    });
  const save = () => attempt(async () => look(await briefs.save(id!, edited!)));
  const remove = () =>
    attempt(async () => {
      await briefs.remove(id!);
      id = undefined;
      toasts.say(`“${edited!.name}” is deleted. It still stands here: save it as your own to keep it.`);
    });
  const whose = (each: BriefEntry) =>
    each.builtIn
      ? 'comes with Apodex'
      : !each.own
        ? 'of the house'
        : each.shared && !me.atDesk
          ? 'your own, shared'
          : 'your own';
  let picker = $state<HTMLInputElement>();

  function takeIn(event: Event) {
    const field = event.currentTarget as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    void attempt(async () => {
      let document: BriefDocument;
      try {
        document = JSON.parse(await file.text()) as BriefDocument;
      } catch {
        throw new Error(`“${file.name}” is no brief that Apodex wrote.`);
      }
      look(await briefs.takeIn(document));
    });
  }

  const use = () =>
    attempt(async () => {
      await store.setBrief(edited!);
      open = false;
    });
</script>

<Modal bind:open title="Briefs" size="lg" class="brief-dialog">
  <div class="two">
    <ul aria-label="Briefs">
      {#each briefs.all as each (each.id)}
        <li>
          <button class:on={each.id === id} onclick={() => look(each)}
            >{each.brief.name}<span class="cap">{each.usual ? 'for new handoffs' : whose(each)}</span></button
          >
        </li>
      {/each}
    </ul>
    {#if edited}
      <div class="brief">
        <div class="name">
          <label for="brief-name">Name</label><Field
            class="flex-1"
            id="brief-name"
            value={edited.name}
            maxlength="80"
            oninput={(e) => (edited = { ...edited!, name: e.currentTarget.value })}
          />
          <label for="brief-rows">Rows</label>
          <Select
            class="flex-[1.3]"
            id="brief-rows"
            value={edited.rows}
            onchange={(e) => (edited = { ...edited!, rows: e.currentTarget.value as Brief['rows'] })}
          >
            <option value="all">all</option>
            <option value="top">outermost groups, and what is in none</option>
            <option value="innermost">every group that holds rows</option>
          </Select>
        </div>
        <table>
          <thead
            ><tr
              ><th></th>{#each STATIONS as each (each.station)}<th scope="col">{each.name}</th>{/each}</tr
            ></thead
          >
          <tbody>
            {#each KINDS as { kind, words } (kind)}
              <tr
                ><th scope="row">{words}</th>{#each STATIONS as each (each.station)}<td
                    ><Check
                      aria-label="{words} at {each.name}"
                      checked={edited.stations[kind]?.includes(each.station) ?? false}
                      onchange={() => toggle(kind, each.station)}
                    /></td
                  >{/each}</tr
              >
            {/each}
          </tbody>
        </table>
        <p class="cap">
          A station that a row does not have stands for the last one before it: it sounds the same there.
        </p>
        <SettingsFields
          settings={edited.settings}
          behind={store.state!.usual}
          behindWords="Usually"
          onset={(change) => (edited = { ...edited!, settings: { ...edited!.settings, ...change } })}
        />
      </div>
    {/if}
  </div>
  <div class="acts">
    <Button kind="main" onclick={use} disabled={!edited}>Use for {store.handoff.name}</Button>
    <Button onclick={saveAsOwn} disabled={!edited}>{entry?.own ? 'Copy' : 'Save as your own'}</Button>
    {#if entry?.own}
      <Button onclick={save} disabled={!changed}>Save</Button>
      <Button onclick={remove}>Delete</Button>
      {#if !me.atDesk}
        <Button onclick={() => attempt(() => briefs.share(id!, !entry!.shared))}
          >{entry.shared ? 'Keep to myself' : 'Share in the house'}</Button
        >
      {/if}
    {/if}
    {#if entry && !changed}
      <Button href="/api/briefs/{entry.id}/file" download="" onclick={download}>Save as a file</Button>
      <Button onclick={() => copy('The link', linkTo({ form: 'apodex-brief', version: 1, brief: entry!.brief }))}
        >Copy as a link</Button
      >
    {/if}
    <Button onclick={() => picker?.click()}>Take in a file</Button>
    <input
      class="hidden"
      type="file"
      accept=".json,application/json"
      aria-label="A brief as a file"
      bind:this={picker}
      onchange={takeIn}
    />
    {#if entry && !entry.usual}<Button onclick={() => attempt(() => briefs.makeUsual(id!))}
        >Begin new handoffs with it</Button
      >{/if}
  </div>
</Modal>

<style>
  .two {
    display: grid;
    grid-template-columns: 190px 1fr;
    gap: 20px;
    color: var(--ink);
  }
  li button {
    display: flex;
    flex-direction: column;
    width: 100%;
    text-align: left;
    padding: 6px 10px;
    border-radius: 5px;
    cursor: pointer;
    font-weight: 620;
  }
  li button.on {
    background: var(--teal-wash);
  }
  li button:hover:not(.on) {
    background: var(--band);
  }
  .name {
    display: flex;
    align-items: center;
    gap: 8px;
    margin-bottom: 8px;
  }
  table {
    width: 100%;
  }
  .two :global(.fields) {
    grid-template-columns: 1fr 1fr 1fr;
    gap: 5px 18px;
  }
  .two :global(.checks) {
    grid-template-columns: 1fr 1fr 1fr;
  }
  th {
    font-weight: 560;
    font-size: 12px;
    color: var(--ink2);
    padding: 1px 4px;
  }
  tbody th {
    text-align: left;
    color: var(--ink);
  }
  td {
    text-align: center;
    border-top: 1px solid var(--rule2);
  }
  tbody th {
    border-top: 1px solid var(--rule2);
  }
  .brief > p {
    margin: 2px 0 6px;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-top: 4px;
    border-top: 1px solid var(--rule);
    padding-top: 14px;
  }
</style>
