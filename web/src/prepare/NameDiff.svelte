<script lang="ts">
  import type { Piece } from './letterDiff';

  let { pieces, kind }: { pieces: Piece[]; kind: 'gone' | 'come' } = $props();
</script>

<span
  >{#each pieces as piece, i (i)}{#if piece.same}{piece.text}{:else}<mark class={kind}>{piece.text}</mark
      >{/if}{/each}</span
>

<style>
  span {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  mark {
    color: inherit;
    border-radius: 2px;
  }
  .gone {
    background: var(--rust-wash);
    color: var(--rust-ink);
  }
  .come {
    background: var(--teal-wash);
    color: var(--teal);
    font-weight: 640;
  }
</style>
