import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';

/** The big toe lifted with the head of its metatarsal supported. */
export const greatToeExtension = defineProcedure(
  {
    id: 'great-toe-extension',
    names: ['First toe extension', 'functional hallux limitus check'],
    title: 'Big toe lifted with the head of its metatarsal supported',
    indication: 'A big toe that hurts or is stiff on pushing off.',
    region: 'ankle',
    kind: 'rom',
    structures: ['big toe joint'],
    patient: 'Lies on the back, ankle square.',
    examiner: 'At the foot end, side on.',
    steps: [
      'Thumb under the head of the first metatarsal.',
      'Push the near bone of the toe up slowly.',
      'Compare with the head free.',
    ],
    schools: [
      { key: 'supported', label: 'Head supported', description: 'A thumb holds the head up.' },
      {
        key: 'free',
        label: 'Head free',
        description: 'Larger range, commoner in clinics.',
        hands: 'none on the head of the first metatarsal',
        drawn: { hands: [moves('foot', 0.97, 'below')] },
      },
    ],
    figure: figure(
      'long-sitting',
      { leg: { ankleDorsiflexion: 0 } },
      {
        decides: decides('ankleDorsiflexion', -10, 10),
        hands: [holds('foot', 0.72, 'below'), moves('foot', 0.97, 'below')],
        forces: [push('foot', 0.97, 'above', 'below')],
        region: ['foot'],
        closeUp: 'toes',
      },
    ),
    loads: [{ structure: 'big toe joint', mode: 'motion' }],
    numbers: [
      {
        item: 'angle',
        healthy: 65,
        tolerance: 5,
        half: 10,
        by: [{ structure: 'big toe joint', state: 'stiff', values: [40, 30, 15] }],
      },
    ],
    findings: [yesNo('limited', 'States the class by 45°', ['stiffness'], ['45° or more', 'Less'])],
    positive: 'Under 45 degrees, or pain.',
    negative:
      'From 45 with the head held up, which walking asks for, painless; with the head free 60 to 70 is usual.',
    rules: [
      { when: 'Painful hard stop', speaksFor: 'arthritis of the joint' },
      { when: 'Low only with the head pushed up', speaksFor: 'functional limit' },
    ],
    confounders: ['An ankle drawn up or pointed'],
    doesNotProve: 'Trouble further up the leg.',
    followUp: ['subtalar-inversion-eversion'],
    contraindications: ['Acute gout', 'Turf toe'],
    measurements: [
      {
        what: 'toe extension',
        landmarks: 'first metatarsal, near phalanx',
        unit: '°',
        instrument: 'goniometer',
        normal: '60 to 70',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Measure big toe extension, loaded as well as free.',
    items: [
      prepare.asked(
        'gout',
        'Asks about gout or toe injury',
        flagged('An inflamed toe is not pushed.'),
      ),
      position.measured('ankle', 'Ankle plantarflexion', '°', [-10, 10], { from: -30, to: 60 }),
      position.done('thumb', 'Sets the thumb under the head'),
      perform.done('near', 'Pushes at the near bone of the toe'),
      perform.measured('seconds', 'Seconds of the movement', 's', [2, 3], {
        half: 1,
        from: 0,
        to: 15,
      }),
      perform.measured('angle', 'Angle read', '°', [30, 75], {
        full: 5,
        half: 10,
        from: 0,
        to: 110,
      }),
      interpret.done('cut', 'Applies the 45 degree rule'),
      interpret.graded('loaded', 'Compares loaded with free', ['Not', 'In part', 'Compared']),
    ],
    faults: [
      ['Head not held', 'thumb'],
      ['Pushes at the tip', 'near'],
      ['Ankle pointed', 'ankle'],
      ['Too fast', 'seconds'],
    ],
    cautions: ['Sharp pain: stop.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'stiff-big-toe', side: 'right' },
  },
);
