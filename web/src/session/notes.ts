import type { Note, Row, Session } from '../lib/api/types';

/** Pitches of the drum kit's parts, as the percussion map of General MIDI has them. */
const DRUMS: Record<string, number[]> = {
  kick: [35, 36],
  snare: [37, 38, 39, 40],
  hats: [42, 44, 46],
  toms: [41, 43, 45, 47, 48, 50],
  shaker: [69, 70, 82],
};

/** The notes a row sounds: an instrument's without those of drums on rows of their own; a part's own. */
export function notesOf(session: Session, row: Row): Note[] {
  if (row.type === 'instrument') {
    const apart = session.rows.flatMap((other) =>
      other.type === 'part' && other.instrument === row.id ? (DRUMS[other.part] ?? []) : [],
    );
    return row.notes.filter((note) => row.instrument !== 'drumKit' || !apart.includes(note.pitch));
  }
  if (row.type !== 'part') return [];
  const source = session.rows.find((other) => other.id === row.instrument);
  if (source?.type !== 'instrument') return [];
  const own = DRUMS[row.part];
  return own ? source.notes.filter((note) => own.includes(note.pitch)) : source.notes;
}
