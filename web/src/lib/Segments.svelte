<script lang="ts" generics="T extends string">
  /** One of a few, side by side: radio buttons, so that arrow keys walk from one to the next. */
  let {
    label,
    options,
    value,
    onchoose,
  }: {
    /** Read out, not shown. */
    label: string;
    options: readonly (readonly [T, string])[];
    value: T;
    onchoose: (value: T) => unknown;
  } = $props();
  const name = $props.id();
</script>

<div class="segments" role="radiogroup" aria-label={label}>
  {#each options as [each, words] (each)}
    <label class:on={each === value}
      ><input type="radio" {name} value={each} checked={each === value} onchange={() => onchoose(each)} />{words}</label
    >
  {/each}
</div>

<style>
  .segments {
    flex: none;
    display: flex;
    border: 1px solid var(--rule);
    border-radius: 6px;
    overflow: hidden;
  }
  label {
    position: relative;
    padding: 4px 7px;
    font-size: 12.5px;
    font-weight: 560;
    color: var(--ink2);
    white-space: nowrap;
  }
  input {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    opacity: 0;
    cursor: pointer;
  }
  .on {
    background: var(--teal-wash);
    color: var(--teal);
    font-weight: 660;
  }
  label:has(:focus-visible) {
    outline: 2px solid var(--teal);
    outline-offset: -2px;
    border-radius: 6px;
  }
</style>
