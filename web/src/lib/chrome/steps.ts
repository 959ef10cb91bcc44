/** Undo and redo by keyboard, unless something is being typed. True when the key was one of them. */
export function steps(event: KeyboardEvent, store: { undo: () => unknown; redo: () => unknown }): boolean {
  if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest('input, select, textarea'))
    return false;
  const key = event.key.toLowerCase();
  if (key !== 'z' && key !== 'y') return false;
  event.preventDefault();
  void (key === 'y' || event.shiftKey ? store.redo() : store.undo());
  return true;
}
