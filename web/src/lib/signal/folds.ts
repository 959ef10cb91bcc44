import { SvelteSet } from 'svelte/reactivity';

const bySession = new Map<string, SvelteSet<string>>();

/** Buses whose rows are folded away wherever a session's rows are listed, for as long as the page is open. */
export function foldsOf(sessionId: string): SvelteSet<string> {
  const folds = bySession.get(sessionId) ?? new SvelteSet<string>();
  bySession.set(sessionId, folds);
  return folds;
}
