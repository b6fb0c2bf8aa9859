import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { laxityGrade } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';

/** The foot pushed straight back under a held leg. */
export const anklePosteriorDrawer = defineProcedure(
  {
    id: 'ankle-posterior-drawer',
    names: ['Posterior drawer of the ankle'],
    title: 'Pushing the foot backward',
    indication: 'A bad turn or dislocation with looseness backwards.',
    region: 'ankle',
    kind: 'laxity',
    structures: ['posterior talofibular ligament'],
    patient: 'Lies, knee slightly bent, ankle square.',
    examiner: 'At the side or foot end.',
    steps: [
      'Hold the lower leg from behind.',
      'Push the front of the talus straight back, two to three seconds.',
      'Compare.',
    ],
    schools: [
      { key: 'talus', label: 'Talus pushed back', description: 'The leg is held.' },
      {
        key: 'tibia',
        label: 'Tibia drawn forward',
        description: 'The foot is fixed: the same motion.',
        drawn: {
          hands: [holds('foot', 0.3, 'below'), moves('shank', 0.85, 'back')],
          forces: [push('shank', 0.85, 'front', 'back')],
        },
        force: 'leg drawn forward',
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 25, kneeFlexion: 40, ankleDorsiflexion: 0 } },
      {
        decides: decides('ankleDorsiflexion', -5, 5),
        hands: [holds('shank', 0.85, 'back'), moves('foot', 0.3, 'above')],
        forces: [push('foot', 0.3, 'back', 'above')],
        region: ['shank', 'foot'],
        closeUp: 'ankle',
      },
    ),
    loads: [{ structure: 'posterior talofibular ligament', mode: 'tension' }],
    findings: [
      laxityGrade('States the difference between the sides', [
        'Equal',
        'Mild, firm',
        'Moderate, soft',
        'Marked, no end',
      ]),
    ],
    positive: 'More than on the other side.',
    negative: 'Equal.',
    rules: [
      {
        when: 'Positive',
        speaksFor: 'back outer ligament, rarely torn alone: think of a fracture dislocation',
      },
    ],
    confounders: ['A click says nothing, though some teach it'],
    doesNotProve: 'An isolated tear.',
    followUp: ['talar-tilt-dorsiflexed'],
    contraindications: ['Suspected fracture', 'Parted leg bones', 'Ligament repair'],
  },
  {
    task: 'Perform the posterior drawer of the ankle.',
    items: [
      prepare.asked(
        'rule',
        'Applies the X-ray rule first where the injury is fresh',
        critical('A missed fracture is stressed next.'),
      ),
      position.measured('ankle', 'Ankle angle', '°', [-5, 5], { half: 5, from: -50, to: 30 }),
      perform.graded('leg', 'Keeps the leg still just above the ankle bones', [
        'Loose',
        'Too high',
        'Held',
      ]),
      perform.done('talus', 'Contacts the front of the talus, not the toes'),
      perform.done('straight', 'Pushes straight backward'),
      perform.done(
        'ramp',
        'Builds the load over one to two seconds',
        flagged('A jerk tears what is left.'),
      ),
      interpret.done('no-click', 'Says that a click is not counted'),
      interpret.done('ligament', 'Names the back outer ligament'),
    ],
    faults: [
      ['Ankle not square', 'ankle'],
      ['Leg loose', 'leg'],
      ['Pushes the toes', 'talus'],
      ['Wrong direction', 'straight'],
      ['Click called positive', 'no-click'],
    ],
    cautions: ['Not after ligament repair, nor where the leg bones may have parted.'],
    stopRule: 'Stop at sharp pain, guarding, or the word stop.',
    patient: { condition: 'all-outer-ligaments', side: 'left' },
  },
);
