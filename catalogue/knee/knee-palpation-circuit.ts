import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { holds, feels, decides, figure, KNEE_REGION } from '../figures.ts';
import { KNEE_CAUTION } from './shared.ts';

/** Six landmarks of the bent knee in one fixed order, the sore one last. */
export const kneePalpationCircuit = defineProcedure(
  {
    id: 'knee-palpation-circuit',
    names: ['Systematic knee palpation', 'landmarks of the knee'],
    title: 'Six landmarks of the bent knee in one fixed order',
    indication: 'Every painful knee, to find the place.',
    region: 'knee',
    kind: 'palpation',
    structures: [
      'tibial tuberosity',
      'patellar tendon',
      'medial meniscus',
      'lateral meniscus',
      'medial collateral ligament',
      'quadriceps tendon',
    ],
    patient: 'Lies on the back, knee bent to a right angle, foot flat and steadied.',
    examiner: 'Beside the couch, facing the head end.',
    steps: [
      'Shin bump, tendon below the kneecap, both joint lines, both collateral ligaments, tendon above the kneecap, the kneecap with its borders.',
      'Press with one or two finger pulps until the nail bed blanches.',
      'Watch the face, and keep the sore spot for last.',
    ],
    schools: [
      {
        key: 'bent-knee',
        label: 'Knee bent',
        description: 'The bent knee opens the joint line.',
        angles: '70 to 90 degrees',
      },
      {
        key: 'straight-knee',
        label: 'Knee straight',
        description: 'Taught where the knee does not bend.',
        angles: '0 degrees',
        drawn: { position: 'supine', pose: { leg: { kneeFlexion: 0 } }, band: [0, 5] },
      },
    ],
    figure: figure(
      'hook-lying',
      { leg: { kneeFlexion: 85 } },
      {
        decides: decides('kneeFlexion', 70, 90),
        hands: [feels('shank', 0.04, 'front'), holds('shank', 0.6, 'front')],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'tibial tuberosity', mode: 'pressure' },
      { structure: 'patellar tendon', mode: 'pressure' },
      { structure: 'medial meniscus', mode: 'pressure' },
      { structure: 'lateral meniscus', mode: 'pressure' },
      { structure: 'medial collateral ligament', mode: 'pressure' },
      { structure: 'quadriceps tendon', mode: 'pressure' },
      { structure: 'lateral collateral ligament', mode: 'pressure' },
      { structure: 'kneecap restraints', mode: 'pressure' },
      { structure: 'outer kneecap retinaculum', mode: 'pressure' },
      { structure: 'kneecap surfaces', mode: 'pressure' },
    ],
    findings: [
      site(
        'tender-site',
        'Names the tender site',
        ['pain', 'gap'],
        'None',
        ['tuberosity', 'Shin bump', ['tibial tuberosity']],
        ['tendon', 'Tendon', ['patellar tendon', 'quadriceps tendon']],
        ['inner-line', 'Inner line', ['medial meniscus']],
        ['outer-line', 'Outer line', ['lateral meniscus']],
        ['collateral', 'Collateral', ['medial collateral ligament', 'lateral collateral ligament']],
        [
          'kneecap',
          'Border of the kneecap',
          ['kneecap restraints', 'outer kneecap retinaculum', 'kneecap surfaces'],
        ],
      ),
    ],
    positive: 'Point tenderness that is the familiar pain, a gap or a swelling, by site.',
    negative: 'No tenderness, or the same on both sides.',
    rules: [
      { when: 'Shin bump in an adolescent', speaksFor: 'traction on the growth zone' },
      { when: 'Lower pole or tendon below the kneecap', speaksFor: 'tendinopathy' },
      { when: 'Collateral ligament', speaksFor: 'sprain' },
      { when: 'A gap in a tendon', speaksFor: 'rupture: test the straight leg raise' },
    ],
    confounders: ['Tender bone after an injury'],
    doesNotProve: 'A tear; tenderness names a place.',
    followUp: ['joint-line-tenderness'],
    contraindications: ['Tender kneecap or fibular head after an injury: fracture rule first.'],
  },
  {
    task: 'Palpate the knee systematically and name each structure as you touch it.',
    items: [
      prepare.done('sore-last', 'Leaves the sore spot to last'),
      position.measured('knee-angle', 'Knee flexion during palpation', '°', [70, 90], {
        from: 0,
        to: 135,
      }),
      position.done('foot-steady', 'Steadies the foot'),
      perform.graded('six-sites', 'Presses all six landmarks in order', [
        'Two or more left out',
        'One left out',
        'All six in order',
      ]),
      perform.done('names-each', 'Names each structure while touching it', {
        observability: 'spoken',
        saidEarns: true,
      }),
      perform.graded('on-landmark', 'Lays the finger on the landmark named', [
        'Two or more off',
        'One off',
        'All on the spot',
      ]),
      perform.done('watches-face', 'Watches the face'),
      interpret.done(
        'bone-gate',
        'Says that bony tenderness after injury needs the fracture rule',
        flagged('A missed fracture is stressed next.'),
      ),
    ],
    faults: [
      ['Knee left straight', 'knee-angle'],
      ['Foot slides', 'foot-steady'],
      ['Roams without naming', 'names-each'],
      ['Eyes on the hand only', 'watches-face'],
      ['Sore site first', 'sore-last'],
    ],
    cautions: ['Light hand in the hollow of the knee: vessels and nerve.', KNEE_CAUTION],
    stopRule: 'Stop at bony tenderness after an injury, or the word stop.',
    patient: { condition: 'tuberosity-traction', side: 'right' },
  },
);
