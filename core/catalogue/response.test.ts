import { describe, expect, it } from 'vitest';
import { MODES, SIGNS, STATES } from './lesion.ts';
import type { Lesion, Load, Sign } from './lesion.ts';
import { readResponse } from './reading.ts';
import { respond } from './response.ts';

const lesion = (structure: string, state: Lesion['state'], degree: Lesion['degree']): Lesion => ({
  structure,
  state,
  degree,
});
const load = (structure: string, mode: Load['mode'], stage?: string): Load =>
  stage === undefined ? { structure, mode } : { structure, mode, stage };
const signsOf = (loads: Load[], lesions: Lesion[]) =>
  respond({ loads }, lesions).shown.map((shown) => shown.sign);

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
      { loads: [load('meniscus', 'compression', 'press'), load('capsule', 'stretch', 'pull')] },
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
    expect(
      respond({ loads: [], misleads: [sag] }, [lesion('back cruciate', 'torn', 3)]).misleading,
    ).toEqual([sag]);
    expect(
      respond({ loads: [], misleads: [sag] }, [lesion('front cruciate', 'torn', 3)]).misleading,
    ).toEqual([]);
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
    const response = respond({ loads, voids: [stiff] }, lesions);
    expect(response.void).toBe('no reach');
    expect(readResponse(weak, response)).toBe('void');
  });

  it('is done where the hindrance is slight', () => {
    const lesions = [
      lesion('infraspinatus', 'ruptured', 3),
      lesion('shoulder capsule', 'stiff', 1),
    ];
    expect(readResponse(weak, respond({ loads, voids: [stiff] }, lesions))).toBe('positive');
  });

  it('loses only the stage that the hindrance is about', () => {
    const short = { ...stiff, structure: 'elbow joint', stage: 'straight', why: 'not straight' };
    const twice = [
      { structure: 'extensor origin', mode: 'contraction', stage: 'straight' },
      { structure: 'extensor origin', mode: 'contraction', stage: 'bent' },
    ] as const;
    const lesions = [lesion('extensor origin', 'irritated', 2), lesion('elbow joint', 'stiff', 2)];
    const response = respond({ loads: twice, voids: [short] }, lesions);
    expect(response.void).toBeNull();
    expect(response.voidStages).toEqual([{ stage: 'straight', why: 'not straight' }]);
    expect(response.shown.map(({ stage }) => stage)).toEqual(['bent']);
    const pain = { kind: 'sign', signs: ['pain'] } as const;
    expect(readResponse({ ...pain, stage: 'straight' }, response)).toBe('void');
    expect(readResponse({ ...pain, stage: 'bent' }, response)).toBe('positive');
    const options = [
      { option: 'none', stages: [] },
      { option: 'both', stages: ['straight', 'bent'] },
    ];
    expect(readResponse({ kind: 'stages', signs: ['pain'], options }, response)).toBe('void');
  });
});

describe('a patient on whom it must not be done', () => {
  const slips = {
    structure: 'front capsule',
    state: 'unstable',
    from: 2,
    why: 'It would slip.',
  } as const;
  const of = (degree: 1 | 2 | 3) =>
    respond({ loads: [], refrains: [slips] }, [lesion('front capsule', 'unstable', degree)]);

  it('is told from the degree on that makes it dangerous, and it can be done all the same', () => {
    expect([of(1).refrain, of(2).refrain, of(3).refrain]).toEqual([null, slips, slips]);
    expect(of(3).void).toBeNull();
  });

  it('is not one with another trouble', () => {
    const worn = [lesion('front capsule', 'worn', 3), lesion('back capsule', 'unstable', 3)];
    expect(respond({ loads: [], refrains: [slips] }, worn).refrain).toBeNull();
  });
});
