import type { Verdict } from '../lib/api/types';
import type { TabBadge } from '../lib/chrome/Tabs.svelte';

/** What the proof's tab says: the worst first. */
export function proofBadge(verdicts: Verdict[]): TabBadge {
  const wrong = verdicts.filter((verdict) => verdict.grade === 'wrong').length;
  if (wrong) return { text: `${wrong} wrong`, colour: 'rust' };
  const look = verdicts.filter((verdict) => verdict.grade === 'look').length;
  return look ? { text: `${look} to look at`, colour: 'ochre' } : { text: 'proved good', colour: 'moss' };
}
