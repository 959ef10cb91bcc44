import { HandoffStore } from './handoff.svelte';
import { SessionStore } from './session.svelte';

let session: SessionStore | undefined;
let handoff: HandoffStore | undefined;

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
