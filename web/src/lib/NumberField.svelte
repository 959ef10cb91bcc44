<script lang="ts">
  import Field from './controls/Field.svelte';
  import { readNumber, written } from './numbers';

  /** A number with its unit: typed, or stepped with the arrow keys; taken on Enter or when left. */
  let {
    label,
    value,
    unit = '',
    lowest,
    highest,
    step = 1,
    digits = 2,
    hidden = false,
    onset,
  }: {
    label: string;
    value: number;
    unit?: string;
    lowest: number;
    highest: number;
    step?: number;
    digits?: number;
    /** The label is read out, not shown. */
    hidden?: boolean;
    onset: (value: number) => void;
  } = $props();

  function take(field: HTMLInputElement) {
    const typed = readNumber(field.value);
    const next = typed === undefined ? value : Math.min(highest, Math.max(lowest, typed));
    field.value = written(next, digits);
    if (Math.abs(next - value) > 1e-9) onset(next);
  }

  function onkeydown(event: KeyboardEvent) {
    const field = event.currentTarget as HTMLInputElement;
    if (event.key === 'Enter') take(field);
    else if (event.key === 'Escape') field.value = written(value, digits);
    else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      const from = readNumber(field.value) ?? value;
      field.value = written(
        Math.min(
          highest,
          Math.max(lowest, from + (event.key === 'ArrowUp' ? step : -step) * (event.shiftKey ? 10 : 1)),
        ),
        digits,
      );
    }
  }
</script>

<label>
  <span class:hidden>{label}</span>
  <Field
    class="w-16! flex-none text-right font-mono"
    value={written(value, digits)}
    {onkeydown}
    onblur={(e) => take(e.currentTarget)}
    inputmode="decimal"
    autocomplete="off"
  />
  <span class="cap unit">{unit}</span>
</label>

<style>
  label {
    display: flex;
    align-items: center;
    gap: 6px;
    min-width: 0;
    padding: 1px 0;
  }
  label > span:first-child {
    flex: 1;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .hidden {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  .unit {
    width: 46px;
    flex: none;
  }
</style>
