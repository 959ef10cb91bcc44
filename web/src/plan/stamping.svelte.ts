import type { Choice, PlanRow, Station } from '../lib/api/types';

const same = (a: Choice, b: Choice) => a.row === b.row && a.station === b.station;

/** A drag across the grid: everything passed gets what the first cell got. */
export class Stamping {
  passed = $state<Choice[]>([]);
  adding = $state(true);
  active = $state(false);

  begin(choice: Choice, wasChosen: boolean): void {
    this.active = true;
    this.adding = !wasChosen;
    this.passed = [choice];
  }

  pass(choice: Choice): void {
    if (this.active && !this.passed.some((c) => same(c, choice))) this.passed.push(choice);
  }

  /** What the cell shows while the drag is under way. */
  shows(choice: Choice, chosen: boolean): boolean {
    return this.active && this.passed.some((c) => same(c, choice)) ? this.adding : chosen;
  }

  /** Ends the drag; gives what to do with which cells. */
  end(): { changed: Choice[]; adding: boolean } {
    const { passed, adding } = this;
    this.active = false;
    this.passed = [];
    return { changed: passed, adding };
  }
}

/** Every one of these rows that can be printed at a station; a second stamp on a full column empties it. */
export function column(rows: PlanRow[], station: Station, chosen: Choice[]): { changed: Choice[]; adding: boolean } {
  const changed = rows.filter((row) => row.stations.includes(station)).map((row) => ({ row: row.row, station }));
  return { changed, adding: !changed.every((c) => chosen.some((d) => same(c, d))) };
}
