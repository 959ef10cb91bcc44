<script lang="ts">
  import type { Row, Session } from '../../lib/api/types';

  /** What comes into a row, and where it goes from there: lines into the row's ring and out of it. */
  let { session, row, onchoose }: { session: Session; row: Row; onchoose: (id: string) => void } = $props();
  const HEIGHT = 22;
  const incoming = $derived([
    ...session.rows.filter((each) => each.strip.outputs.includes(row.id)).map((each) => ({ row: each, how: '' })),
    ...session.rows
      .filter((each) => each.strip.sends.some((send) => send.to === row.id))
      .map((each) => ({ row: each, how: 'send' })),
  ]);
  const outgoing = $derived(
    [
      ...row.strip.outputs.map((id) => ({ row: session.rows.find((each) => each.id === id), how: '' })),
      ...row.strip.sends.map((send) => ({ row: session.rows.find((each) => each.id === send.to), how: 'send' })),
      ...session.rows
        .filter((each) => each.strip.inserts.some((insert) => insert.key === row.id))
        .map((each) => ({ row: each, how: 'listens' })),
    ].filter((each): each is { row: Row; how: string } => !!each.row),
  );
  const height = $derived(Math.max(incoming.length, outgoing.length, 1) * HEIGHT + 8);
  const y = (i: number, of: number) => height / 2 + (i - (of - 1) / 2) * HEIGHT;
  const short = (name: string) => (name.length > 15 ? name.slice(0, 14) + '…' : name);
</script>

{#if row.type !== 'mix' || incoming.length}
  <h3>Where it comes from and goes</h3>
  <svg viewBox="0 0 290 {height}" role="group" aria-label="Routing of {row.name}">
    {#each incoming as each, i (each.row.id + each.how)}
      <path
        d="M96 {y(i, incoming.length)} C 122 {y(i, incoming.length)}, 122 {height / 2}, 140 {height / 2}"
        class={each.how}
      />
    {/each}
    {#each outgoing as each, i (each.row.id + each.how)}
      <path
        d="M150 {height / 2} C 170 {height / 2}, 170 {y(i, outgoing.length)}, 194 {y(i, outgoing.length)}"
        class={each.how}
      />
    {/each}
    {#if !outgoing.length && row.type !== 'mix'}<path d="M150 {height / 2}h26" /><path
        d="M176 {height / 2 - 8}v16"
        class="end"
      />{/if}
    <circle cx="145" cy={height / 2} r="6" class:mix={row.type === 'mix'} />
    {#each incoming as each, i (each.row.id + each.how)}
      <text
        x="92"
        y={y(i, incoming.length) + 4}
        text-anchor="end"
        role="button"
        tabindex="0"
        onclick={() => onchoose(each.row.id)}
        onkeydown={(e) => e.key === 'Enter' && onchoose(each.row.id)}>{short(each.row.name)}</text
      >
    {/each}
    {#each outgoing as each, i (each.row.id + each.how)}
      <text
        x="198"
        y={y(i, outgoing.length) + 4}
        role="button"
        tabindex="0"
        onclick={() => onchoose(each.row.id)}
        onkeydown={(e) => e.key === 'Enter' && onchoose(each.row.id)}
        >{short(each.row.name)}{each.how ? ` (${each.how})` : ''}</text
      >
    {/each}
  </svg>
{/if}

<style>
  svg {
    width: 100%;
    display: block;
  }
  path {
    fill: none;
    stroke: var(--teal);
    stroke-width: 2;
  }
  path.send,
  path.listens {
    stroke-dasharray: 4 3;
  }
  path.end {
    stroke: var(--rust);
    stroke-width: 3;
  }
  circle {
    fill: var(--side);
    stroke: var(--teal);
    stroke-width: 2.5;
  }
  circle.mix {
    stroke: var(--rust);
  }
  text {
    font-size: 12px;
    fill: var(--ink);
    cursor: pointer;
  }
  text:hover {
    text-decoration: underline;
  }
</style>
