<script lang="ts">
  import client, { answer } from '../lib/api/client';
  import type { InTheBin } from '../lib/api/types';
  import Button from '../lib/controls/Button.svelte';
  import { bytes, moment } from '../lib/units';

  /** What was removed and can be brought back. */
  let {
    entries,
    attempt,
  }: { entries: InTheBin[]; attempt: (work: () => Promise<unknown>, done?: string) => Promise<void> } = $props();
  const WORDS = { session: 'the session', handoff: 'a handoff', run: 'a run' } as const;
  const name = (entry: InTheBin) => (entry.words ? `${entry.title}: ${entry.words}` : entry.title);

  function restore({ kind, id }: InTheBin) {
    const at = { params: { path: { id } } };
    return kind === 'session'
      ? answer(client.POST('/api/bin/sessions/{id}/restore', at))
      : kind === 'handoff'
        ? answer(client.POST('/api/bin/handoffs/{id}/restore', at))
        : answer(client.POST('/api/bin/runs/{id}/restore', at));
  }

  function empty({ kind, id }: InTheBin) {
    const at = { params: { path: { id } } };
    return kind === 'session'
      ? answer(client.DELETE('/api/bin/sessions/{id}', at))
      : kind === 'handoff'
        ? answer(client.DELETE('/api/bin/handoffs/{id}', at))
        : answer(client.DELETE('/api/bin/runs/{id}', at));
  }
</script>

<ul aria-label="Bin">
  {#each entries as entry (entry.kind + entry.id)}
    <li>
      <span class="what"><b>{name(entry)}</b> <span class="cap">{WORDS[entry.kind]}</span></span>
      <span class="cap">removed {moment(entry.removedAt)}, goes {moment(entry.goesAt)}</span>
      <span class="mono">{bytes(entry.bytes)}</span>
      <Button
        size="small"
        aria-label="Bring {name(entry)} back"
        onclick={() => attempt(() => restore(entry), `“${name(entry)}” is back.`)}>Bring back</Button
      >
      <Button
        size="small"
        aria-label="Remove {name(entry)} for good"
        onclick={() => attempt(() => empty(entry), 'That is gone for good.')}>For good</Button
      >
    </li>
  {:else}<li class="cap">The bin is empty. What is removed lies here for a month before it goes.</li>{/each}
</ul>

<style>
  li {
    display: flex;
    align-items: center;
    gap: 12px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule2);
  }
  .what {
    flex: 1;
  }
</style>
