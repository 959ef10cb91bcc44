import { describe, expect, it } from 'vitest';
import type { RunView, Verdict } from '../api/types';
import type { HandoffStore } from '../state/handoff.svelte';
import type { SessionStore } from '../state/session.svelte';
import { badges, prepareBadge, proofBadge } from './badges';

const verdict = (grade: Verdict['grade']): Verdict => ({ grade, headline: '', detail: '', files: [], remedy: 'none' });
const session = { session: { rows: [{}, {}, {}] } } as unknown as SessionStore;
const handoff = { state: { plan: { prints: [{}], edits: { excerpts: [] } } } } as unknown as HandoffStore;
const run = (part: Partial<RunView>) => ({ verdicts: [], parcels: [], progress: 0.256, ...part }) as RunView;

describe('badges', () => {
  it('rows do not count the mix', () =>
    expect(badges(session, handoff, undefined)).toEqual({
      session: { text: '2 rows', colour: 'teal' },
      plan: { text: '1 file', colour: 'teal' },
    }));
  it('a run under way tells how far it is, and promises no proof', () => {
    const found = badges(session, handoff, run({ state: 'printing' }));
    expect(found.print?.text).toBe('25 %');
    expect(found.proof).toBeUndefined();
    expect(found.parcel).toBeUndefined();
  });
  it('what was found says its worst, and ready only when all was read', () => {
    const found = {
      sessionRevision: 1,
      handoffRevision: 1,
      recordings: 3,
      unmeasured: 0,
      open: { stops: 0, look: 0, know: 0 },
    };
    expect(prepareBadge({ ...found, open: { stops: 1, look: 4, know: 0 } })).toEqual({
      text: '1 stops',
      colour: 'rust',
    });
    expect(prepareBadge({ ...found, open: { stops: 0, look: 4, know: 2 } })?.text).toBe('4 to look at');
    expect(prepareBadge({ ...found, unmeasured: 2 })?.text).toBe('measuring');
    expect(prepareBadge({ ...found, open: { stops: 0, look: 0, know: 2 } })?.text).toBe('2 to know');
    expect(prepareBadge(found)).toEqual({ text: 'ready', colour: 'moss' });
    expect(prepareBadge(undefined)).toBeUndefined();
  });
  it('the proof says its worst', () => {
    expect(proofBadge([verdict('good'), verdict('look'), verdict('wrong'), verdict('look')])).toEqual({
      text: '1 wrong',
      colour: 'rust',
    });
    expect(proofBadge([verdict('good'), verdict('look')]).text).toBe('1 to look at');
    expect(proofBadge([verdict('good')]).colour).toBe('moss');
  });
});
