import type { Plan } from '../lib/api/types';

/** The row that files of the click are of: none of the session. */
const CLICK = 'apodex:click';

/** What comes with the files of the rows. */
export interface Extra {
  name: string;
  words: string;
  /** Names, as they will be on the disk. */
  files: string[];
}

/** All files of sound. */
export const soundFiles = (plan: Plan): { channels: number }[] => [...plan.prints, ...plan.edits.excerpts];

/** Everything Apodex adds to the rows' files, apart from the sheet, in the order it stands in the plan. */
export function extras(plan: Plan): { first: Extra[]; last: Extra[] } {
  const clicks = plan.prints.filter((print) => print.row === CLICK).map((print) => print.file);
  const click = clicks.length ? [{ name: 'Click', words: 'made from the tempo map', files: clicks }] : [];
  const isFirst = plan.prints[0]?.row === CLICK;
  const listening = plan.listening.filter((path) => path).map((path) => path.split('/').at(-1)!);
  return {
    first: isFirst ? click : [],
    last: [
      ...(isFirst ? [] : click),
      ...(plan.edits.excerpts.length
        ? [
            {
              name: 'Edits',
              words: 'cut out of the recordings, laid by a timeline and a list',
              files: plan.edits.excerpts.map((excerpt) => excerpt.file),
            },
          ]
        : []),
      ...(plan.notes.length
        ? [{ name: 'Notes', words: 'Standard MIDI Files', files: plan.notes.map((notes) => notes.file) }]
        : []),
      ...(listening.length
        ? [{ name: 'To listen to', words: `${plan.listeningAs.toUpperCase()} of the reference mix`, files: listening }]
        : []),
      ...(plan.document ? [{ name: 'The session itself', words: 'to be opened in Apodex', files: [] }] : []),
    ],
  };
}
