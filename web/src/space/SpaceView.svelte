<script lang="ts">
  import { onDestroy } from 'svelte';
  import client, { answer } from '../lib/api/client';
  import type { InTheBin, SpacePicture } from '../lib/api/types';
  import HousePage from '../lib/chrome/HousePage.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import ConfirmDialog from '../lib/ConfirmDialog.svelte';
  import Button from '../lib/controls/Button.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { Served } from '../lib/state/served.svelte';
  import { bytes } from '../lib/units';
  import BinList from './BinList.svelte';
  import KeepRule from './KeepRule.svelte';
  import SpaceBar from './SpaceBar.svelte';

  /** What takes the room, how long runs are kept, and what can be brought back. */
  const space = new Served<SpacePicture>({
    key: ['space'],
    ask: (signal) => answer(client.GET('/api/space', { signal })),
  });
  const bin = new Served<InTheBin[]>({ key: ['bin'], ask: (signal) => answer(client.GET('/api/bin', { signal })) });
  onDestroy(() => {
    space.close();
    bin.close();
  });
  let forgetting = $state.raw<{ id: string; title: string }>();
  let asking = $state(false);

  const picture = $derived(space.data);
  const sessions = $derived([...(picture?.sessions ?? [])].sort((a, b) => total(b) - total(a)));
  const total = (each: SpacePicture['sessions'][number]) => each.recordings + each.printed + each.binned;
  const largest = $derived(Math.max(1, ...sessions.map(total)));
  const all = $derived(
    picture
      ? [
          { words: 'recordings', size: picture.recordings - picture.waiting, kind: 'recordings' as const },
          { words: 'came in, no session yet', size: picture.waiting, kind: 'waiting' as const },
          { words: 'printed', size: picture.printed, kind: 'printed' as const },
          { words: 'in the bin', size: picture.binned, kind: 'binned' as const },
        ]
      : [],
  );
  const taken = $derived(all.reduce((sum, each) => sum + each.size, 0));

  async function attempt(work: () => Promise<unknown>, done?: string) {
    try {
      await work();
      if (done) toasts.say(done, 'good');
      await Promise.all([space.load(), bin.load()]);
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  const keep = (runs: number | null) => attempt(() => answer(client.PUT('/api/keeping', { body: { runs } })));
  const keepOf = (id: string, runs: number | null) =>
    attempt(() => answer(client.PUT('/api/sessions/{id}/keeping', { params: { path: { id } }, body: { runs } })));
</script>

<HousePage title="Space">
  {#if space.failure}
    <Failure words={space.failure} retry={() => space.load()} />
  {:else if !picture}
    <Loading words="Measuring what lies on the disk…" />
  {:else}
    <p class="sum">
      <b>{bytes(taken)}</b> taken{#if picture.quota}
        of {bytes(picture.quota)} that this account may take{/if} · {bytes(picture.free)} left on the disk · database {bytes(
        picture.database,
      )}
    </p>
    <SpaceBar parts={all} whole={picture.quota ?? taken + picture.free} tall />
    <ul class="key" aria-label="What takes it">
      {#each all as part (part.kind)}<li><i class={part.kind}></i>{part.words} <b>{bytes(part.size)}</b></li>{/each}
    </ul>

    <h2>Sessions, the largest first</h2>
    <p class="rule">
      <span>Of each handoff the house keeps</span>
      <KeepRule runs={picture.keepRuns} none="all runs" label="Runs the house keeps" onchange={keep} />
      <span>and those that somebody picked up or still can; others go into the bin by themselves.</span>
    </p>
    <table>
      <thead><tr><th>Session</th><th class="wide">Takes</th><th>Together</th><th>Keeps</th><th></th></tr></thead>
      <tbody>
        {#each sessions as each (each.id)}
          <tr class:removed={each.removed}>
            <td>
              {#if each.removed}{each.title} <span class="cap">in the bin</span>{:else}<a href="#/s/{each.id}"
                  >{each.title}</a
                >{/if}
            </td>
            <td>
              <SpaceBar
                parts={[
                  { words: 'recordings', size: each.recordings, kind: 'recordings' },
                  { words: 'printed', size: each.printed, kind: 'printed' },
                  { words: 'in the bin', size: each.binned, kind: 'binned' },
                ]}
                whole={largest}
              />
            </td>
            <td class="mono">{bytes(total(each))}</td>
            <td>
              <KeepRule
                runs={each.keepRuns}
                none="as the house"
                every
                label="Runs kept of {each.title}"
                onchange={(runs) => keepOf(each.id, runs)}
              />
            </td>
            <td>
              <Button
                size="small"
                aria-label="Forget {each.title}"
                onclick={() => {
                  forgetting = each;
                  asking = true;
                }}>Forget…</Button
              >
            </td>
          </tr>
        {:else}<tr><td colspan="5" class="cap">There is no session yet.</td></tr>{/each}
      </tbody>
    </table>

    <h2>Bin</h2>
    <BinList entries={bin.data ?? []} {attempt} />
  {/if}
</HousePage>
{#if forgetting}
  <ConfirmDialog
    bind:open={asking}
    title="Forget “{forgetting.title}”?"
    verb="Forget it for good"
    onconfirm={async () => {
      const { id, title } = forgetting!;
      await answer(client.POST('/api/sessions/{id}/forget', { params: { path: { id } } }));
      await Promise.all([space.load(), bin.load()]);
      toasts.say(`Nothing is left of “${title}”.`, 'good');
    }}
  >
    <p>
      It goes now and for good, past the bin: history, plans, runs, links, the recordings that no other session uses,
      and the lines about it in the log.
    </p>
  </ConfirmDialog>
{/if}

<style>
  h2 {
    font-weight: 680;
    border-top: 2px solid var(--ink);
    margin-top: 24px;
    padding-top: 10px;
  }
  .sum {
    margin-bottom: 8px;
  }
  .key {
    display: flex;
    flex-wrap: wrap;
    gap: 18px;
    margin-top: 8px;
    font-size: 12px;
  }
  .key i {
    display: inline-block;
    width: 12px;
    height: 12px;
    margin-right: 6px;
    vertical-align: -1px;
    border: 1px solid var(--ink);
  }
  .key .recordings {
    background: var(--teal);
  }
  .key .waiting {
    background: repeating-linear-gradient(90deg, var(--teal) 0 3px, var(--sheet) 3px 6px);
  }
  .key .printed {
    background: var(--ink);
  }
  .key .binned {
    background: repeating-linear-gradient(45deg, var(--ink) 0 2px, var(--sheet) 2px 6px);
  }
  .rule {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 8px;
    margin: 8px 0;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    text-align: left;
    font-weight: 600;
    font-size: 12px;
    color: var(--ink2);
    padding: 4px 10px 4px 0;
  }
  .wide {
    width: 45%;
  }
  td {
    padding: 5px 12px 5px 0;
    border-top: 1px solid var(--rule2);
  }
  td a {
    font-weight: 600;
  }
  td a:hover {
    color: var(--teal);
    text-decoration: underline;
  }
  .removed td:first-child {
    color: var(--ink2);
  }
</style>
