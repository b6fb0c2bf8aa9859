import { describe, expect, it } from 'vitest';
import { bandWords } from './bandWords.ts';

describe('a band in words', () => {
  it('of one value is one number', () => expect(bandWords(90, 90, '°')).toBe('90°'));
  it('has its unit once', () => expect(bandWords(20, 30, '°')).toBe('20 to 30°'));
  it('keeps a word of a unit on its line', () =>
    expect(bandWords(1, 2, 'cm')).toBe('1 to 2\u00a0cm'));
});
