import { NO_RIGHT_ANGLE } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, feltSlack, easesOff, flagged } from '../items.ts';
import { endPoint, laxityGrade, onlyFrom } from '../findings.ts';
import { holds, moves, push, decides, figure, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';
import { KNEE_CAUTION } from './shared.ts';

/** The step at the joint felt first, then the shin pushed back. */
export const posteriorDrawerKnee = defineProcedure(
  {
    id: 'posterior-drawer-knee',
    names: ['Posterior drawer test of the knee'],
    title: 'Backward push on the shin at a right angle, the step felt first',
    indication: 'A dashboard injury, a fall on the bent knee, or looseness downhill.',
    region: 'knee',
    kind: 'laxity',
    structures: ['posterior cruciate ligament'],
    patient: 'Lies flat on the back, hip at 45 and knee at 90 degrees, foot flat.',
    examiner: 'Sits lightly against the forefoot.',
    steps: [
      'Feel the step: the inner plateau normally stands about a centimetre in front of the condyle.',
      'Push slowly back along the slope of the plateau, hold a second or two.',
      'Grade by how much of the step is left, sound side first.',
    ],
    schools: [
      {
        key: 'after-front',
        label: 'After the forward drawer',
        description: 'From the same set-up, force reversed.',
        order: 'after the forward drawer',
      },
      {
        key: 'alone',
        label: 'On its own',
        description: 'As a test of its own.',
        order: 'by itself',
      },
    ],
    figure: figure(
      'hook-lying',
      { leg: { kneeFlexion: 90, tibialTranslation: -5 } },
      {
        from: { leg: { kneeFlexion: 90 } },
        decides: decides('kneeFlexion', 80, 100),
        hands: [moves('shank', 0.1, 'front'), holds('foot', 0.7, 'above')],
        forces: [push('shank', 0.1, 'back', 'front')],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'posterior cruciate ligament', mode: 'tension' },
      { structure: 'posterolateral corner', mode: 'tension' },
    ],
    misleads: [
      {
        lesion: { structure: 'anterior cruciate ligament', state: 'torn' },
        sign: 'laxity',
        looksLike: 'a torn back cruciate',
        avoidedBy: 'feels the step before pushing',
      },
    ],
    voids: NO_RIGHT_ANGLE,
    findings: [
      {
        ...laxityGrade('States how far the step is lost', [
          'Equal',
          '1: reduced',
          '2: flush',
          '3: behind',
        ]),
        // Torn alone it mostly ends flush; behind speaks for a corner torn with it.
        reading: {
          kind: 'grade',
          sign: 'laxity',
          graded: {
            structure: 'posterior cruciate ligament',
            grades: [1, 2, 2],
            raisedBy: 'posterolateral corner',
          },
        },
      },
      onlyFrom(endPoint(), 'posterior cruciate ligament'),
    ],
    positive: 'A smaller step than on the other side, flush or behind, with a soft stop.',
    negative: 'Equal step, firm stop.',
    confounders: [
      'A shin that has already sagged',
      'Working thigh muscle',
      'A missing front cruciate',
    ],
    rules: [
      {
        when: 'Even slight looseness',
        speaksFor: 'counts: the back ligament is the stiffer of the two',
      },
    ],
    doesNotProve: 'An isolated tear: over 10 mm think of the back and outer corner.',
    worth: [memory('back cruciate tear', 0.9, 0.99, 'Rubinstein 1994')],
    followUp: ['posterior-sag-sign', 'external-rotation-recurvatum'],
    contraindications: ['Fresh dislocation or graft: no stress'],
  },
  {
    task: 'Perform the posterior drawer of the knee and grade it by the step.',
    items: [
      prepare.done('toes-free', 'Keeps pressure off the toes', flagged('Sitting on toes hurts.')),
      position.measured('knee-angle', 'Knee flexion during the push', '°', [80, 100], {
        half: 10,
        from: 0,
        to: 135,
      }),
      position.done('foot-fixed', 'Fixes the foot'),
      position.done('trunk-flat', 'Has the trunk lie flat'),
      feltSlack('thigh muscles'),
      perform.graded('step-felt', 'Feels the step before pushing', [
        'Not felt',
        'Felt on one side',
        'Felt on both',
      ]),
      perform.graded('push', 'Pushes the upper shin straight back', [
        'Low or oblique',
        'High, too quick',
        'Straight, held',
      ]),
      easesOff(),
      interpret.done('start-matters', 'Says that the starting place changes the reading'),
    ],
    faults: [
      ['Step not felt', 'step-felt'],
      ['Foot not fixed', 'foot-fixed'],
      ['Person propped up', 'trunk-flat'],
      ['Push at the ankle', 'push'],
    ],
    cautions: [KNEE_CAUTION],
    stopRule: 'Stop at guarding, sharp pain, or the word stop.',
    patient: { condition: 'pcl-rupture', side: 'right' },
  },
);
