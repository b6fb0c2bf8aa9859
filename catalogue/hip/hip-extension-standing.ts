import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { countsFrom, present } from '../findings.ts';
import { holds, feels, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The leg taken backwards, standing with a support. */
export const hipExtensionStanding = defineProcedure(
  {
    id: 'hip-extension-standing',
    names: ['Hip extension range'],
    title: 'Leg backward, standing with support',
    indication: 'A short stride, or a back that arches in standing.',
    region: 'hip',
    kind: 'rom',
    structures: ['hip flexors', 'hip joint'],
    patient: 'Stands holding a fixed object, or lies face down.',
    examiner: 'Behind or beside, one hand free to steady.',
    steps: [
      'Secure the support.',
      'Hand on the pelvis, leg back slowly.',
      'Stop when pelvis or low back moves, read.',
      'Say whether the knee is bent.',
    ],
    schools: [
      {
        key: 'standing',
        label: 'Standing',
        description: 'Quick, with a support.',
        positions: 'standing',
      },
      {
        key: 'prone',
        label: 'Face down',
        description: 'Better control; commoner in books.',
        positions: 'prone',
        drawn: {
          position: 'prone',
          pose: { otherArm: { shoulderFlexion: 0, elbowFlexion: 0 } },
          from: { otherArm: { shoulderFlexion: 0, elbowFlexion: 0 } },
        },
      },
    ],
    figure: figure(
      'standing',
      {
        leg: { hipFlexion: -15, kneeFlexion: 5 },
        otherArm: { shoulderFlexion: 50, elbowFlexion: 20 },
      },
      {
        from: {
          leg: { hipFlexion: 0, kneeFlexion: 5 },
          otherArm: { shoulderFlexion: 50, elbowFlexion: 20 },
        },
        decides: decides('hipFlexion', -20, -10),
        hands: [holds('pelvis', 0.5, 'back'), feels('thigh', 0.6, 'back')],
        region: ['thigh', 'pelvis'],
      },
    ),
    loads: [
      { structure: 'hip flexors', mode: 'stretch' },
      { structure: 'hip joint', mode: 'motion' },
    ],
    numbers: [
      {
        item: 'angle',
        healthy: 15,
        tolerance: 5,
        half: 5,
        by: [
          { structure: 'hip flexors', state: 'tight', values: [8, 2, -5] },
          { structure: 'hip joint', state: 'stiff', values: [8, 2, -5] },
        ],
      },
    ],
    findings: [
      countsFrom(
        2,
        present(
          'short',
          'States the class of the range',
          ['stiffness'],
          ['10 to 20°', '5 to 9°: borderline', 'Under 5°'],
        ),
        'equivocal',
      ),
    ],
    positive: 'Under 5 or 10 between the sides; front pain apart.',
    negative: '10 to 20, alike; 5 to 9 borderline.',
    rules: [
      { when: 'Lost', speaksFor: 'short flexors or joint' },
      { when: 'Over 20', speaksFor: 'the back counted along: repeat' },
    ],
    confounders: ['A trunk that leans', 'A hollow back'],
    doesNotProve: 'Short flexors alone.',
    worth: [said('normal mean', '10 ± 7', 'Boone & Azen 1979')],
    followUp: ['modified-thomas', 'thomas-supine'],
    contraindications: ['Poor balance', 'Hip replaced from the front: extension with outward turn'],
    measurements: [
      {
        what: 'extension',
        landmarks: 'trunk line, trochanter, outer knee',
        unit: '°',
        instrument: 'goniometer',
        normal: '10 to 20',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Measure hip extension in standing.',
    items: [
      prepare.asked('balance', 'Asks about balance or falls', flagged('A fall can break a hip.')),
      prepare.asked(
        'replacement',
        'Asks about hip replacement or hip surgery',
        flagged('A replaced hip can dislocate.'),
      ),
      prepare.done(
        'support',
        'Has the patient hold a fixed support first',
        critical('Without a support the patient can fall.'),
      ),
      position.done('upright', 'Has the patient upright, facing the support'),
      perform.done('trunk', 'Keeps the trunk from leaning'),
      perform.graded('pelvis', 'Reads when the blocking hand feels the pelvis move', [
        'No hand',
        'Late',
        'At once',
      ]),
      perform.asked('knee', 'States whether the knee is bent or straight'),
      interpret.measured('angle', 'Extension stated', '°', [5, 25], { half: 5, from: 0, to: 60 }),
      interpret.done('before', 'Says that the value came before the pelvis moved'),
    ],
    faults: [
      ['No support', 'support'],
      ['Trunk leans', 'trunk'],
      ['Pelvis free', 'pelvis'],
      ['Knee not stated', 'knee'],
      ['Back counted', 'before'],
    ],
    cautions: ['A non-slip floor and a fixed support.'],
    stopRule: 'Stop at loss of balance, front pain, or the word stop.',
    patient: { condition: 'nothing-wrong', side: 'right' },
  },
);
