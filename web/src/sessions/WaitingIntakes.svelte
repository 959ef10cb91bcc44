<script lang="ts">
  import type { WaitingIntake } from '../lib/api/types';
  import { moment } from '../lib/units';

  /** What came and waits to become a session. */
  let { waiting }: { waiting: WaitingIntake[] } = $props();
</script>

{#if waiting.length}
  <section aria-label="Came in, and no session yet">
    <h2 class="cap">Came in, and no session yet</h2>
    <ul>
      {#each waiting as { id, title, createdAt } (id)}
        <li><a href="#/intake/{id}"><b>{title}</b> <span class="cap">came {moment(createdAt)}</span></a></li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  section {
    margin-top: 22px;
  }
  li a {
    display: block;
    border: 1px solid var(--rule);
    border-left: 4px solid var(--ochre);
    border-radius: 4px;
    background: var(--sheet);
    padding: 8px 14px;
    margin-top: 6px;
  }
</style>
