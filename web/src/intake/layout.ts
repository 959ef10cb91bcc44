import type { Correction, Intake, IntakeFile, Question } from '../lib/api/types';
import { rate } from '../lib/units';

/** Files with a question first, both in the order they will be laid out; what is left out comes last. */
export function inOrder(intake: Intake, questions: Question[]): { asked: IntakeFile[]; others: IntakeFile[] } {
  const asked = new Set(questions.flatMap((question) => question.files));
  const last = (file: IntakeFile) =>
    file.kind === 'paper' ? 3 : file.seat.use === 'leftOut' ? 2 : file.seat.use === 'reference' ? 1 : 0;
  const sorted = [...intake.files]
    .map((file, at) => ({ file, at }))
    .sort((a, b) => last(a.file) - last(b.file) || compare(intake.order, a.file, b.file) || a.at - b.at)
    .map(({ file }) => file);
  return { asked: sorted.filter((file) => asked.has(file.id)), others: sorted.filter((file) => !asked.has(file.id)) };
}

/** As the server orders rows: it decides, this only shows it before the session is made. */
function compare(order: Intake['order'], a: IntakeFile, b: IntakeFile): number {
  switch (order) {
    case 'asNumbered':
      return (a.number || Infinity) - (b.number || Infinity) || 0;
    case 'byRole':
      return ROLES.indexOf(a.seat.role) - ROLES.indexOf(b.seat.role);
    case 'byName':
      return a.seat.row.localeCompare(b.seat.row, 'en', { numeric: true, sensitivity: 'base' });
    default:
      return 0;
  }
}

const ROLES = [
  'drums',
  'bass',
  'guitars',
  'keys',
  'strings',
  'winds',
  'voices',
  'effects',
  'click',
  'guide',
  'reference',
  'other',
];

/** How many rows the files become; takes and sides share theirs. */
export function rowCount(intake: Intake): number {
  return new Set(
    intake.files.filter((file) => file.kind === 'recording' && file.seat.use === 'row').map((file) => file.seat.row),
  ).size;
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
export function placeWords({ seat: { place, use } }: IntakeFile): string {
  const found = place.found;
  const confirmed = found && found.certainty === 'SURE' && found.frame === place.frame;
  return place.by === 'start' && confirmed && use === 'row' ? 'as in the mix' : PLACE_WORDS[place.by];
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
