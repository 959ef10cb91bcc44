<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import type { Found, Remedy } from '../lib/api/types';
  import type { FindingsStore } from '../lib/state/findings.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';
  import EvidenceRoute from './EvidenceRoute.svelte';
  import EvidenceWave from './EvidenceWave.svelte';

  let {
    store,
    session: sessions,
    found,
    onleft,
  }: { store: FindingsStore; session: SessionStore; found: Found; onleft: () => void } = $props();
  const finding = $derived(found.finding);
  const session = $derived(sessions.session!);
  const row = $derived(session.rows.find((each) => each.id === finding.rows[0]));
  const number = $derived(session.rows.findIndex((each) => each.id === finding.rows[0]) + 1);
  const FACTS = ['noTempo', 'noKey', 'tempoAgainstNotes'];
  let busy = $state(false);

  async function take(remedy: Remedy) {
    busy = true;
    await store.take(found, remedy);
    busy = false;
  }

  async function leave() {
    busy = true;
    await store.leave(found);
    busy = false;
    onleft();
  }

  const where = (remedy: Remedy) =>
    remedy.subject === 'session' ? (remedy.sound === 'stays' ? 'session, sound stays' : 'session') : 'plan only';
</script>

<section aria-label="Finding">
  <p class="cap">
    {finding.rows.length > 1
      ? `${finding.rows.length} ROWS`
      : row
        ? row.type === 'mix'
          ? 'MIX'
          : `ROW ${number} · ${row.name.toUpperCase()}`
        : 'THE SONG'}
  </p>
  <h2>{finding.title}</h2>
  <p class="words">{finding.words}</p>
  {#if finding.evidence.drawing}
    {#if finding.evidence.drawing.kind === 'route'}<EvidenceRoute {session} route={finding.evidence.drawing.route} />
    {:else}<EvidenceWave {session} drawing={finding.evidence.drawing} tempo={sessions.tempo} />{/if}
  {/if}
  {#if finding.evidence.figures.length}
    <dl class:many={finding.evidence.figures.length > 4}>
      {#each finding.evidence.figures as figure, i (i)}<div>
          <dt class="cap">{figure.what}</dt>
          <dd class="mono">{figure.value}</dd>
        </div>{/each}
    </dl>
  {/if}
  <div class="remedies" role="group" aria-label="What can be done">
    {#each finding.remedies as remedy, i (remedy.label)}
      <Button
        kind={i === 0 && !found.dismissed ? 'main' : 'plain'}
        disabled={busy}
        onclick={() => take(remedy)}
        title={remedy.subject === 'session'
          ? 'Changes the session; can be undone'
          : 'Changes what is printed; leaves the session alone'}
        >{remedy.label}<span class="where">{where(remedy)}</span></Button
      >
    {/each}
    {#if FACTS.includes(finding.check)}<Button kind="main" href="#/s/{sessions.id}?facts">Open the song’s facts</Button
      >{/if}
    {#if row && !FACTS.includes(finding.check)}<Button href="#/s/{sessions.id}?row={row.id}">Show it in Session</Button
      >{/if}
    <span class="leave">
      {#if found.dismissed}<Button size="small" disabled={busy} onclick={() => store.restore(found)}
          >Put it back on the list</Button
        >
      {:else}<Button size="small" disabled={busy} onclick={leave} title="Stays off the list until its evidence changes"
          >Leave it</Button
        >{/if}
    </span>
  </div>
</section>

<style>
  section {
    padding: 14px 18px 14px;
    border-bottom: 2px solid var(--ink);
    flex: none;
    max-height: 56%;
    overflow: auto;
  }
  h2 {
    font-size: 16px;
    font-weight: 700;
    margin: 2px 0;
  }
  .words {
    color: var(--ink2);
    margin-bottom: 10px;
    max-width: 90ch;
  }
  dl {
    display: flex;
    gap: 6px 28px;
    flex-wrap: wrap;
    margin: 9px 0 0;
  }
  dl.many {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
    max-height: 120px;
    overflow: auto;
  }
  dl div {
    display: flex;
    gap: 8px;
    align-items: baseline;
    min-width: 0;
  }
  dd {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .remedies {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-top: 12px;
    align-items: center;
  }
  .where {
    font-weight: 450;
    font-size: 12px;
    margin-left: 8px;
    opacity: 0.85;
  }
  .leave {
    margin-left: auto;
  }
</style>
