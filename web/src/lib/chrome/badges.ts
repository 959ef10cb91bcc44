import type { Report, RunView, Verdict } from '../api/types';
import type { HandoffStore } from '../state/handoff.svelte';
import type { SessionStore } from '../state/session.svelte';
import { bytes, count, minutes } from '../units';
import type { TabBadge, TabName } from './Tabs.svelte';

/** What waits behind every tab, in a few words. */
export function badges(session: SessionStore, handoff: HandoffStore, run: RunView | undefined): Partial<Record<TabName, TabBadge>> {
  const found: Partial<Record<TabName, TabBadge>> = {};
  if (session.session) found.session = { text: count(session.session.rows.length - 1, 'row'), colour: 'teal' };
  if (handoff.state) found.plan = { text: count(handoff.state.plan.prints.length, 'file'), colour: 'teal' };
  if (run) found.print = printBadge(run);
  if (run?.state === 'done') found.proof = proofBadge(run.verdicts);
  if (run?.parcel) found.parcel = { text: bytes(run.parcel.bytes), colour: 'teal' };
  return found;
}

/** How much of what was found still waits. */
export function prepareBadge(report: Report | undefined): TabBadge | undefined {
  if (!report) return undefined;
  const open = report.findings.filter((found) => !found.dismissed);
  const stops = open.filter((found) => found.finding.severity === 'stops').length;
  const look = open.filter((found) => found.finding.severity === 'look').length;
  if (stops) return { text: stops === 1 ? '1 stops' : `${stops} stop`, colour: 'rust' };
  if (look) return { text: `${look} to look at`, colour: 'ochre' };
  if (report.unmeasured) return { text: 'measuring', colour: 'teal' };
  return open.length ? { text: `${open.length} to know`, colour: 'teal' } : { text: 'ready', colour: 'moss' };
}

function printBadge(run: RunView): TabBadge {
  switch (run.state) {
    case 'done': return { text: minutes(run.detail.secondsPrinted), colour: 'teal' };
    case 'failed': return { text: 'failed', colour: 'rust' };
    case 'cancelled': return { text: 'cancelled', colour: 'ochre' };
    default: return { text: `${Math.floor(run.progress * 100)} %`, colour: 'teal' };
  }
}

/** The worst first. */
export function proofBadge(verdicts: Verdict[]): TabBadge {
  const wrong = verdicts.filter((verdict) => verdict.grade === 'wrong').length;
  if (wrong) return { text: `${wrong} wrong`, colour: 'rust' };
  const look = verdicts.filter((verdict) => verdict.grade === 'look').length;
  return look ? { text: `${look} to look at`, colour: 'ochre' } : { text: 'proved good', colour: 'moss' };
}
