<script lang="ts">
  /** Shows what only a `title` says to those without a mouse: beside what has the focus, or was touched. */
  let words = $state('');
  let place = $state({ left: 0, top: 0 });
  const WIDTH = 280;

  function show(target: EventTarget | null) {
    const about = target instanceof Element ? target.closest<HTMLElement>('[title]') : null;
    words = about?.title ?? '';
    if (!about || !words) return;
    const { left, bottom, top } = about.getBoundingClientRect();
    const below = bottom + 70 < innerHeight;
    place = { left: Math.max(8, Math.min(left, innerWidth - WIDTH - 8)), top: below ? bottom + 6 : top - 6 };
    raised = !below;
  }
  let raised = $state(false);

  const onfocusin = ({ target }: FocusEvent) => {
    if (target instanceof Element && target.matches(':focus-visible')) show(target);
    else words = '';
  };
  const onpointerdown = ({ pointerType, target }: PointerEvent) => {
    if (pointerType === 'touch') show(target);
    else words = '';
  };
</script>

<svelte:window
  {onfocusin}
  {onpointerdown}
  onfocusout={() => (words = '')}
  onkeydown={(event) => event.key === 'Escape' && (words = '')}
  onscrollcapture={() => (words = '')}
/>

{#if words}
  <p
    class="explained"
    aria-hidden="true"
    style="left:{place.left}px;top:{place.top}px;max-width:{WIDTH}px;{raised ? 'transform:translateY(-100%)' : ''}"
  >
    {words}
  </p>
{/if}

<style>
  .explained {
    position: fixed;
    z-index: 60;
    padding: 5px 9px;
    border-radius: 5px;
    background: var(--ink);
    color: var(--sheet);
    font-size: 12px;
    line-height: 1.35;
    white-space: pre-line;
    pointer-events: none;
    overflow-wrap: anywhere;
  }
</style>
