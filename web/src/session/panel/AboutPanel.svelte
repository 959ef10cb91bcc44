<script lang="ts">
  import { rules } from '../../lib/catalogue/rules.svelte';
  import Select from '../../lib/controls/Select.svelte';
  import type { Role, Row } from '../../lib/api/types';
  import type { Editing } from '../editing.svelte';

  /** What the row is in the music, and its note. */
  let { editing, row }: { editing: Editing; row: Row } = $props();

  function note(field: HTMLTextAreaElement) {
    if (field.value.trim() !== row.about.note) void editing.make('', [editing.setAbout(row, { note: field.value })]);
  }
</script>

<div class="about">
  <label
    >Role<Select
      value={row.about.role}
      onchange={(e) => void editing.make('', [editing.setAbout(row, { role: e.currentTarget.value as Role })])}
      >{#each rules.roles as role (role)}<option value={role}>{role}</option>{/each}</Select
    ></label
  >
  <label class="note"
    ><span class="cap">Note: microphone, preamplifier, player</span><textarea
      class="control"
      maxlength={rules.longestNote}
      rows="2"
      value={row.about.note}
      onblur={(e) => note(e.currentTarget)}
      onkeydown={(e) => e.key === 'Enter' && !e.shiftKey && (e.preventDefault(), e.currentTarget.blur())}
    ></textarea></label
  >
</div>

<style>
  .about {
    display: grid;
    gap: 6px;
    margin: 4px 0 10px;
  }
  label {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 8px;
  }
  .note {
    flex-direction: column;
    align-items: stretch;
    gap: 3px;
  }
  textarea {
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    padding: 4px 7px;
    resize: vertical;
  }
</style>
