import { toasts } from '../chrome/toasts.svelte';
import { count } from '../units';
import { FindingsStore } from './findings.svelte';
import { HandoffStore } from './handoff.svelte';
import { RunStore } from './run.svelte';
import { SessionStore } from './session.svelte';

let session: SessionStore | undefined;
let handoff: HandoffStore | undefined;
let findings: { of: string; store: FindingsStore } | undefined;
const runs = new Map<string, RunStore>();

/** The session a view is about: kept between views, brought up to date when a view opens it again. */
export function openSession(id: string): SessionStore {
  if (session?.id === id) void session.load();
  else {
    session?.close();
    session = new SessionStore(id);
  }
  return session;
}

export function openHandoff(sessionId: string): HandoffStore {
  if (handoff?.sessionId === sessionId) void handoff.load();
  else {
    handoff?.close();
    handoff = new HandoffStore(sessionId);
  }
  return handoff;
}

/** What was found in the session; loaded by the tabs, which every view of a session has. */
export function openFindings(sessionId: string): FindingsStore {
  if (findings?.of !== sessionId) {
    findings?.store.close();
    const of = session?.id === sessionId ? session : openSession(sessionId);
    findings = {
      of: sessionId,
      store: new FindingsStore(of, handoff?.sessionId === sessionId ? handoff : openHandoff(sessionId)),
    };
  }
  return findings.store;
}

/** A run, followed until it is over whatever view is shown meanwhile; a toast then tells, with the way there. */
export function openRun(id: string, of: HandoffStore): RunStore {
  let run = runs.get(id);
  if (!run) {
    run = new RunStore(id, (over) => {
      void of.loadRuns();
      announce(over, of.sessionId);
    });
    runs.set(id, run);
  } else if (run.failure) void run.reload();
  return run;
}

function announce(run: RunStore, sessionId: string): void {
  const view = run.view!;
  if (view.state === 'done') {
    const way = { href: `#/s/${sessionId}/proof?run=${run.id}`, link: 'See the proof' };
    toasts.say(`${count(view.files.length, 'file')} printed and read back.`, 'good', way);
  } else if (view.state === 'failed') {
    toasts.say(view.failure ?? 'The run failed.', 'wrong');
  }
}
