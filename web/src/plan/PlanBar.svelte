<script module lang="ts">
  /** The plan as rows with their stations, or as the files that come of it. */
  export type Face = 'rows' | 'files';
</script>

<script lang="ts">
  import { rules } from '../lib/catalogue/rules.svelte';
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { Modal } from 'flowbite-svelte';
  import type { Settings } from '../lib/api/types';
  import { briefs } from '../lib/catalogue/briefs.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import ConfirmDialog from '../lib/ConfirmDialog.svelte';
  import Segments from '../lib/Segments.svelte';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { count } from '../lib/units';
  import BriefDialog from './BriefDialog.svelte';
  import RangeDialog from './RangeDialog.svelte';
  import Sentence from './sentence/Sentence.svelte';
  import SettingsFields from './SettingsFields.svelte';

  /** Everything that holds for all files: for whom, by which brief, format, range, lead-in, tail, and more. */
  let { store, session, face = $bindable() }: { store: HandoffStore; session: SessionStore; face: Face } = $props();
  const handoff = $derived(store.handoff);
  const FACES = [
    ['rows', 'Rows'],
    ['files', 'Files'],
  ] as const;
  let briefing = $state(false);
  let ranging = $state(false);
  let more = $state(false);
  let naming = $state(false);
  let leaving = $state(false);
  let newName = $state('');

  const set = (change: Partial<Settings>) => store.set(change);

  async function createNew() {
    try {
      await store.create(newName.trim() || 'Somebody else');
      naming = false;
      newName = '';
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }
</script>

<div class="bar">
  <Sentence
    {store}
    onbriefs={() => (briefing = true)}
    onnew={() => (naming = true)}
    onrange={() => (ranging = true)}
    onmore={() => (more = true)}
  />
  <Segments label="The plan as" options={FACES} value={face} onchoose={(other) => (face = other)} />
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
      <Button
        onclick={() => {
          more = false;
          leaving = true;
        }}>Remove this handoff…</Button
      >
    </p>{/if}
</Modal>
<ConfirmDialog
  bind:open={leaving}
  title="Remove “{handoff.name}”?"
  verb="Remove the handoff"
  onconfirm={() => store.remove()}
>
  <p>
    The plan goes{store.runs.length
      ? `, and with it what was printed by it: ${count(store.runs.length, 'run')} with files and pickup links`
      : ''}. The session and its other handoffs stay. It lies in the bin for a month.
  </p>
</ConfirmDialog>
<Modal bind:open={naming} title="New handoff" size="xs" class="new-dialog">
  <form
    onsubmit={(e) => {
      e.preventDefault();
      void createNew();
    }}
  >
    <label
      >For whom <Field
        class="flex-1"
        bind:value={newName}
        maxlength={rules.longestName}
        placeholder="The singer"
      /></label
    >
    <p class="cap">
      It begins with the brief “{briefs.all.find((each) => each.usual)?.brief.name ?? 'For mixing'}”. The other handoffs
      stay as they are.
    </p>
    <Button kind="main" type="submit">Begin it</Button>
  </form>
</Modal>

<style>
  .bar {
    flex: none;
    display: flex;
    align-items: center;
    gap: 8px;
    padding: 6px 16px 7px;
    border-bottom: 1px solid var(--rule);
  }
  textarea {
    border: 1px solid var(--rule);
    border-radius: 4px;
    background-color: var(--sheet);
    color: var(--ink);
    padding: 2px 7px;
    font: inherit;
    font-size: 12.5px;
  }
  .message {
    display: flex;
    flex-direction: column;
    gap: 3px;
    margin-top: 12px;
    font-size: 12px;
    color: var(--ink2);
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
