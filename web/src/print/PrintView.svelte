<script lang="ts">
  import { push } from 'svelte-spa-router';
  import client, { answer } from '../lib/api/client';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import type { AudioRow, RunView, Session } from '../lib/api/types';
  import RunFrame from '../lib/RunFrame.svelte';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import EarlierRuns from './EarlierRuns.svelte';
  import FileLine from './FileLine.svelte';
  import Overall from './Overall.svelte';
  import QueuePanel from './QueuePanel.svelte';

  let { params }: { params: { id: string } } = $props();

  /** Share of its frames that every file holds. */
  function written(view: RunView): number {
    if (view.state === 'failed' || view.state === 'cancelled') return 0;
    return view.frames ? view.detail.framesPrinted / view.frames : 1;
  }

  const rowOf = (session: Session, id: string) =>
    session.rows.find((r) => r.id === id && r.type === 'audio') as AudioRow | undefined;

  async function retry(handoff: HandoffStore, id: string) {
    try {
      const started = await answer(client.POST('/api/runs/{id}/retry', { params: { path: { id } } }));
      await handoff.loadRuns();
      await push(`/s/${params.id}/print?run=${started.id}`);
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  /** Shows the newest that is left. */
  async function remove(handoff: HandoffStore, id: string) {
    await answer(client.DELETE('/api/runs/{id}', { params: { path: { id } } }));
    await handoff.loadRuns();
    await push(`/s/${params.id}/print`);
  }

  async function again(handoff: HandoffStore) {
    if (await handoff.print()) await push(`/s/${params.id}/print`);
  }
</script>

<RunFrame
  sessionId={params.id}
  tab="print"
  which="newest"
  title="Print"
  keys={[['Tab', 'Next button or run']]}
  none={{
    heading: 'Nothing printed yet',
    words: 'Choose rows and a format in the plan; then print them all in one walk through the song.',
  }}
>
  {#snippet children({ run, view, session, handoff })}
    <div class="main">
      <Overall {run} {view} sessionId={params.id} onagain={() => again(handoff)} />
      <ul class="files" aria-label="Files">
        {#each view.files as file, i (file.folder + file.name)}
          {#if view.sections.length > 1 && file.section !== view.files[i - 1]?.section}<li class="section">
              {view.sections[file.section]!.name}
            </li>{/if}
          <FileLine
            {file}
            session={session.session!}
            row={rowOf(session.session!, file.row)}
            frames={view.frames}
            done={written(view)}
            picture={run.picturesCome >= 0 ? run.picture(i) : undefined}
          />
        {/each}
      </ul>
    </div>
    <aside class="side" aria-label="Runs">
      <QueuePanel shown={view.id} />
      <EarlierRuns
        sessionId={params.id}
        runs={handoff.runs}
        {view}
        onretry={(id) => retry(handoff, id)}
        onremove={(id) => remove(handoff, id)}
      />
    </aside>
  {/snippet}
</RunFrame>

<style>
  .section {
    padding: 9px 16px 4px;
    font-weight: 660;
    border-bottom: 1px solid var(--rule2);
  }
  .files {
    flex: 1;
    overflow-y: auto;
    min-height: 0;
  }
</style>
