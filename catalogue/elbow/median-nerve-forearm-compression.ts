import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical } from '../items.ts';
import { orVoid, yesNo } from '../findings.ts';
import { moves, feels, push, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The median nerve pressed in the upper forearm, pulse watched. */
export const medianNerveForearmCompression = defineProcedure(
  {
    id: 'median-nerve-forearm-compression',
    names: ['Pronator compression test'],
    title: 'Pressing the median nerve in the upper forearm',
    indication: 'Forearm ache with tingling of the thumb side and of the palm itself.',
    region: 'elbow',
    kind: 'nerve',
    structures: ['median nerve in the forearm'],
    patient: 'Sits, elbow slightly bent, palm up, slack.',
    examiner: 'In front; one thumb presses, one hand on the pulse.',
    steps: [
      'Note tingling already there.',
      'Press 4 to 8 cm below the crease for 30 seconds, pulse felt throughout.',
      'Ask openly, map the tingling.',
      'Pulse lost: void, move, repeat.',
    ],
    schools: [
      { key: 's30', label: '30 seconds', description: 'The commonest hold.', hold: '30 s' },
      {
        key: 's60',
        label: 'Up to 60 seconds',
        description: 'A longer hold for a late answer.',
        hold: '60 s',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 40, shoulderAbduction: 8, elbowFlexion: 32, forearmPronation: -80 },
      },
      {
        decides: decides('elbowFlexion', 20, 45),
        hands: [moves('forearm', 0.25, 'inner'), feels('forearm', 0.9, 'inner')],
        forces: [push('forearm', 0.25, 'outer', 'inner')],
        region: ['forearm', 'hand'],
      },
    ),
    loads: [{ structure: 'median nerve in the forearm', mode: 'pressure' }],
    findings: [
      orVoid(
        yesNo(
          'result',
          'States the result',
          ['tingling'],
          ['None, pulse present', 'Ache or tingling, pulse present'],
        ),
        'Void: pulse lost',
      ),
    ],
    positive: 'Known ache or tingling of thumb to middle finger, palm base too, pulse present.',
    negative: 'None.',
    rules: [
      { when: 'Palm base included', speaksFor: 'above the wrist' },
      { when: 'Fingers only, at night', speaksFor: 'carpal tunnel' },
      { when: 'Weak pinch, skin normal', speaksFor: 'anterior interosseous nerve' },
      { when: 'Pulse lost', speaksFor: 'void' },
    ],
    confounders: ['Carpal tunnel', 'Neck root', 'Local soreness'],
    doesNotProve: 'Pressure on the nerve on its own: weak support.',
    worth: [said('30 seconds', 'described without controls', 'Gainor 1990')],
    followUp: ['ain-motor-check', 'resisted-pronation-medial'],
    contraindications: ['Vascular access in the arm', 'Anticoagulants'],
  },
  {
    task: 'Press the median nerve in the upper forearm with the pulse watched.',
    items: [
      prepare.asked(
        'access',
        'Asks about vascular access or anticoagulants',
        critical('An access can clot, a forearm can bleed.'),
      ),
      prepare.asked('before', 'Notes tingling already there'),
      position.measured('elbow', 'Elbow angle, palm up', '°', [20, 45], { half: 10 }),
      perform.measured('place', 'Distance below the crease', 'cm', [4, 8], {
        half: 2,
        from: 0,
        to: 20,
      }),
      perform.measured('hold', 'Timed pressure', 's', [20, 40], { half: 10, from: 0, to: 120 }),
      perform.done(
        'pulse',
        'Feels the pulse at the wrist throughout',
        critical('A lost pulse means a forearm without blood.'),
      ),
      perform.done('pinch', 'Adds the pinch of thumb with index'),
      interpret.done('pulse-said', 'States whether the pulse is present'),
      interpret.done('maps', 'Maps the tingling by open questions'),
      interpret.graded('separates', 'Separates forearm, wrist, motor nerve, blood', [
        'Not',
        'Two',
        'All',
      ]),
    ],
    faults: [
      ['Too low', 'place'],
      ['No clock', 'hold'],
      ['Pulse not watched', 'pulse'],
      ['Void called positive', 'separates'],
      ['Leading question', 'maps'],
      ['No pinch', 'pinch'],
    ],
    cautions: ['Release when the pulse goes.'],
    stopRule: 'Stop when the pulse goes, at onset, or the word stop.',
    patient: { condition: 'pronator-syndrome', side: 'right' },
  },
);
