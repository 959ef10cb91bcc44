import type { Right } from '../lib/api/types';

/** What somebody may do, after their name. */
export const RIGHTS: Record<Right, string> = {
  listen: 'may listen and fetch',
  print: 'may print, too',
  change: 'may change it',
  own: 'own it',
};

export const GIVEN: Exclude<Right, 'own'>[] = ['listen', 'print', 'change'];
