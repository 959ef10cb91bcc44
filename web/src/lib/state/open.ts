import { toasts } from '../chrome/toasts.svelte';
import { count } from '../units';
import { HandoffStore } from './handoff.svelte';
import { RunStore } from './run.svelte';
import { SessionStore } from './session.svelte';

let session: SessionStore | undefined;
let handoff: HandoffStore | undefined;
const runs = new Map<string, RunStore>();

/** The session a view is about: kept between views, brought up to date when a view opens it again. */
export function openSession(id: string): SessionStore {
  if (session?.id === id) void session.load();
  else session = new SessionStore(id);
  return session;
}

export function openHandoff(sessionId: string): HandoffStore {
  if (handoff?.sessionId === sessionId) void handoff.load();
  else handoff = new HandoffStore(sessionId);
  return handoff;
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
  }
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
