<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import { rules } from '../lib/catalogue/rules.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import type { Right, ShelfEntry } from '../lib/api/types';
  import { me } from '../lib/state/me.svelte';
  import { RIGHTS } from '../sharing/rights';
  import SharingDialog from '../sharing/SharingDialog.svelte';
  import { bytes, minutes, moment, rate } from '../lib/units';
  import type { ShelfStore } from './shelf.svelte';

  let { entry, shelf, onremove }: { entry: ShelfEntry; shelf: ShelfStore; onremove: () => void } = $props();
  let renaming = $state(false);
  let sharing = $state(false);
  const ORDER: Right[] = ['listen', 'print', 'change', 'own'];
  const may = (right: Right) => ORDER.indexOf(entry.may) >= ORDER.indexOf(right);

  function focused(input: HTMLInputElement) {
    input.select();
  }

  async function rename(title: string) {
    if (!renaming) return;
    renaming = false;
    if (!title.trim() || title.trim() === entry.title) return;
    try {
      await shelf.rename(entry.id, title.trim());
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  async function duplicate() {
    try {
      await shelf.duplicate(entry.id);
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }
</script>

<li>
  {#if renaming}
    <form
      onsubmit={(e) => {
        e.preventDefault();
        void rename(e.currentTarget.querySelector('input')!.value);
      }}
    >
      <Field
        aria-label="Title of the session"
        maxlength={rules.longestName}
        value={entry.title}
        {@attach focused}
        onblur={(e) => rename(e.currentTarget.value)}
        onkeydown={(e) => {
          if (e.key === 'Escape') renaming = false;
        }}
      />
    </form>
  {/if}
  <a href="#/s/{entry.id}">
    <span class="tape" class:hidden={renaming}>{entry.title}</span>
    <span class="artist">{entry.artist || 'artist not given'}</span>
    <dl>
      <div>
        <dt class="cap">Length</dt>
        <dd class="mono">{minutes(entry.frames / entry.rate)}</dd>
      </div>
      <div>
        <dt class="cap">Rows</dt>
        <dd class="mono">{entry.rowCount}</dd>
      </div>
      <div>
        <dt class="cap">Rate</dt>
        <dd class="mono">{rate(entry.rate)}</dd>
      </div>
      <div>
        <dt class="cap">On disk</dt>
        <dd class="mono">{bytes(entry.recordingBytes + entry.printedBytes)}</dd>
      </div>
    </dl>
    <span class="cap foot">
      changed {moment(entry.changedAt)} · {entry.lastParcelAt
        ? `parcel ${moment(entry.lastParcelAt)}`
        : 'no parcel yet'}
    </span>
  </a>
  <div class="doings">
    {#if may('change')}
      <Button kind="tool" onclick={() => (renaming = true)} aria-label="Rename {entry.title}">Rename</Button>
      <Button kind="tool" onclick={duplicate} aria-label="Duplicate {entry.title}">Duplicate</Button>
    {/if}
    {#if !may('own')}<span class="cap theirs">{entry.owner}’s: you {RIGHTS[entry.may]}</span>{/if}
    {#if may('own')}
      {#if !me.atDesk}<Button kind="tool" onclick={() => (sharing = true)} aria-label="Share {entry.title}"
          >Share…</Button
        >{/if}
      <Button kind="tool" onclick={onremove} aria-label="Remove {entry.title}">Remove…</Button>
    {/if}
  </div>
</li>
{#if sharing}<SharingDialog bind:open={sharing} id={entry.id} title={entry.title} />{/if}

<style>
  li {
    position: relative;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-radius: 4px;
    box-shadow:
      0 1px 0 var(--rule),
      3px 4px 0 var(--band);
  }
  li:has(a:hover) {
    border-color: var(--teal);
  }
  a {
    display: block;
    padding: 16px 18px 8px;
  }
  .tape {
    display: inline-block;
    max-width: 100%;
    background: var(--tape);
    padding: 4px 13px;
    font-weight: 660;
    font-size: 15px;
    transform: rotate(-0.4deg);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  form :global(input) {
    height: 30px;
    font-weight: 660;
    font-size: 15px;
    background: var(--tape);
  }
  .hidden {
    visibility: hidden;
  }
  form {
    position: absolute;
    inset: 13px 18px auto 18px;
    z-index: 1;
  }
  .artist {
    display: block;
    color: var(--ink2);
    margin: 8px 0 10px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  dl {
    display: flex;
    gap: 22px;
  }
  dd {
    white-space: nowrap;
  }
  .foot {
    display: block;
    margin-top: 12px;
    padding-top: 8px;
    border-top: 1px solid var(--rule2);
  }
  .theirs {
    padding: 4px 6px;
  }
  .doings {
    display: flex;
    gap: 8px;
    padding: 0 12px 9px;
  }
</style>
