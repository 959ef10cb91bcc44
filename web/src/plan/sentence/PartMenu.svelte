<script lang="ts">
  import { Dropdown } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import type { SentencePart } from '../../lib/api/types';

  /** A part of the sentence: reads as text, and opens where it stands to be changed, or somewhere else. */
  let {
    part,
    label,
    onopen,
    children,
  }: {
    part: SentencePart;
    label: string;
    /** Opens it somewhere else. */
    onopen?: () => void;
    /** What is in the menu; gets the way to close it. */
    children?: Snippet<[() => void]>;
  } = $props();
  const id = $props.id();
  let open = $state(false);

  function onkeydown(event: KeyboardEvent) {
    if (event.key === 'Escape' && open) {
      open = false;
      document.getElementById(id)?.focus();
    }
  }
</script>

<svelte:window {onkeydown} />
<span class="whole">
  <button
    {id}
    class="part"
    class:by-hand={part.byHand}
    data-part={part.about}
    aria-label="{label}: {part.words}{part.byHand ? ', set by hand' : ''}"
    aria-expanded={children ? open : undefined}
    title={part.byHand ? `${label}, set by hand` : label}
    onclick={onopen}>{part.words}</button
  >{#if children}<Dropdown
      bind:isOpen={open}
      triggeredBy="#{id}"
      placement="bottom-start"
      class="z-30 bg-(--sheet) dark:bg-(--sheet) text-(--ink) border border-(--rule) min-w-52 p-2"
    >
      {#if open}{@render children(() => (open = false))}{/if}
    </Dropdown>{/if}
</span>

<style>
  /* leaves out the white space there is around what opens, which a comma would follow */
  .whole {
    display: inline-flex;
  }
  .part {
    display: inline;
    font-weight: 640;
    color: var(--ink);
    padding: 1px 1px 0;
    text-decoration: underline dotted var(--ink3) 1px;
    text-underline-offset: 4px;
    cursor: pointer;
  }
  .part:hover,
  .part[aria-expanded='true'] {
    background: var(--teal-wash);
    text-decoration-color: var(--teal);
  }
  .by-hand {
    background: var(--ochre-wash);
    color: var(--ochre-ink);
    border-radius: 3px;
    padding-inline: 4px;
  }
</style>
