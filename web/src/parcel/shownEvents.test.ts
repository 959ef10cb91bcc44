import { expect, it } from 'vitest';
import { shownEvents } from './shownEvents';

it('never lets what a receiver said vanish behind what was fetched later', () => {
  const event = (kind: 'opened' | 'fetched' | 'arrived' | 'problem', words: string) => ({ kind, words, at: '' });
  const events = [
    event('opened', ''),
    ...['6', '5', '4', '3'].map((part) => event('fetched', part)),
    event('problem', 'no bass'),
    event('fetched', '2'),
    event('arrived', ''),
  ];
  expect(shownEvents(events).map(({ kind, words }) => kind + words)).toEqual([
    'fetched6',
    'fetched5',
    'problemno bass',
    'arrived',
  ]);
});
