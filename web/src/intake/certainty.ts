import type { IntakeFile } from '../lib/api/types';
import { minutes } from '../lib/units';

type Sighting = NonNullable<IntakeFile['seat']['place']['found']>;

/** What the reference tells of a file's place, in a sentence. */
export function certaintyWords(found: Sighting, hertz: number): string {
  if (found.certainty === 'UNKNOWN') return 'The mix does not tell where it lies.';
  const where = `at ${minutes(found.frame / hertz, 3)}`;
  const how =
    found.certainty === 'SURE' ? `The mix has it ${where}, to the sample` : `The mix seems to have it ${where}`;
  const level =
    found.likeness > 0.05 ? `, ${Math.abs(found.gainDb).toFixed(1)} dB ${found.gainDb < 0 ? 'softer' : 'louder'}` : '';
  return `${how}${level}${found.inverted ? ', turned over' : ''}.`;
}
