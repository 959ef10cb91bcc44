import { describe, expect, it } from 'vitest';
import type { BriefDocument } from '../lib/api/types';
import { coded, decoded } from './code';

const document = {
  form: 'apodex-brief',
  version: 1,
  brief: { name: 'Für Köln · 潮 / stems', rows: 'top', stations: {}, settings: { rate: 44_100 } },
} as unknown as BriefDocument;

describe('a brief in a link', () => {
  it('comes out as it went in, in letters that addresses take', () => {
    expect(coded(document)).toMatch(/^[\w-]+$/);
    expect(decoded(coded(document))).toEqual(document);
  });
  it('is nothing when it was cut off, changed or is something else', () => {
    const code = coded(document);
    expect(decoded(code.slice(0, -7))).toBeUndefined();
    expect(decoded('%%%')).toBeUndefined();
    expect(decoded(btoa('{"form":"other"}'))).toBeUndefined();
  });
});
