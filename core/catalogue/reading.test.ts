import { describe, expect, it } from 'vitest';
import type { Lesion } from './lesion.ts';
import { readResponse } from './reading.ts';
import type { Reading } from './reading.ts';
import { respond } from './response.ts';
import type { Response } from './response.ts';

const lesion = (structure: string, state: Lesion['state'], degree: Lesion['degree']): Lesion => ({
  structure,
  state,
  degree,
});

describe('a finding', () => {
  const response = (...shown: Response['shown']): Response => ({
    shown,
    misleading: [],
    void: null,
    voidStages: [],
    refrain: null,
  });
  const pain = (structure: string, stage?: string) => ({
    sign: 'pain' as const,
    degree: 2 as const,
    structure,
    stage,
  });

  it('is present when one of its signs is, at its own stage', () => {
    const reading: Reading = { kind: 'sign', signs: ['pain', 'click'], stage: 'outwards' };
    expect(readResponse(reading, response(pain('meniscus', 'outwards')))).toBe('positive');
    expect(readResponse(reading, response(pain('meniscus', 'inwards')))).toBe('negative');
    expect(readResponse(reading, response())).toBe('negative');
  });

  it('takes the worst of several degrees', () => {
    const lax = (degree: 1 | 3) => ({ sign: 'laxity' as const, degree, structure: 'ligament' });
    const reading: Reading = { kind: 'grade', sign: 'laxity' };
    expect(readResponse(reading, response(lax(1), lax(3)))).toBe('grade-3');
    expect(readResponse(reading, response(pain('ligament')))).toBe('grade-0');
  });

  it('names the site, and both where it has a word for both', () => {
    const sites = [
      { option: 'inner', structures: ['inner meniscus'] },
      { option: 'outer', structures: ['outer meniscus'] },
    ];
    const reading: Reading = { kind: 'site', signs: ['pain'], sites, none: 'none' };
    expect(readResponse(reading, response(pain('outer meniscus')))).toBe('outer');
    expect(readResponse(reading, response(pain('kneecap')))).toBe('none');
    const two = response(pain('inner meniscus'), pain('outer meniscus'));
    expect(readResponse(reading, two)).toBe('inner');
    expect(readResponse({ ...reading, both: 'both' }, two)).toBe('both');
  });

  it('tells press from pull from both', () => {
    const reading: Reading = {
      kind: 'stages',
      signs: ['pain'],
      options: [
        { option: 'neither', stages: [] },
        { option: 'press', stages: ['press'] },
        { option: 'pull', stages: ['pull'] },
        { option: 'both', stages: ['press', 'pull'] },
      ],
    };
    const read = (...stages: string[]) =>
      readResponse(reading, response(...stages.map((stage) => pain('knee', stage))));
    expect([read(), read('press'), read('pull'), read('pull', 'press')]).toEqual([
      'neither',
      'press',
      'pull',
      'both',
    ]);
  });

  it('counts from the degree that it says, and calls less faint or nothing', () => {
    const gap = (degree: 1 | 2 | 3) => response({ sign: 'gap', degree, structure: 'tendon' });
    const whole: Reading = { kind: 'sign', signs: ['gap'], from: 3, faint: 'equivocal' };
    expect(([1, 2, 3] as const).map((d) => readResponse(whole, gap(d)))).toEqual([
      'equivocal',
      'equivocal',
      'positive',
    ]);
    const soft: Reading = { kind: 'sign', signs: ['gap'], from: 2 };
    expect(([1, 2, 3] as const).map((d) => readResponse(soft, gap(d)))).toEqual([
      'negative',
      'positive',
      'positive',
    ]);
    expect(readResponse(whole, response())).toBe('negative');
  });

  it('grades a ligament by what it does alone, and one more with its corner', () => {
    const lax = (structure: string, degree: 1 | 2 | 3) => ({
      sign: 'laxity' as const,
      degree,
      structure,
    });
    const drawer: Reading = {
      kind: 'grade',
      sign: 'laxity',
      graded: { structure: 'back cruciate', grades: [1, 2, 2], raisedBy: 'corner' },
    };
    const grade = (...shown: Response['shown']) => readResponse(drawer, response(...shown));
    expect(grade(lax('back cruciate', 1))).toBe('grade-1');
    expect(grade(lax('back cruciate', 3))).toBe('grade-2');
    expect(grade(lax('back cruciate', 3), lax('corner', 2))).toBe('grade-3');
    expect(grade(lax('corner', 3))).toBe('grade-0');
  });
});

describe('a doubtful sign', () => {
  const reading = { kind: 'sign', signs: ['click'], doubtful: ['pain'] } as const;
  const loads = [{ structure: 'medial meniscus', mode: 'twist' }] as const;

  it('is equivocal without the defining one', () => {
    const small = [lesion('medial meniscus', 'split', 1)];
    const large = [lesion('medial meniscus', 'split', 2)];
    expect(readResponse(reading, respond({ loads }, small))).toBe('equivocal');
    expect(readResponse(reading, respond({ loads }, large))).toBe('positive');
    expect(readResponse(reading, respond({ loads }, []))).toBe('negative');
  });

  it('comes from the structures that count, or from elsewhere', () => {
    const onTop = { ...reading, signs: ['pain'], structures: ['subacromial space'] } as const;
    const pressed = ['subacromial space', 'acromioclavicular joint'].map((structure) => ({
      structure,
      mode: 'compression' as const,
    }));
    const of = (structure: string) =>
      respond({ loads: pressed }, [lesion(structure, 'irritated', 2)]);
    expect(readResponse(onTop, of('subacromial space'))).toBe('positive');
    expect(readResponse(onTop, of('acromioclavicular joint'))).toBe('equivocal');
  });
});
