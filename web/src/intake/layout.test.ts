import { describe, expect, it } from 'vitest';
import type { Correction, Intake, IntakeFile, Question } from '../lib/api/types';
import { certaintyWords } from './certainty';
import { formatWords, inOrder, placeWords, rowsOfTakes, safe } from './layout';

type Sighting = NonNullable<IntakeFile['seat']['place']['found']>;

const sighting = (frame: number, certainty: Sighting['certainty'] = 'SURE'): Sighting => ({
  frame,
  certainty,
  inverted: false,
  gainDb: -2.5,
  likeness: 0.4,
  driftPpm: 0,
  trueRate: null,
  height: 80,
  lead: 3,
});

function file(id: string, row: string, more: Partial<IntakeFile['seat']> & { number?: number } = {}): IntakeFile {
  const { number = 0, ...seat } = more;
  return {
    id,
    folder: '',
    name: `${id}.wav`,
    kind: 'recording',
    recording: { rate: 48_000, channels: 2, sample: 'int24', frames: 48_000 },
    heard: { image: 'sameOnBothSides', peak: 0.5, oddities: [] },
    number,
    station: '',
    seat: {
      use: 'row',
      row,
      role: 'other',
      note: '',
      take: 1,
      side: 'whole',
      group: '',
      place: { frame: 0, by: 'start', found: null, inverted: false },
      ...seat,
    },
  } as unknown as IntakeFile;
}

const intake = (...files: IntakeFile[]) => ({ files }) as Intake;
const asking = (files: string[], ...answers: Question['answers']): Question => ({
  kind: 'place',
  files,
  words: '?',
  answers,
});

describe('an intake, shown', () => {
  it('has what is asked about first, both parts as they will be laid out', () => {
    const files = [file('a', 'Tom'), file('b', 'Kick'), file('c', 'Bass')];
    const shown = (questions: Question[]) => {
      const { asked, others } = inOrder({ intake: intake(...files), laidOut: ['c', 'a', 'b'], questions });
      return [asked, others].map((each) => each.map(({ id }) => id).join(''));
    };
    expect(shown([])).toEqual(['', 'cab']);
    expect(shown([asking(['b', 'c'])])).toEqual(['cb', 'a']);
  });

  it('knows which rows hold several takes', () => {
    const all = intake(
      file('a', 'Voice'),
      file('b', 'Voice', { take: 2 }),
      file('c', 'Piano', { side: 'left' }),
      file('d', 'Piano', { side: 'right' }),
      file('e', 'Bass'),
      file('f', 'Bass', { take: 2, use: 'leftOut' }),
    );
    expect([...rowsOfTakes(all)]).toEqual(['Voice']);
  });

  it('puts right in one step what nothing can be lost by', () => {
    const correction: Correction = { type: 'lieAsFound', files: ['a'] };
    const answer = (isSafe: boolean) =>
      ({ words: 'Put it there', correction, safe: isSafe }) as Question['answers'][number];
    expect(safe([asking(['a'], answer(false))])).toBeUndefined();
    expect(safe([asking(['a'], answer(true), answer(false)), asking(['b'], answer(true))])).toEqual({
      type: 'several',
      corrections: [correction, correction],
    });
  });

  it('says what a place is known by', () => {
    const at = (
      frame: number,
      by: IntakeFile['seat']['place']['by'],
      found: Sighting | null,
      onto: Intake['onto'] = null,
    ) => placeWords(file('a', 'A', { place: { frame, by, found, inverted: false } }), { onto });
    expect(at(0, 'start', null)).toBe('at the start');
    expect(at(0, 'start', sighting(0))).toBe('as in the mix');
    expect(at(0, 'start', sighting(9))).toBe('at the start');
    expect(at(0, 'start', sighting(0, 'LIKELY'))).toBe('at the start');
    expect(at(5, 'stamp', null)).toBe('by its stamp');
    const onto = { session: 's', title: 'Low Tide Waltz', at: 9, held: [], named: [] };
    expect(at(9, 'start', null, onto)).toBe('at the mark');
  });

  it('says what a sound is in truth, and what the mix tells', () => {
    expect(formatWords(file('a', 'A'))).toBe('48/24 mono twice');
    expect(certaintyWords(sighting(204_000), 48_000)).toBe('The mix has it at 0:04.250, to the sample, 2.5 dB softer.');
    expect(certaintyWords(sighting(0, 'UNKNOWN'), 48_000)).toContain('does not tell');
  });
});
