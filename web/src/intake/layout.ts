import type { Correction, Intake, IntakeFile, IntakeState, Question } from '../lib/api/types';
import { rate } from '../lib/units';

/** Files with a question first, both in the order they will be laid out. */
export function inOrder({ intake, laidOut, questions }: Pick<IntakeState, 'intake' | 'laidOut' | 'questions'>): {
  asked: IntakeFile[];
  others: IntakeFile[];
} {
  const byId = new Map(intake.files.map((file) => [file.id, file]));
  const asked = new Set(questions.flatMap((question) => question.files));
  const sorted = laidOut.map((id) => byId.get(id)!);
  return { asked: sorted.filter(({ id }) => asked.has(id)), others: sorted.filter(({ id }) => !asked.has(id)) };
}

/** Names of rows that hold more than one take. */
export function rowsOfTakes(intake: Intake): Set<string> {
  const first = new Map<string, number>();
  const several = new Set<string>();
  for (const { kind, seat } of intake.files) {
    if (kind !== 'recording' || seat.use !== 'row') continue;
    if ((first.get(seat.row) ?? seat.take) !== seat.take) several.add(seat.row);
    first.set(seat.row, seat.take);
  }
  return several;
}

/** Everything that can be put right without losing anything, in one step; undefined when there is nothing. */
export function safe(questions: Question[]): Correction | undefined {
  const corrections = questions.flatMap(({ answers }) =>
    answers.filter((each) => each.safe).map((each) => each.correction),
  );
  return corrections.length ? { type: 'several', corrections } : undefined;
}

export const PLACE_WORDS = {
  list: 'by a list',
  stamp: 'by its stamp',
  hand: 'by hand',
  alignment: 'by the mix',
  start: 'at the start',
} as const;

/** How a file's place stands, in two words or three. */
export function placeWords({ seat: { place, use } }: IntakeFile, { onto }: Pick<Intake, 'onto'>): string {
  const found = place.found;
  const confirmed = found && found.certainty === 'SURE' && found.frame === place.frame;
  if (place.by === 'start' && confirmed && use === 'row') return 'as in the mix';
  return place.by === 'start' && onto ? 'at the mark' : PLACE_WORDS[place.by];
}

/** What a recording is in truth: its format, and whether stereo is stereo. */
export function formatWords({ recording, heard }: IntakeFile): string {
  if (!recording || !heard) return '';
  const bits = recording.sample.replace(/\D+/g, '') + (recording.sample.startsWith('float') ? ' fl' : '');
  const image = {
    silent: 'silent',
    mono: 'mono',
    sameOnBothSides: 'mono twice',
    leftOnly: 'left only',
    rightOnly: 'right only',
    stereo: 'stereo',
  }[heard.image];
  const channels = recording.channels > 2 ? `${recording.channels} ch` : image;
  return `${rate(recording.rate).replace(' kHz', '')}/${bits} ${channels}`;
}
