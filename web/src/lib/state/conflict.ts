import type { Session, SessionEdit } from '../api/types';

/** What an edit is about: rows by id, or facts of the whole song. */
function about(edit: SessionEdit): { rows: string[]; facts: (keyof Session)[] } {
  switch (edit.type) {
    case 'together': {
      const parts = edit.edits.map((each) => about(each as SessionEdit));
      return { rows: parts.flatMap((part) => part.rows), facts: parts.flatMap((part) => part.facts) };
    }
    case 'setSong':
    case 'setTempoMap':
      return { rows: [], facts: ['song'] };
    case 'setMarkers':
      return { rows: [], facts: ['markers'] };
    case 'setPanLaw':
      return { rows: [], facts: ['panLaw'] };
    case 'addRow':
    case 'useRecordings':
      return { rows: [], facts: [] };
    case 'moveRows':
      return { rows: edit.rows, facts: [] };
    case 'shiftSession':
    case 'replaceRecording':
      return { rows: [], facts: ['rows', 'song'] };
    default:
      return { rows: [edit.row], facts: [] };
  }
}

/**
 * Whether an edit made on an older state can be made on the newer one without taking anything back: what it is about
 * is as it was.
 */
export function holdsOn(edit: SessionEdit, older: Session, newer: Session): boolean {
  const { rows, facts } = about(edit);
  const row = (session: Session, id: string) => JSON.stringify(session.rows.find((each) => each.id === id));
  return (
    rows.every((id) => row(newer, id) !== undefined && row(older, id) === row(newer, id)) &&
    facts.every((fact) => JSON.stringify(older[fact]) === JSON.stringify(newer[fact]))
  );
}
