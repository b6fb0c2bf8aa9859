import { describe, expect, it } from 'vitest';
import { MODES, numberOf, readResponse, respond, SIGNS, STATES } from './response.ts';
import type { Lesion, Load, Reading, Response, Sign } from './response.ts';

const lesion = (structure: string, state: Lesion['state'], degree: Lesion['degree']): Lesion => ({
  structure,
  state,
  degree,
});
const load = (structure: string, mode: Load['mode'], stage?: string): Load =>
  stage === undefined ? { structure, mode } : { structure, mode, stage };
const signsOf = (loads: Load[], lesions: Lesion[]) =>
  respond(loads, lesions).shown.map((shown) => shown.sign);

// Facts of the trade; common practice, no source.
describe('a simulated patient under a load', () => {
  it('shows looseness and pain for a partial tear, looseness alone for a complete one', () => {
    const pull = [load('ligament', 'tension')];
    expect(signsOf(pull, [lesion('ligament', 'torn', 1)])).toEqual(['laxity', 'pain']);
    expect(signsOf(pull, [lesion('ligament', 'torn', 3)])).toEqual(['laxity']);
    expect(signsOf(pull, [lesion('ligament', 'sprained', 1)])).toEqual(['pain']);
  });

  it('clicks with a split that is large enough, and blocks with it', () => {
    expect(signsOf([load('meniscus', 'twist')], [lesion('meniscus', 'split', 2)])).toEqual([
      'click',
      'pain',
    ]);
    expect(signsOf([load('meniscus', 'twist')], [lesion('meniscus', 'split', 1)])).toEqual([
      'pain',
    ]);
    expect(signsOf([load('meniscus', 'motion')], [lesion('meniscus', 'split', 1)])).toEqual([]);
  });

  it('tingles when a nerve is pressed, and weakens only when it is pressed badly', () => {
    const nerve = [load('nerve', 'pressure'), load('nerve', 'contraction')];
    expect(signsOf(nerve, [lesion('nerve', 'compressed', 1)])).toEqual(['tingling']);
    expect(signsOf(nerve, [lesion('nerve', 'compressed', 2)])).toEqual(['tingling', 'weakness']);
  });

  it('does not hurt where a ruptured tendon contracts, but is weak and has a gap', () => {
    const loads = [load('tendon', 'contraction'), load('tendon', 'pressure')];
    expect(signsOf(loads, [lesion('tendon', 'ruptured', 3)])).toEqual(['weakness', 'gap']);
  });

  it('floats the kneecap with much fluid, and shows a little by the bulge alone', () => {
    const both = [load('knee', 'fluid'), load('knee', 'float')];
    expect(signsOf(both, [lesion('knee', 'effused', 1)])).toEqual(['swelling']);
    expect(signsOf(both, [lesion('knee', 'effused', 3)])).toEqual(['swelling', 'swelling']);
  });

  it('is afraid, not sore, where a joint would slip', () => {
    expect(signsOf([load('joint', 'glide')], [lesion('joint', 'unstable', 2)])).toEqual([
      'apprehension',
    ]);
  });

  it('shows nothing of a structure that is not loaded, nor of one that is sound', () => {
    expect(signsOf([load('meniscus', 'tension')], [lesion('ligament', 'torn', 3)])).toEqual([]);
    expect(signsOf([load('ligament', 'tension')], [])).toEqual([]);
  });

  it('knows for every state something that shows it, and uses every sign', () => {
    const seen = new Set<Sign>();
    for (const state of STATES) {
      const shown = MODES.flatMap((mode) =>
        signsOf([load('part', mode)], [lesion('part', state, 3), lesion('part', state, 1)]),
      );
      expect(shown.length, state).toBeGreaterThan(0);
      for (const sign of shown) seen.add(sign);
    }
    expect([...seen].sort()).toEqual([...SIGNS].sort());
  });

  it('keeps the stage and the degree with each sign', () => {
    const { shown } = respond(
      [load('meniscus', 'compression', 'press'), load('capsule', 'stretch', 'pull')],
      [lesion('meniscus', 'split', 2)],
    );
    expect(shown).toEqual([{ sign: 'pain', degree: 2, structure: 'meniscus', stage: 'press' }]);
  });

  it('remembers only the deceptions that fit what this patient has', () => {
    const sag = {
      lesion: { structure: 'back cruciate', state: 'torn' as const },
      sign: 'laxity' as const,
      looksLike: 'a torn front cruciate',
      avoidedBy: 'looks for a sag',
    };
    expect(respond([], [lesion('back cruciate', 'torn', 3)], [sag]).misleading).toEqual([sag]);
    expect(respond([], [lesion('front cruciate', 'torn', 3)], [sag]).misleading).toEqual([]);
  });
});

describe('a finding', () => {
  const response = (...shown: Response['shown']): Response => ({
    shown,
    misleading: [],
    void: null,
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
});

describe('a number that is read off the patient', () => {
  const gap = {
    item: 'gap',
    healthy: 12,
    tolerance: 1,
    half: 2,
    by: [
      { structure: 'subscapularis', state: 'ruptured', values: [5, 2, 0] },
      { structure: 'shoulder capsule', state: 'stiff', values: [8, 6, 4] },
    ],
  } as const;

  it('is the healthy one without a lesion that changes it', () => {
    expect(numberOf(gap, [])).toBe(12);
    expect(numberOf(gap, [lesion('supraspinatus', 'ruptured', 3)])).toBe(12);
  });

  it('follows the degree, and the lesion that takes it farthest', () => {
    expect(numberOf(gap, [lesion('subscapularis', 'ruptured', 2)])).toBe(2);
    const both = [lesion('shoulder capsule', 'stiff', 1), lesion('subscapularis', 'ruptured', 1)];
    expect(numberOf(gap, both)).toBe(5);
  });
});

describe('a procedure that cannot be set up', () => {
  const stiff = {
    structure: 'shoulder capsule',
    state: 'stiff',
    from: 2,
    why: 'no reach',
  } as const;
  const loads = [{ structure: 'infraspinatus', mode: 'contraction' }] as const;
  const weak = { kind: 'sign', signs: ['weakness'] } as const;

  it('is void, whatever else the patient has', () => {
    const lesions = [
      lesion('infraspinatus', 'ruptured', 3),
      lesion('shoulder capsule', 'stiff', 2),
    ];
    const response = respond(loads, lesions, [], [stiff]);
    expect(response.void).toBe('no reach');
    expect(readResponse(weak, response)).toBe('void');
  });

  it('is done where the hindrance is slight', () => {
    const lesions = [
      lesion('infraspinatus', 'ruptured', 3),
      lesion('shoulder capsule', 'stiff', 1),
    ];
    expect(readResponse(weak, respond(loads, lesions, [], [stiff]))).toBe('positive');
  });
});

describe('a doubtful sign', () => {
  const reading = { kind: 'sign', signs: ['click'], doubtful: ['pain'] } as const;
  const loads = [{ structure: 'medial meniscus', mode: 'twist' }] as const;

  it('is equivocal without the defining one', () => {
    const small = [lesion('medial meniscus', 'split', 1)];
    const large = [lesion('medial meniscus', 'split', 2)];
    expect(readResponse(reading, respond(loads, small))).toBe('equivocal');
    expect(readResponse(reading, respond(loads, large))).toBe('positive');
    expect(readResponse(reading, respond(loads, []))).toBe('negative');
  });

  it('comes from the structures that count, or from elsewhere', () => {
    const onTop = { ...reading, signs: ['pain'], structures: ['subacromial space'] } as const;
    const pressed = ['subacromial space', 'acromioclavicular joint'].map((structure) => ({
      structure,
      mode: 'compression' as const,
    }));
    const of = (structure: string) => respond(pressed, [lesion(structure, 'irritated', 2)]);
    expect(readResponse(onTop, of('subacromial space'))).toBe('positive');
    expect(readResponse(onTop, of('acromioclavicular joint'))).toBe('equivocal');
  });
});
