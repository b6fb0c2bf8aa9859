import { KINDS, REGIONS } from '@kritikos/catalogue/procedure';
import { describe, expect, it } from 'vitest';
import { KIND_WORDS, regionWords } from './words.ts';

describe('the words of the catalogue', () => {
  it('name every kind and region, none by its key’s abbreviation', () => {
    for (const kind of KINDS) expect(KIND_WORDS[kind], kind).toMatch(/^[a-z][a-z ]{3,}$/);
    expect(KIND_WORDS.rom).toBe('range of motion');
    expect(new Set(KINDS.map((kind) => KIND_WORDS[kind])).size).toBe(KINDS.length);
    for (const region of REGIONS) expect(regionWords(region).length).toBeGreaterThan(2);
    expect(regionWords('any')).toBe('any region');
  });
});
