import { FOOT_NOT_UP } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { onlyFrom, yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';

/** The heel tilted inwards with the foot pulled up. */
export const talarTiltDorsiflexed = defineProcedure(
  {
    id: 'talar-tilt-dorsiflexed',
    names: ['Talar tilt, foot pulled up'],
    title: 'Tilting the heel inward with the foot pulled up',
    indication: 'A suspected major tear, or impingement in front.',
    region: 'ankle',
    kind: 'laxity',
    structures: ['posterior talofibular ligament', 'calcaneofibular ligament'],
    patient: 'Lies or sits, knee bent, foot pulled up to its end.',
    examiner: 'At the foot end, forearm under the sole.',
    steps: [
      'Pull the foot up, hold it.',
      'Tilt the heel inwards two to three seconds.',
      'Ask: front or side?',
      'Read it with the other two positions.',
    ],
    schools: [
      { key: 'ladder', label: 'Three positions', description: 'The last rung, never alone.' },
      {
        key: 'skipped',
        label: 'Left out',
        description: 'Many schools leave it out and say so.',
        order: 'not done',
      },
    ],
    figure: figure(
      'sitting',
      { leg: { hipFlexion: 88, kneeFlexion: 88, ankleDorsiflexion: 15, talarTilt: 3 } },
      {
        from: { leg: { hipFlexion: 88, kneeFlexion: 88, ankleDorsiflexion: 15 } },
        decides: decides('ankleDorsiflexion', 10, 25),
        hands: [holds('shank', 0.85, 'inner'), moves('foot', 0.08, 'outer')],
        forces: [push('foot', 0.1, 'inner', 'outer')],
        region: ['shank', 'foot'],
        closeUp: 'ankle',
      },
    ),
    loads: [
      { structure: 'posterior talofibular ligament', mode: 'tension' },
      { structure: 'syndesmosis', mode: 'stretch' },
    ],
    voids: FOOT_NOT_UP,
    findings: [
      yesNo('lax', 'States whether it opens', ['laxity'], ['Firm', 'Opens']),
      onlyFrom(
        yesNo('front', 'States whether it hurts in front', ['pain'], ['Painless', 'Painful']),
        'syndesmosis',
      ),
    ],
    positive: 'More tilt or gap than on the other side.',
    negative: 'Firm.',
    rules: [
      { when: 'Opens', speaksFor: 'a major injury: refer' },
      { when: 'Hurts in front', speaksFor: 'impingement or high sprain' },
    ],
    confounders: ['The talus is locked between the leg bones'],
    doesNotProve: 'A tear of the back ligament alone; some teach that it isolates it.',
    followUp: ['ankle-external-rotation-stress'],
    contraindications: [
      'High sprain that hurts on pulling up',
      'Suspected fracture',
      'Ligament repair',
    ],
  },
  {
    task: 'Perform the talar tilt with the foot pulled up.',
    items: [
      prepare.asked(
        'rule',
        'Applies the X-ray rule first where the injury is fresh',
        critical('A missed fracture is stressed next.'),
      ),
      position.measured('ankle', 'Dorsiflexion, knee bent', '°', [10, 30], {
        half: 5,
        from: -30,
        to: 40,
      }),
      perform.graded('leg', 'Keeps the leg still just above the ankle bones', [
        'Leg turns',
        'Leg moves a little',
        'Leg still',
      ]),
      perform.done('block', 'Moves the heel as a block, forefoot free'),
      perform.done(
        'ramp',
        'Builds the load over one to two seconds',
        flagged('A jerk tears what is left.'),
      ),
      interpret.done('site', 'Asks for the site, front or side'),
      interpret.graded('ladder', 'Reads the ladder as a whole', [
        'Back ligament alone',
        'In part',
        'As a whole',
      ]),
    ],
    faults: [
      ['Not fully up', 'ankle'],
      ['Leg loose', 'leg'],
      ['Forefoot twisted', 'block'],
      ['Front pain ignored', 'site'],
      ['Back ligament called alone', 'ladder'],
    ],
    cautions: ['A high sprain hurts on pulling up: stop.'],
    stopRule: 'Stop at front pain, guarding, or the word stop.',
    patient: { condition: 'all-outer-ligaments', side: 'right' },
  },
);
