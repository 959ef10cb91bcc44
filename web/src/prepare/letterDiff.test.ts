import { describe, expect, it } from 'vitest';
import { letterDiff } from './letterDiff';

const text = (pieces: { text: string }[]) => pieces.map((piece) => piece.text).join('');
const shared = (pieces: { text: string; same: boolean }[]) => text(pieces.filter((piece) => piece.same));

describe('letters that differ between two names', () => {
  it('marks what goes and what comes', () => {
    expect(letterDiff('acc L copy', 'Accordion L')).toEqual({
      now: [
        { text: 'a', same: false },
        { text: 'cc', same: true },
        { text: ' L', same: true },
        { text: ' copy', same: false },
      ].reduce<{ text: string; same: boolean }[]>(
        (all, piece) =>
          all.at(-1)?.same === piece.same
            ? [...all.slice(0, -1), { text: all.at(-1)!.text + piece.text, same: piece.same }]
            : [...all, piece],
        [],
      ),
      proposed: [
        { text: 'A', same: false },
        { text: 'cc', same: true },
        { text: 'ordion', same: false },
        { text: ' L', same: true },
      ],
    });
  });
  it.each([
    ['', 'Tuba'],
    ['Tuba', ''],
    ['Tuba', 'Tuba'],
    ['kik_final2', 'Kick'],
    ['コーラス 2', 'コーラス'],
    ['🎺a', 'a'],
  ])('%s and %s keep every letter', (now, proposed) => {
    const diff = letterDiff(now, proposed);
    expect([text(diff.now), text(diff.proposed)]).toEqual([now, proposed]);
    expect(shared(diff.now)).toBe(shared(diff.proposed));
  });
});
