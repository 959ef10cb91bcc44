<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import { Dropdown, DropdownItem } from 'flowbite-svelte';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { Editing } from './editing.svelte';

  /** What can be added to a session. Buses and returns take in the rows that are chosen. */
  let {
    editing,
    handoff,
    onfiles,
  }: {
    editing: Editing;
    handoff: HandoffStore;
    onfiles: (files: File[], as: 'rows' | 'take') => void;
  } = $props();
  let open = $state(false);
  let input: HTMLInputElement;
  const many = $derived(editing.chosen.filter((row) => row.type !== 'mix').length);

  async function add(kind: Parameters<Editing['addRow']>[0]) {
    open = false;
    await editing.addRow(kind);
    await handoff.load();
  }

  let as: 'rows' | 'take' = 'rows';
  function choose(kind: 'rows' | 'take') {
    open = false;
    as = kind;
    input.click();
  }

  function files(list: FileList | null) {
    if (list?.length) onfiles([...list], as);
    input.value = '';
  }
</script>

<Button size="small" id="add">+ Add</Button>
<Dropdown
  simple
  bind:isOpen={open}
  triggeredBy="#add"
  class="w-60 bg-(--sheet) dark:bg-(--sheet) border border-(--rule)"
>
  <DropdownItem class="w-full text-left" onclick={() => choose('rows')}>Recordings or files…</DropdownItem>
  {#if editing.single?.type === 'audio'}<DropdownItem class="w-full text-left" onclick={() => choose('take')}
      >New take of “{editing.single.name}”…</DropdownItem
    >{/if}
  <DropdownItem class="w-full text-left" onclick={() => add('bus')}
    >Bus{many ? ` for ${many === 1 ? 'the chosen row' : `${many} chosen rows`}` : ''}</DropdownItem
  >
  <DropdownItem class="w-full text-left" onclick={() => add('return')}
    >Return{many ? ` fed by ${many === 1 ? 'the chosen row' : `${many} chosen rows`}` : ''}</DropdownItem
  >
  <DropdownItem class="w-full text-left" onclick={() => add('audio')}>Empty audio row</DropdownItem>
  <DropdownItem class="w-full text-left" onclick={() => add('instrument')}>Instrument row</DropdownItem>
  <DropdownItem class="w-full text-left" href="/api/sessions/{editing.store.id}/file" onclick={() => (open = false)}
    >Save session to a file</DropdownItem
  >
</Dropdown>
<input
  bind:this={input}
  class="hidden"
  type="file"
  multiple
  aria-label="Files to add"
  onchange={(e) => files(e.currentTarget.files)}
/>

<style>
  .hidden {
    display: none;
  }
</style>
