/** A stretch of a name, and whether the other name has it too. */
export interface Piece {
  text: string;
  same: boolean;
}

/** Both names in pieces: what they share, letter by letter, is the longest common subsequence, letter case counting. */
export function letterDiff(now: string, proposed: string): { now: Piece[]; proposed: Piece[] } {
  const a = [...now];
  const b = [...proposed];
  const longest: number[][] = Array.from({ length: a.length + 1 }, () => new Array<number>(b.length + 1).fill(0));
  for (let i = a.length - 1; i >= 0; i--)
    for (let k = b.length - 1; k >= 0; k--)
      longest[i]![k] = a[i] === b[k] ? longest[i + 1]![k + 1]! + 1 : Math.max(longest[i + 1]![k]!, longest[i]![k + 1]!);
  const left: Piece[] = [];
  const right: Piece[] = [];
  let i = 0;
  let k = 0;
  while (i < a.length || k < b.length) {
    if (i < a.length && k < b.length && a[i] === b[k]) {
      add(left, a[i++]!, true);
      add(right, b[k++]!, true);
    } else if (k >= b.length || (i < a.length && longest[i + 1]![k]! >= longest[i]![k + 1]!)) add(left, a[i++]!, false);
    else add(right, b[k++]!, false);
  }
  return { now: left, proposed: right };
}

function add(pieces: Piece[], letter: string, same: boolean): void {
  const last = pieces.at(-1);
  if (last?.same === same) last.text += letter;
  else pieces.push({ text: letter, same });
}
