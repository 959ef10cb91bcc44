import type { HandoffState } from '../lib/api/types';
import { minutes } from '../lib/units';

/** From here on a single figure would pretend to know. */
const UNSURE = 1.5;

/** `≈ 0:12`, or `0:10 to 0:25` while this machine has not made enough parcels of the kind to be sure. */
export function foretold({ seconds, least, most }: HandoffState['estimate']): string {
  const whole = (value: number) => minutes(Math.max(1, value), 0);
  return most <= UNSURE * least || whole(least) === whole(most)
    ? `≈ ${whole(seconds)}`
    : `${whole(least)} to ${whole(most)}`;
}
