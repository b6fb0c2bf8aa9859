import { defineProcedure } from '../define.ts';
import { prepare, perform, interpret, critical, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, push, figure } from '../figures.ts';
import { memory, agreed } from '../worth.ts';

/** The leg bones pressed together at mid-calf, the pain asked for at the ankle. */
export const syndesmosisSqueeze = defineProcedure(
  {
    id: 'syndesmosis-squeeze',
    names: ['Squeeze test', 'fibular compression test'],
    title: 'Pressing tibia and fibula together at mid-calf',
    indication: 'Pain above the ankle after an outward twist, bones found sound.',
    region: 'ankle',
    kind: 'provocation',
    structures: ['syndesmosis'],
    patient: 'Sits or lies, knee bent, slack.',
    examiner: 'In front or at the side, sees the face.',
    steps: [
      'Feel the whole fibula first.',
      'Heels of both hands on the bones at mid-calf or above.',
      'Squeeze slowly two to three seconds, release.',
      'Ask where.',
    ],
    schools: [
      { key: 'mid', label: 'Mid-leg, once', description: 'The common form.' },
      {
        key: 'stepwise',
        label: 'Stepwise down',
        description: 'In steps of 5 cm, never over the joint itself.',
        drawn: {
          hands: [moves('shank', 0.7, 'outer'), moves('shank', 0.7, 'inner')],
          forces: [push('shank', 0.7, 'inner', 'outer'), push('shank', 0.7, 'outer', 'inner')],
        },
        order: 'from above down',
      },
    ],
    figure: figure(
      'sitting',
      { leg: { hipFlexion: 88, kneeFlexion: 88 } },
      {
        view: 'front',
        hands: [moves('shank', 0.45, 'outer'), moves('shank', 0.45, 'inner')],
        forces: [push('shank', 0.45, 'inner', 'outer'), push('shank', 0.45, 'outer', 'inner')],
        region: ['shank'],
      },
    ),
    loads: [{ structure: 'syndesmosis', mode: 'tension' }],
    findings: [
      yesNo(
        'pain',
        'States whether the lower joint of the leg bones hurts',
        ['pain'],
        ['No pain there', 'Pain there'],
      ),
    ],
    positive: 'Known pain in front, where the leg bones meet, not under the hands.',
    negative: 'None there.',
    rules: [
      { when: 'Under the hands', speaksFor: 'bruise, fibula fracture or compartment' },
      { when: 'Calf ache', speaksFor: 'muscle' },
    ],
    confounders: ['Hands on soft calf', 'Any pain counted, as some teach'],
    doesNotProve: 'A sound joint where it is negative.',
    worth: [
      memory('high sprain', 0.26, 0.88, 'Sman 2015'),
      memory('high sprain again', 0.3, 0.93, 'deCesar 2011'),
      agreed(0.5, 'Alonso 1998'),
    ],
    followUp: ['ankle-external-rotation-stress'],
    contraindications: ['Fibula fracture', 'Compartment syndrome', 'Suspected clot'],
  },
  {
    task: 'Perform the squeeze of the leg bones.',
    items: [
      prepare.done(
        'fibula',
        'Palpates the whole fibula first',
        critical('A broken fibula would be squeezed.'),
      ),
      prepare.asked(
        'clot',
        'Excludes a hot, swollen calf',
        critical('A squeezed clot can travel to the lung.'),
      ),
      perform.done('on-bone', 'Sets the heel of each hand on bone'),
      perform.graded('height', 'Squeezes at mid-calf or above', [
        'Over the ankle',
        'Low',
        'Mid or above',
      ]),
      perform.done(
        'ramp',
        'Builds the load over one to two seconds',
        flagged('A jerk hurts the calf.'),
      ),
      interpret.done('fingertip', 'Asks for the fingertip site'),
      interpret.graded('only-there', 'Counts only pain at the lower joint', [
        'Any pain',
        'Prompted',
        'There only',
      ]),
      interpret.done('negative', 'Says that a negative excludes nothing'),
    ],
    faults: [
      ['Fibula not felt', 'fibula'],
      ['One hand on soft calf', 'on-bone'],
      ['Squeezes the ankle', 'height'],
      ['Local pain called positive', 'only-there'],
      ['Excluded on a negative', 'negative'],
    ],
    cautions: ['Not with a suspected clot or compartment.'],
    stopRule: 'Stop at sharp pain under the hands or the word stop.',
    patient: { condition: 'high-ankle-sprain', side: 'left' },
  },
);
