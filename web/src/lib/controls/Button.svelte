<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { HTMLAnchorAttributes, HTMLButtonAttributes } from 'svelte/elements';

  /** Every button there is: its look comes of what it is for, and is written once, in app.css. */
  let {
    kind = 'plain',
    size = 'usual',
    class: more,
    children,
    ...rest
  }: HTMLButtonAttributes &
    Partial<Pick<HTMLAnchorAttributes, 'href' | 'download' | 'target' | 'rel'>> & {
      /** `main`: what one came for; `listen`: starts and stops sound; `tool`: a small mark beside something; `danger`: cannot be undone. */
      kind?: 'plain' | 'main' | 'listen' | 'tool' | 'danger';
      size?: 'usual' | 'small';
    } = $props();
</script>

<Button {...rest as object} class={['button', kind, size, more]}>{@render children?.()}</Button>
