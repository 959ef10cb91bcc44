import type { Clip, Effect, Insert, Row, Session, Station } from '../api/types';
import { count } from '../units';
import { stationName } from './stations';
import * as words from './words';

/** A point of a row's way out. */
export interface Stop {
  name: string;
  words: string;
  title?: string;
  /** Switched off, or not at hand. */
  faint?: boolean;
  /** An insert's mark. */
  kept?: { on: boolean; toggle: () => void };
}

/** What a row's signal goes through, in order. */
export function stopsOf(
  session: Session,
  row: Row,
  effect: (id: string) => Effect | undefined,
  keep?: (inserts: Insert[]) => void,
): Stop[] {
  const name = (id: string) => session.rows.find((other) => other.id === id)?.name ?? id;
  const brought = (...stations: Station[]) =>
    row.strip.brought
      .filter((each) => stations.includes(each.station))
      .map((each) => ({
        name: stationName(each.station),
        words: `rendered elsewhere: ${files(session, each.clips)}`,
      }));
  const upTo = row.strip.brought.some(({ station }) => station === 'inserts' || station === 'fader');
  return [
    source(session, row),
    ...brought('raw'),
    ...row.strip.inserts.map((insert, i) => {
      const known = effect(insert.effect);
      const key = insert.key ? `, listens to ${name(insert.key)}` : '';
      return {
        name: known?.name ?? insert.effect,
        title: known?.words,
        words: known ? words.settings(insert, known) + key : insert.said || 'cannot be made here',
        faint: !insert.on || !known || upTo,
        kept: keep && {
          on: insert.kept,
          toggle: () => keep(row.strip.inserts.map((each, k) => (k === i ? { ...each, kept: !each.kept } : each))),
        },
      };
    }),
    ...brought('shaped', 'inserts', 'fader', 'bus'),
    { name: 'Fader', words: words.fader(row.strip) },
    ...(row.type === 'mix' ? [] : [{ name: 'Pan', words: words.pan(row.strip) }]),
    ...row.strip.sends.map((send) => ({
      name: `Send to ${name(send.to)}`,
      words: `${words.level(send.levelDb)} ${send.from === 'beforeFader' ? 'before fader' : 'after fader'}`,
    })),
    ...(row.type === 'mix' ? [{ name: 'Out', words: 'the reference mix' }] : outputs(session, row)),
  ];
}

/** Names of the recordings that some clips are of. */
export function files(session: Session, clips: Clip[]): string {
  return [...new Set(clips.map(({ recording }) => recording))]
    .map((hash) => session.recordings.find(({ sha256 }) => sha256 === hash)?.fileName ?? hash)
    .join(', ');
}

function source(session: Session, row: Row): Stop {
  switch (row.type) {
    case 'audio': {
      const take = row.takes.find((each) => each.id === row.active);
      const other = row.takes.length > 1 ? `${take?.name}, ` : '';
      return { name: 'Clips', words: other + (take?.clips.length ? count(take.clips.length, 'clip') : 'none') };
    }
    case 'instrument':
      return {
        name: 'Notes',
        words: count(row.notes.length, 'note') + (row.soundFrom === 'elsewhere' ? ', their sound is elsewhere' : ''),
      };
    case 'part':
      return {
        name: 'Part',
        words: `of ${session.rows.find((other) => other.id === row.instrument)?.name ?? row.instrument}`,
      };
    case 'return':
      return {
        name: 'Sends',
        words: `from ${count(session.rows.filter((other) => other.strip.sends.some((send) => send.to === row.id)).length, 'row')}`,
      };
    default:
      return {
        name: 'Sum',
        words: `of ${count(session.rows.filter((other) => other.strip.outputs.includes(row.id)).length, 'row')}`,
      };
  }
}

function outputs(session: Session, row: Row): Stop[] {
  if (!row.strip.outputs.length) return [{ name: 'Nowhere', words: 'feeds neither bus nor mix' }];
  return row.strip.outputs.map((id) => {
    const target = session.rows.find((other) => other.id === id);
    const inserts = target?.strip.inserts.length ?? 0;
    return {
      name: target?.name ?? id,
      words: [target?.type === 'bus' ? 'bus' : '', inserts ? count(inserts, 'insert') : ''].filter(Boolean).join(', '),
    };
  });
}
