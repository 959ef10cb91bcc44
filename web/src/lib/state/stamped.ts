import type { Choice, Handoff, PlanRow } from '../api/types';

const same = (a: Choice, b: Choice) => a.row === b.row && a.station === b.station;

/** The handoff with files printed or not; what the brief says anyway is not kept as set by hand. */
export function stamped(handoff: Handoff, rows: PlanRow[], choices: Choice[], adding: boolean): Handoff {
  const asked = (choice: Choice) => !!rows.find((row) => row.row === choice.row)?.asked.includes(choice.station);
  const others = (list: Choice[]) => list.filter((each) => !choices.some((choice) => same(each, choice)));
  return {
    ...handoff,
    added: adding ? [...others(handoff.added), ...choices.filter((choice) => !asked(choice))] : others(handoff.added),
    leftOut: adding ? others(handoff.leftOut) : [...others(handoff.leftOut), ...choices.filter(asked)],
  };
}
