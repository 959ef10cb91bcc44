import { describe, expect, it } from 'vitest';
import { answerAddress, LONGEST_ANSWER } from './answer';

const told = (address: string | undefined) => new URLSearchParams(new URL(address!).hash.split('?')[1]).get('answer');

describe('An answer on a pickup', () => {
  it('travels in the address, letter for letter, and never to the server that is asked for the page', () => {
    const address = answerAddress(' https://quay.example/#/pickup/tok?answer=old ', 'One & two\n“lost.wav” + 3 dB?');
    expect(new URL(address!).pathname + new URL(address!).search).toBe('/');
    expect(address).toContain('#/pickup/tok?');
    expect(told(address)).toBe('One & two\n“lost.wav” + 3 dB?');
  });

  it('takes the link as it was sent', () => {
    const address = answerAddress('https://quay.example/p/WDen-x_9', 'No tuba');
    expect(address).toContain('https://quay.example/#/pickup/WDen-x_9?answer=');
    expect(told(address)).toBe('No tuba');
  });

  it('goes to no other address', () => {
    for (const other of [
      '',
      'quay',
      'javascript:alert(1)#/pickup/a',
      'https://quay.example/#/s/a',
      'ftp://x/#/pickup/a',
    ])
      expect(answerAddress(other, 'x')).toBeUndefined();
  });

  it('is cut at a line where it is too long', () => {
    const text = told(answerAddress('http://quay.example/#/pickup/t', 'A line of some length.\n'.repeat(900)))!;
    expect(text.length).toBeLessThanOrEqual(LONGEST_ANSWER);
    expect(
      text
        .split('\n')
        .slice(0, -1)
        .every((line) => line === 'A line of some length.'),
    ).toBe(true);
    expect(text).toMatch(/more, which does not fit here\.$/);
  });
});
