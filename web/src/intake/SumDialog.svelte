<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import client, { answer } from '../lib/api/client';
  import type { IntakeSum } from '../lib/api/types';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { minutes, signed } from '../lib/units';
  import type { IntakeStore } from './intake.svelte';

  /** How much of the mix the files explain as they would lie. */
  let { store, open = $bindable() }: { store: IntakeStore; open: boolean } = $props();
  let sum = $state.raw<IntakeSum>();
  let failure = $state<string>();

  async function work() {
    sum = failure = undefined;
    try {
      sum = await answer(client.GET('/api/intakes/{id}/sum', { params: { path: { id: store.id } } }));
    } catch (thrown) {
      failure = (thrown as Error).message;
    }
  }

  $effect(() => {
    if (open) void work();
  });

  const named = (id: string) => store.intake?.files.find((file) => file.id === id)?.seat.row ?? id;
  const percent = (share: number) => `${(share * 100).toFixed(share > 0.995 ? 1 : 0)} %`;
  const least = $derived(sum ? sum.pieces.indexOf(Math.min(...sum.pieces)) : 0);
  const words = $derived(
    !sum
      ? ''
      : sum.explained > 0.98
        ? 'The files are the mix, but for what colours it.'
        : sum.explained > 0.85
          ? 'The files are most of the mix; what is left may be effects, width and mastering.'
          : 'A good part of the mix is in none of the files, or goes through what changes it much.',
  );
</script>

<Modal bind:open title="Does it add up?" size="md" class="bg-(--sheet) dark:bg-(--sheet)">
  {#if failure}
    <Failure words={failure} retry={work} />
  {:else if !sum}
    <Loading words="Laying all files over the mix…" />
  {:else}
    <p><b class="share">{percent(sum.explained)}</b> of the mix. {words}</p>
    <div
      class="pieces"
      role="img"
      aria-label="Over the song, from {percent(Math.min(...sum.pieces))} to {percent(Math.max(...sum.pieces))}"
    >
      {#each sum.pieces as share, i (i)}<span title={percent(share)}><span style="height:{share * 100}%"></span></span
        >{/each}
    </div>
    <p class="cap">
      from 0:00 to {minutes(sum.seconds, 0)}; least, {percent(sum.pieces[least]!)}, around {minutes(
        ((least + 0.5) * sum.seconds) / sum.pieces.length,
        0,
      )}. Below 1.6 kHz, in mono, each file at the level that fits best
    </p>
    <table>
      <tbody>
        {#each sum.shares as { file, gainDb, turned, isThere } (file)}
          <tr>
            <td>{named(file)}</td>
            <td class="mono">{isThere ? `${signed(gainDb)} dB` : ''}</td>
            <td
              >{#if !isThere}<span class="badge ochre">not in the mix</span>{:else if turned}<span class="badge ochre"
                  >turned over</span
                >{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</Modal>

<style>
  .share {
    font-size: 22px;
  }
  .pieces {
    display: flex;
    align-items: flex-end;
    gap: 2px;
    height: 54px;
    margin-top: 10px;
  }
  .pieces > span {
    flex: 1;
    height: 100%;
    display: flex;
    align-items: flex-end;
    background: var(--rust-wash);
  }
  .pieces > span > span {
    width: 100%;
    background: var(--moss);
  }
  table {
    width: 100%;
    margin-top: 10px;
  }
  td {
    padding: 3px 6px;
    border-top: 1px solid var(--rule2);
  }
</style>
