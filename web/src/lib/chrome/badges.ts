import type { FindingsSummary, RunView, Verdict } from '../api/types';
import type { HandoffStore } from '../state/handoff.svelte';
import type { SessionStore } from '../state/session.svelte';
import { soundFiles } from '../../plan/extras';
import { bytes, count, minutes } from '../units';
import type { TabBadge, TabName } from './Tabs.svelte';

/** What waits behind every tab, in a few words. */
export function badges(
  session: SessionStore,
  handoff: HandoffStore,
  run: RunView | undefined,
): Partial<Record<TabName, TabBadge>> {
  const found: Partial<Record<TabName, TabBadge>> = {};
  if (session.session) found.session = { text: count(session.session.rows.length - 1, 'row'), colour: 'teal' };
  if (handoff.state) found.plan = { text: count(soundFiles(handoff.state.plan).length, 'file'), colour: 'teal' };
  if (run) found.print = printBadge(run);
  if (run?.state === 'done') found.proof = proofBadge(run.verdicts);
  if (run?.parcels.length)
    found.parcel = { text: bytes(run.parcels.reduce((sum, zip) => sum + zip.bytes, 0)), colour: 'teal' };
  return found;
}

/** How much of what was found still waits. */
export function prepareBadge(found: FindingsSummary | undefined): TabBadge | undefined {
  if (!found) return undefined;
  if (found.open.stops)
    return { text: found.open.stops === 1 ? '1 stops' : `${found.open.stops} stop`, colour: 'rust' };
  if (found.open.look) return { text: `${found.open.look} to look at`, colour: 'ochre' };
  if (found.unmeasured) return { text: 'measuring', colour: 'teal' };
  return found.open.know ? { text: `${found.open.know} to know`, colour: 'teal' } : { text: 'ready', colour: 'moss' };
}

function printBadge(run: RunView): TabBadge {
  switch (run.state) {
    case 'done':
      return { text: minutes(run.detail.secondsPrinted), colour: 'teal' };
    case 'failed':
      return { text: 'failed', colour: 'rust' };
    case 'cancelled':
      return { text: 'cancelled', colour: 'ochre' };
    default:
      return { text: `${Math.floor(run.progress * 100)} %`, colour: 'teal' };
  }
}

/** The worst first. */
export function proofBadge(verdicts: Verdict[]): TabBadge {
  const wrong = verdicts.filter((verdict) => verdict.grade === 'wrong').length;
  if (wrong) return { text: `${wrong} wrong`, colour: 'rust' };
  const look = verdicts.filter((verdict) => verdict.grade === 'look').length;
  return look ? { text: `${look} to look at`, colour: 'ochre' } : { text: 'proved good', colour: 'moss' };
}
