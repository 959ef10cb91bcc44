<script lang="ts" generics="T extends string">
  import { Select } from 'flowbite-svelte';
  import type { HTMLSelectAttributes } from 'svelte/elements';

  /** A choice of one; shows what holds, so that a choice that is refused does not stay. Options are its children. */
  let {
    value,
    class: more,
    children,
    ...rest
  }: Omit<HTMLSelectAttributes, 'size' | 'value'> & { value?: T | null | undefined } = $props();
</script>

<Select
  {...rest as object}
  placeholder=""
  class="contents"
  classes={{ select: ['control w-auto', more].filter(Boolean).join(' ') }}
  bind:value={() => value, () => {}}>{@render children?.()}</Select
>
