<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import type { Depth, Settings } from '../lib/api/types';
  import { briefs } from '../lib/catalogue/briefs.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { DEPTH_WORDS } from '../lib/units';
  import BriefDialog from './BriefDialog.svelte';
  import { rangeText } from './range';
  import RangeDialog from './RangeDialog.svelte';
  import SettingsFields from './SettingsFields.svelte';
  import { CLICKS, DEPTHS, FORMATS, RATES } from './settingWords';
  import { typedNumber } from './typedNumber';

  /** Everything that holds for all files: for whom, by which brief, format, range, lead-in, tail, and more. */
  let { store, session }: { store: HandoffStore; session: SessionStore } = $props();
  const handoff = $derived(store.handoff);
  const settled = $derived(store.state!.settled);
  const plan = $derived(store.state!.plan);
  const byHand = $derived(store.state!.byHand);
  const known = $derived(briefs.like(handoff.brief));
  const rates = $derived([...new Set([...RATES, plan.rate])].sort((a, b) => a - b));
  let briefing = $state(false);
  let ranging = $state(false);
  let more = $state(false);
  let naming = $state(false);
  let newName = $state('');

  const set = (change: Partial<Settings>) => store.set(change);

  function choose(select: HTMLSelectElement) {
    const entry = briefs.all.find((each) => each.id === select.value);
    if (entry) void store.setBrief(entry.brief);
  }

  async function createNew() {
    try {
      await store.create(newName.trim() || 'Somebody else');
      naming = false;
      newName = '';
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  function rename(field: HTMLInputElement) {
    const name = field.value.trim();
    if (name && name !== handoff.name) void store.change((now) => ({ ...now, name }));
    else field.value = handoff.name;
  }
</script>

<div class="bar">
  <label class="cap" for="brief">Brief</label>
  <select id="brief" value={known?.id ?? ''} onchange={(e) => choose(e.currentTarget)}>
    {#if !known}<option value="">{handoff.brief.name}</option>{/if}
    {#each briefs.all as entry (entry.id)}<option value={entry.id}>{entry.brief.name}</option>{/each}
  </select>
  <button class="plain slim" onclick={() => (briefing = true)}>Briefs…</button>
  <label class="cap" for="for">For</label>
  <input id="for" value={handoff.name} maxlength="120" onchange={(e) => rename(e.currentTarget)} />
  {#if store.all.length > 1}
    <select aria-label="Handoff" value={store.id} onchange={(e) => void store.pick(e.currentTarget.value)}
      >{#each store.all as each (each.id)}<option value={each.id}>{each.name} · {each.brief}</option>{/each}</select
    >
  {/if}
  <button class="plain slim" onclick={() => (naming = true)}>New handoff…</button>
  {#if byHand.length}<span class="by-hand cap" title={byHand.join(', ')}>By hand: {byHand.join(', ')}</span><button
      class="plain slim"
      onclick={() => store.letGo()}>Let go</button
    >{/if}
</div>
<div class="bar">
  <label class="cap" for="format">Files</label>
  <select id="format" value={plan.format} onchange={(e) => set({ format: e.currentTarget.value as 'wav' })}
    >{#each FORMATS as [value, words] (value)}<option {value}>{words}</option>{/each}</select
  >
  <select
    id="depth"
    aria-label="Sample format"
    value={plan.depth}
    onchange={(e) => set({ depth: e.currentTarget.value as Depth })}
    >{#each DEPTHS as depth (depth)}<option value={depth}
        >{DEPTH_WORDS[depth]}{depth === plan.ownDepth ? ', as recorded' : ''}</option
      >{/each}</select
  >
  <select
    id="rate"
    aria-label="Sample rate"
    value={String(plan.rate)}
    onchange={(e) => set({ rate: Number(e.currentTarget.value) })}
    >{#each rates as hertz (hertz)}<option value={String(hertz)}>{hertz / 1000} kHz</option>{/each}</select
  >
  <span class="cap">Range</span>
  <button class="plain slim field" onclick={() => (ranging = true)} aria-label="Range: {rangeText(handoff.sections)}"
    >{rangeText(handoff.sections)}</button
  >
  <label class="cap" for="lead">Lead-in</label>
  <input
    id="lead"
    class="unit"
    value={String(settled.leadInBars ?? 0)}
    inputmode="numeric"
    title="Bars before the range"
    onchange={(e) =>
      typedNumber(
        e.currentTarget,
        (leadInBars) => set({ leadInBars }),
        () => settled.leadInBars ?? 0,
      )}
  /><span class="cap">bars</span>
  <label class="cap count" title="Clicks instead of silence, in the file of the click"
    ><input
      type="checkbox"
      checked={!!settled.count}
      onchange={(e) => set({ count: e.currentTarget.checked })}
    />count</label
  >
  <label class="cap" for="click">Click</label>
  <select id="click" value={settled.click} onchange={(e) => set({ click: e.currentTarget.value as 'none' })}
    >{#each CLICKS as [value, words] (value)}<option {value}>{words}</option>{/each}</select
  >
  <label class="cap" for="tail">Tail</label>
  <input
    id="tail"
    class="tail"
    value={settled.tailSeconds === null || settled.tailSeconds === undefined ? '' : String(settled.tailSeconds)}
    placeholder="until quiet"
    title="Seconds after the range; empty: until every file has been quiet for a second"
    onchange={(e) =>
      typedNumber(
        e.currentTarget,
        (tailSeconds) => set({ tailSeconds }),
        () => settled.tailSeconds,
      )}
  />
  <button class="plain slim last" onclick={() => (more = true)}>More…</button>
</div>
<BriefDialog {store} bind:open={briefing} />
<RangeDialog {store} {session} bind:open={ranging} />
<Modal bind:open={more} title="All files of this handoff" size="md" class="more-dialog">
  <SettingsFields
    settings={handoff.settings}
    behind={store.state!.behind}
    behindWords={handoff.brief.name}
    onset={set}
  />
  <label class="message"
    >Message on the session sheet
    <textarea
      rows="3"
      maxlength="4000"
      value={handoff.message ?? ''}
      placeholder="What they should know"
      onchange={(e) => {
        const message = e.currentTarget.value.trim() || null;
        void store.change((now) => ({ ...now, message }));
      }}></textarea></label
  >
  {#if store.all.length > 1}<p>
      <button
        class="plain"
        onclick={() => {
          more = false;
          void store.remove();
        }}>Take this handoff off the list</button
      >
    </p>{/if}
</Modal>
<Modal bind:open={naming} title="New handoff" size="xs" class="new-dialog">
  <form
    onsubmit={(e) => {
      e.preventDefault();
      void createNew();
    }}
  >
    <label>For whom <input bind:value={newName} maxlength="120" placeholder="The singer" /></label>
    <p class="cap">
      It begins with the brief “{briefs.all.find((each) => each.usual)?.brief.name ?? 'For mixing'}”. The other handoffs
      stay as they are.
    </p>
    <button class="main-button">Begin it</button>
  </form>
</Modal>

<style>
  .bar {
    flex: none;
    display: flex;
    align-items: center;
    gap: 5px;
    padding: 7px 16px;
    white-space: nowrap;
  }
  .bar + .bar {
    border-bottom: 1px solid var(--rule);
    padding-top: 0;
  }
  select,
  input {
    border: 1px solid var(--rule);
    border-radius: 4px;
    background-color: var(--sheet);
    color: var(--ink);
    padding: 2px 21px 2px 7px;
    background-position: right 5px center;
    font: inherit;
    font-size: 12.5px;
    height: 28px;
    min-width: 0;
  }
  input {
    padding-right: 7px;
  }
  input[type='checkbox'] {
    height: 15px;
    width: 15px;
    padding: 0;
  }
  #brief {
    flex: none;
    font-weight: 640;
    max-width: 160px;
  }
  #for {
    flex: none;
    width: 116px;
  }
  #depth {
    flex: none;
  }
  .unit {
    width: 38px;
  }
  .tail {
    width: 82px;
  }
  .slim {
    padding: 3px 9px;
    height: 28px;
  }
  .field {
    background: var(--sheet);
    font-weight: 620;
    max-width: 170px;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .count {
    display: flex;
    align-items: center;
    gap: 5px;
  }
  .last {
    margin-left: auto;
  }
  .by-hand {
    flex: 0 1 auto;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    color: var(--ochre-ink);
    margin-left: auto;
  }
  .message {
    display: flex;
    flex-direction: column;
    gap: 3px;
    margin-top: 12px;
    font-size: 12px;
    color: var(--ink2);
  }
  textarea {
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    padding: 5px 8px;
    font: inherit;
    font-size: 12.5px;
  }
  form {
    display: flex;
    flex-direction: column;
    gap: 12px;
    align-items: flex-start;
    color: var(--ink);
  }
  form label {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  p {
    margin-top: 12px;
  }
</style>
