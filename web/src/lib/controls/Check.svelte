<script lang="ts">
  import { Checkbox } from 'flowbite-svelte';
  import type { HTMLInputAttributes } from 'svelte/elements';

  /** Yes or no. Its words stand beside it, in the label around both. */
  let { checked = $bindable(), ...rest }: Omit<HTMLInputAttributes, 'type' | 'size' | 'color'> = $props();
</script>

<Checkbox {...rest as object} class="me-0" bind:checked={() => !!checked, (now) => (checked = now)} />
