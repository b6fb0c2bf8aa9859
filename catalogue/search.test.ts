import { PROCEDURES } from './procedures.ts';
import { describe, expect, it } from 'vitest';
import { procedureSearch } from './search.ts';

const search = procedureSearch(PROCEDURES);
const find = (words: string, more = {}) =>
  search.find({ words, region: null, kind: null, structure: null, ...more }).map((p) => p.id);

describe('finding a procedure', () => {
  it('by a name, a synonym, a part of the body', () => {
    expect(find('Lachman')).toContain('lachman-anterior-translation');
    expect(find('Patrick')[0]).toBe('faber');
    expect(find('kneecap outwards')).toContain('patellar-apprehension-extended');
  });

  it('by a misspelt name', () => {
    expect(find('mcmurry')[0]).toBe('mcmurray-rotation-extension');
    expect(find('tessaly')[0]).toBe('thessaly-weight-bearing-twist');
    expect(find('lachmann')).toContain('lachman-anterior-translation');
  });

  it('by one word of its names, as the bank of stations asks', () => {
    expect(search.byWord('lachmann')).toContain('lachman-anterior-translation');
    expect(search.byWord('McMurr')).toContain('mcmurray-rotation-extension');
    expect(search.byWord('zzzzzz')).toEqual([]);
  });

  it('by region, kind and structure together', () => {
    const found = find('', { region: 'knee', kind: 'effusion' });
    expect(found).toHaveLength(3);
    expect(find('', { structure: 'posterior cruciate ligament' })).toContain('posterior-sag-sign');
  });

  it('gives all without a word, and none for nonsense', () => {
    expect(find('')).toHaveLength(PROCEDURES.length);
    expect(find('zzzzzz')).toEqual([]);
  });
});
