<script lang="ts">
  import { Input } from 'flowbite-svelte';
  import type { HTMLInputAttributes } from 'svelte/elements';

  /** A line to type in. Its words stand beside it, in the label around both. */
  let {
    value = $bindable(''),
    element = $bindable(),
    class: more,
    ...rest
  }: Omit<HTMLInputAttributes, 'size' | 'color' | 'maxlength'> & {
    value?: string | number;
    maxlength?: number | string;
    element?: HTMLInputElement;
  } = $props();
</script>

<Input {...rest as object} class={['control', more]} bind:value bind:elementRef={element} />
