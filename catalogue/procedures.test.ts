import { earnedShare } from '@kritikos/core/scoring/mark';
import { drawFigure, stepHeight } from '@kritikos/core/figure/draw';
import { framed, MARGIN, united } from '@kritikos/core/figure/frame';
import { POSITIONS, rest } from '@kritikos/core/figure/basePositions';
import { outsideRange, RANGES } from '@kritikos/core/figure/pose';
import { COUCH_HALF_WIDTH, COUCH_THICKNESS, couchEnds } from '@kritikos/core/figure/props';
import { LIMB_SEGMENTS, RADII, SIDES, STATURE_CM } from '@kritikos/core/figure/segments';
import type { Skeleton } from '@kritikos/core/figure/skeleton';
import type { BasePositionName } from '@kritikos/core/figure/spec';
import type { vec3 } from 'gl-matrix';
import type { Picture } from '@kritikos/core/figure/drawing';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import { keysOf } from './expectKeys.ts';
import { describe, expect, it } from 'vitest';
import { CONDITIONS, conditionsFor } from './conditions.ts';
import { checklistFor } from './define.ts';
import { PROCEDURES, procedureById } from './procedures.ts';
import { NAMED_RANGES } from './soundness/angles.ts';

function drawnAngle(drawing: Picture): number {
  const [zero, pointer] = drawing.shapes
    .filter((s) => s.kind === 'ray')
    .map((r) => Math.atan2(r.to[1] - r.from[1], r.to[0] - r.from[0]));
  const turn = (((pointer ?? NaN) - (zero ?? NaN)) * 180) / Math.PI;
  return Math.abs(((turn + 540) % 360) - 180);
}

describe.each(PROCEDURES.map((p) => [p.id, p] as const))('%s', (_, procedure) => {
  const { checklist, schools } = procedure;
  const variants = checklist.variants.map((v) => v.key);

  it('asks for 8 to 14 items in every school', () => {
    for (const variant of variants) {
      const asked = checklist.items.filter((item) => belongsToVariant(item, { own: variant }));
      expect(asked.length, variant).toBeGreaterThanOrEqual(8);
      expect(asked.length, variant).toBeLessThanOrEqual(14);
    }
  });

  it('asks for one act an item, in words that two examiners read alike', () => {
    for (const { text } of checklist.items) {
      expect(text).not.toMatch(/\band\b/);
      expect(text).not.toMatch(/\b(adequate|appropriate|proper|correct|suitable|good)(ly)?\b/i);
    }
  });

  it('describes it whole: set-up, steps, schools, findings, what it does not prove', () => {
    expect(procedure.patient.length).toBeGreaterThan(10);
    expect(procedure.examiner.length).toBeGreaterThan(5);
    expect(procedure.steps.length).toBeGreaterThanOrEqual(2);
    expect(schools.length).toBeGreaterThan(0);
    expect(new Set(schools.map((s) => s.key)).size).toBe(schools.length);
    for (const school of schools) expect(school.description.length).toBeGreaterThan(10);
    for (const text of [procedure.positive, procedure.negative, procedure.doesNotProve]) {
      expect(text.length).toBeGreaterThan(4);
    }
  });

  it('names items, faults and schools once, and every fault spoils an item that it has', () => {
    const keys = checklist.items.map((item) => item.key);
    expect(new Set(keys).size).toBe(keys.length);
    for (const fault of checklist.faults) expect(keys, fault.text).toContain(fault.item);
    for (const item of checklist.items) {
      for (const variant of item.variants ?? []) expect(variants).toContain(variant);
      if (item.kind === 'choice') expect(item.options.map((o) => o.key)).toContain(item.answer);
    }
    expect(variants).toContain(checklist.usualVariant);
    expect(checklist.faults.length).toBeGreaterThanOrEqual(4);
  });

  it('gives a reason for every item that fails a station', () => {
    for (const item of checklist.items) {
      if (item.criticality === 'fails-station')
        expect(item.criticalReason, item.text).toMatch(/\w+ \w+/);
    }
  });

  it('compares sides where there are two', () => {
    const compares = checklist.items.some((item) => item.domain === 'comparison');
    expect(compares).toBe(procedure.sides !== 'none');
  });

  it('keeps every angle band inside the joint’s range', () => {
    for (const item of checklist.items) {
      if (item.kind !== 'measured' || item.unit !== '°') continue;
      const range = Object.entries(NAMED_RANGES).find(([joint]) => item.text.includes(joint))?.[1];
      if (!range) continue;
      expect(item.lower, item.text).toBeGreaterThanOrEqual(range[0]);
      expect(item.upper, item.text).toBeLessThanOrEqual(range[1]);
    }
  });

  it('states cautions and a stop rule, and leads on to procedures that exist', () => {
    expect(checklist.cautions.length).toBeGreaterThan(0);
    expect(checklist.stopRule).toMatch(/^Stop/);
    for (const next of procedure.followUp) expect(procedureById(next), next).toBeDefined();
    for (const { source } of procedure.worth) expect(source).toMatch(/\d{4}|practice/);
  });

  it('is drawn anatomically, hands on their segments, the deciding angle in its true size', () => {
    const figures = [procedure.figure, ...schools.map((s) => s.figure ?? null)].filter(
      (f) => f !== null,
    );
    expect(figures.length).toBeGreaterThan(0);
    for (const figure of figures) {
      const step = stepHeight(figure) / STATURE_CM;
      const { pose, skeleton } = rest(figure.position, figure.pose, step);
      expect(outsideRange(pose)).toEqual([]);
      const drawing = drawFigure(figure, { side: 'right' });
      expect(drawing.text).toMatch(/right side tested/);
      for (const hand of figure.hands) expect(hand.at).toBeLessThanOrEqual(1);
      expect(sunken(figure.position, skeleton), drawing.text).toEqual([]);
      if (!figure.decides) continue;
      const { angle, band } = figure.decides;
      expect(band[0]).toBeGreaterThanOrEqual(RANGES[angle][0]);
      expect(band[1]).toBeLessThanOrEqual(RANGES[angle][1]);
      const group = { ...figure.pose.leg, ...figure.pose.arm, ...figure.pose.axial };
      const declared = (group as Record<string, number>)[angle] ?? 0;
      expect(declared, drawing.text).toBeGreaterThanOrEqual(band[0]);
      expect(declared, drawing.text).toBeLessThanOrEqual(band[1]);
      const inMain = drawing.shapes.some((shape) => shape.kind === 'sector');
      const shown = drawnAngle(inMain ? drawing : (drawing.details[0] ?? drawing));
      expect(Math.abs(shown - Math.abs(declared)), angle).toBeLessThan(1);
    }
  });

  it('stays within one picture while it moves', () => {
    for (const figure of [procedure.figure, ...schools.map((s) => s.figure)]) {
      if (!figure?.from) continue;
      const end = drawFigure(figure, { side: 'right' });
      for (const share of [0, 0.15, 0.4, 0.65, 0.85]) {
        const now = drawFigure(figure, { side: 'right', share });
        expect(now.box).toEqual(end.box);
        expect(now.details.map(({ title }) => title)).toEqual(end.details.map((d) => d.title));
        const drawn = framed(now.shapes).box;
        // Both boxes have a margin; what is drawn itself lies inside while only that sticks out.
        expect(united([drawn, now.box])[2] - now.box[2]).toBeLessThan(MARGIN);
        expect(united([drawn, now.box])[3] - now.box[3]).toBeLessThan(MARGIN);
      }
    }
  });
});

/**
 * The limbs that sink more than 2 cm into what carries them. What hangs beside the couch or stands
 * below it does not.
 */
function sunken(position: BasePositionName, skeleton: Skeleton): string[] {
  const onFloor = POSITIONS[position].support === 'floor';
  const xs = couchEnds({ position }, skeleton).map(([x]) => x ?? NaN);
  const sinks = ([x = NaN, y = NaN, z = NaN]: vec3, radius: number) => {
    if (y - radius > -2 / STATURE_CM) return false;
    if (onFloor) return true;
    const above = x > Math.min(...xs) && x < Math.max(...xs) && Math.abs(z) < COUCH_HALF_WIDTH;
    return above && y + radius > -COUCH_THICKNESS;
  };
  return SIDES.flatMap((side) =>
    LIMB_SEGMENTS.filter((name) => {
      const { near, far } = skeleton.limbs[side][name];
      const [first, last] = RADII[name];
      return sinks(near, first) || sinks(far, last);
    }).map((name) => `${side} ${name}`),
  );
}

describe('the schools', () => {
  it.each(PROCEDURES.map((p) => [p.id, p.schools] as const))(
    'of %s say what each does its own way, and draw what can be seen of it',
    (_, schools) => {
      for (const school of schools.slice(1)) {
        const { positions, angles, hands, force, order, repetitions, hold, criterion, means } =
          school;
        const own = [positions, angles, hands, force, order, repetitions, hold, criterion, means];
        expect(own.some(Boolean), school.label).toBe(true);
        if (positions ?? angles ?? hands ?? force) {
          expect(school.figure, school.label).toBeDefined();
        }
      }
    },
  );
});

describe('the keys', () => {
  const examining = PROCEDURES.filter((p) => p.loads.length > 0).map((p) => p.id);

  it.each(examining)('of %s are all at rest in a sound patient', (id) => {
    const options = procedureById(id)?.findings.map((f) => [f.key, f.options[0]?.key]);
    expect(keysOf(id, 'nothing-wrong')).toEqual(Object.fromEntries(options ?? []));
  });

  it.each(examining)('of %s answer to somebody who has something', (id) => {
    const sound = keysOf(id, 'nothing-wrong');
    const answers = CONDITIONS.map((condition) => keysOf(id, condition.id));
    for (const finding of Object.keys(sound)) {
      expect(
        answers.map((keys) => keys[finding]),
        finding,
      ).not.toEqual(answers.map(() => sound[finding]));
    }
    expect(Object.keys(sound).length).toBeGreaterThan(0);
  });

  it.each(
    PROCEDURES.flatMap((p) => p.numbers.map((number) => [p.id, number.item, number] as const)),
  )('of %s mark a right reading of this very patient in full: %s', (id, _, number) => {
    const procedure = procedureById(id);
    if (!procedure) throw new Error(id);
    for (const { structure, state, values } of number.by) {
      // Further from health with every degree, and outside what a healthy reading earns in full
      // at the second, so that nobody passes by reciting the norm.
      const off = values.map((value) => Math.abs(value - number.healthy));
      expect(off).toEqual([...off].sort((a, b) => a - b));
      expect(off[2], structure).toBeGreaterThan(number.tolerance);
      for (const degree of [1, 2, 3] as const) {
        const condition = {
          id: 'made-up',
          name: 'Made up',
          region: procedure.region,
          history: 'Made up for the {side} side.',
          lesions: [{ structure, state, degree }],
        };
        const { items, simulatedPatient } = checklistFor(procedure, condition, 'left');
        const item = items.find(({ key }) => key === number.item);
        if (item?.kind !== 'measured') throw new Error(`${id} has no number ${number.item}`);
        const value = values[degree - 1] as number;
        expect(item.minimum).toBeLessThanOrEqual(value);
        expect(item.maximum).toBeGreaterThanOrEqual(value);
        const mark = (read: number) =>
          earnedShare(item, {
            item: item.key,
            value: read,
            observation: 'observed',
            manner: 'done',
            prompted: false,
            at: 0,
          });
        expect(mark(value)).toBe(1);
        expect(mark(value + number.half + 1)).toBe(0);
        // The script names what differs from health, unless the procedure cannot be done at all.
        if (value !== number.healthy && !/Do not let it be forced/.test(simulatedPatient)) {
          expect(simulatedPatient).toContain(`: ${value}`);
        }
      }
    }
  });

  it('say in the script what the patient cannot do, and that nobody may force it', () => {
    const liftOff = procedureById('lift-off');
    const frozen = CONDITIONS.find((c) => c.id === 'frozen-shoulder');
    if (!liftOff || !frozen) throw new Error('missing');
    const { simulatedPatient, items } = checklistFor(liftOff, frozen, 'left');
    expect(simulatedPatient).toMatch(/start position cannot be reached\. Do not let it be forced/);
    const lift = items.find(({ key }) => key === 'lift');
    expect(lift).toMatchObject({ answer: 'void' });
    expect(lift?.kind === 'choice' && lift.options.at(-1)).toMatchObject({
      key: 'void',
      call: null,
    });
  });

  it('offer patients by what the procedure loads, those who show nothing apart', () => {
    const offered = (id: string) => {
      const { telling, silent } = conditionsFor(procedureById(id) as (typeof PROCEDURES)[number]);
      return { telling: telling.map((c) => c.id), silent: silent.map((c) => c.id) };
    };
    // Their own conditions stand under another region.
    expect(offered('ober-band-provocation').telling).toContain('band-friction-knee');
    expect(offered('ain-motor-check').telling).toEqual(['ain-palsy']);
    expect(offered('thenar-hypothenar-inspection').telling).toContain('cubital-tunnel');
    expect(offered('valgus-stress-knee').silent).toContain('lcl-tear');
    expect(offered('valgus-stress-knee').silent).toContain('nothing-wrong');
    expect(offered('valgus-stress-knee').silent).not.toContain('frozen-shoulder');
    for (const { id } of PROCEDURES) {
      if (id !== 'encounter-opening') expect(offered(id).telling.length, id).toBeGreaterThan(0);
    }
  });

  it('give half for one grade of looseness off, but not across sound and loose', () => {
    const drawer = procedureById('posterior-drawer-knee');
    const torn = CONDITIONS.find((c) => c.id === 'pcl-rupture');
    const partly = CONDITIONS.find((c) => c.id === 'pcl-partial');
    if (!drawer || !torn || !partly) throw new Error('missing');
    const nearOf = (condition: typeof torn) =>
      checklistFor(drawer, condition, 'left').items.flatMap((item) =>
        item.kind === 'choice' && item.key === 'grade' ? (item.partly ?? []) : [],
      );
    expect(nearOf(torn)).toEqual(['grade-1', 'grade-3']);
    expect(nearOf(partly)).toEqual(['grade-2']);
    expect(nearOf(CONDITIONS[0] as typeof torn)).toEqual([]);
  });
});

describe('the conditions', () => {
  it('reach a procedure each, but for the one who is well', () => {
    const inCatalogue = new Set(PROCEDURES.map((p) => p.region));
    for (const condition of CONDITIONS) {
      if (condition.lesions.length === 0 || !inCatalogue.has(condition.region as 'knee')) continue;
      const touched = PROCEDURES.some((p) =>
        p.loads.some((load) => condition.lesions.some((l) => l.structure === load.structure)),
      );
      expect(touched, condition.name).toBe(true);
    }
  });

  it('tell what a careless order would show: a sagging shin before a forward drawer', () => {
    const drawer = procedureById('anterior-drawer-knee');
    const torn = CONDITIONS.find((c) => c.id === 'pcl-rupture');
    if (!drawer || !torn) throw new Error('missing');
    const { simulatedPatient } = checklistFor(drawer, torn, 'left');
    expect(simulatedPatient).toMatch(/left shin hit the dashboard/);
    expect(simulatedPatient).toMatch(
      /Without the step "looks for a sag before pulling" it looks like a torn front cruciate/,
    );
    expect(simulatedPatient).toMatch(/right side is sound/);
  });
});
