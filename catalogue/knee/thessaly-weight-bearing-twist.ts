import { KNEE_LOCKED, KNEE_TOO_FULL } from '../contraindicated.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical } from '../items.ts';
import { COMPARTMENTS, site } from '../findings.ts';
import { holds, turn, own, decides, figure, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';
import { KNEE_CAUTION } from './shared.ts';

/** Three twists on one leg with the knee nearly straight, then three with it bent. */
export const thessalyWeightBearingTwist = defineProcedure(
  {
    id: 'thessaly-weight-bearing-twist',
    names: ['Thessaly test'],
    title: 'Twisting on one leg, knee nearly straight and then bent',
    indication: 'A catch on twisting in a person who can stand safely on that leg.',
    region: 'knee',
    kind: 'provocation',
    structures: ['medial meniscus', 'lateral meniscus'],
    patient: 'Stands barefoot on the tested leg, foot flat, the other foot lifted behind.',
    examiner: 'In front, holding both hands or forearms.',
    steps: [
      'Knee nearly straight: three full twists in and out over the planted foot.',
      'Knee bent to 20 degrees: three more.',
      'The pelvis must turn with the thigh; the foot must not slide.',
      'Sound leg first.',
    ],
    schools: [
      {
        key: 'both-stages',
        label: 'Both stages',
        description: 'Bent stage always follows, as published.',
        order: 'straight, then bent',
      },
      {
        key: 'stop-after-positive',
        label: 'Stop after a positive',
        description: 'A positive straight stage ends the test; the bent stage then does not apply.',
        order: 'bent stage only after a negative straight one',
      },
      {
        key: 'bent-only',
        label: 'Bent only',
        description: 'Twists at 20 degrees alone, now the commoner form.',
        drawn: {},
        angles: '20 degrees',
      },
    ],
    figure: figure(
      'single-leg-standing',
      { leg: { kneeFlexion: 20 }, arm: { shoulderFlexion: 55 }, otherArm: { shoulderFlexion: 55 } },
      {
        decides: decides('kneeFlexion', 15, 25),
        hands: [holds('hand', 0.6, 'front')],
        forces: [own(turn('thigh', 0.4, 'inwards'))],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'medial meniscus', mode: 'twist' },
      { structure: 'lateral meniscus', mode: 'twist' },
    ],
    refrains: [...KNEE_TOO_FULL, ...KNEE_LOCKED],
    findings: [
      site(
        'painful-line',
        'Names the line that hurts on twisting',
        ['pain'],
        'Neither',
        ...COMPARTMENTS,
      ),
    ],
    positive: 'Familiar pain at the inner or outer line, locking or catching, at either stage.',
    negative: 'Both stages done without it.',
    confounders: ['Front cruciate deficiency', 'Pain from behind the kneecap', 'Arthritis'],
    doesNotProve: 'A tear; even healthy knees may ache in a twist.',
    worth: [
      memory('inner meniscus at 20°', 0.89, 0.97, 'Karachalios 2005'),
      memory('outer meniscus at 20°', 0.92, 0.96, 'Karachalios 2005'),
      memory('meniscus tear', 0.9, 0.98, 'Harrison 2009'),
      memory('meniscus tear', 0.64, 0.53, 'Goossens 2015'),
      memory('meniscus tear at 20°, pooled', 0.75, 0.87, 'Smith 2015'),
    ],
    followUp: ['joint-line-tenderness', 'mcmurray-rotation-extension'],
    contraindications: [
      'Locked or freshly swollen knee',
      'Cannot stand on one leg',
      'Ligament reconstruction of the last half year',
    ],
  },
  {
    task: 'Perform the weight-bearing twist and report stage and line of any pain.',
    items: [
      prepare.done('brief', 'Lets the person try the twist on two feet'),
      position.done(
        'grip',
        'Has the person barefoot or in shoes that grip',
        critical('A sock slides and the knee gives way.'),
      ),
      position.graded(
        'support',
        'Holds both hands within reach',
        ['Out of reach', 'One hand', 'Both hands throughout'],
        critical('A person on one leg must not fall.'),
      ),
      perform.measured('bend', 'Knee flexion of the bent stage', '°', [15, 25], {
        from: 0,
        to: 90,
      }),
      perform.measured('twists', 'Full twists of each stage', 'times', [3, 3], {
        half: 1,
        from: 0,
        to: 10,
      }),
      perform.graded('pelvis-turns', 'Has the pelvis turn over the fixed foot', [
        'Shoulders only',
        'Small arcs',
        'Pelvis both ways',
      ]),
      perform.done('foot-flat', 'Keeps the tested foot flat in place'),
      perform.done('straight-first', 'Does the straight stage before the bent one', {
        variants: ['both-stages', 'stop-after-positive'],
      }),
      interpret.graded('other-causes', 'Names two other causes of twist pain', [
        'None',
        'One',
        'Two',
      ]),
    ],
    faults: [
      ['Out of reach', 'support'],
      ['Shoulders swing only', 'pelvis-turns'],
      ['Foot slides', 'foot-flat'],
      ['Fewer than three twists', 'twists'],
      ['Slippery sock', 'grip'],
      ['Person does not know the task', 'brief'],
    ],
    cautions: [
      'Something solid within reach; somebody close throughout.',
      KNEE_CAUTION,
      'The bent stage risks more injury: straight stage first.',
      'Some teach all three twists even after the first pain; the stop rule still wins.',
    ],
    stopRule:
      'Stop at sharp pain, locking, giving way, or the word stop: a safety stop costs no marks.',
    patient: { condition: 'lateral-meniscus-tear', side: 'left' },
  },
);
