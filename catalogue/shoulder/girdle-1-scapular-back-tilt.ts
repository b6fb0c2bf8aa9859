import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, decides, figure, push, own } from '../figures.ts';

/** The lower tip of the blade against the armpit line at full elevation. */
export const girdle1ScapularBackTilt = defineProcedure(
  {
    id: 'girdle-1-scapular-back-tilt',
    names: ['Girdle mobility, part 1', 'Stenvers girdle series, part 1'],
    title: 'Lower tip of the blade against the armpit line at full elevation',
    indication: 'Reaching up is short or painful and the shoulder joint itself is free.',
    region: 'shoulder',
    kind: 'rom',
    structures: ['scapulothoracic gliding'],
    patient: 'Sits upright, armpit line in view.',
    examiner: 'Beside the tested arm, eyes at armpit height.',
    steps: [
      'Take the arm straight forward to its end, slowly.',
      'Touch the lower tip of the blade, hold two or three seconds, read against the line.',
    ],
    schools: [
      { key: 'passive', label: 'Passive', description: 'The examiner lifts.' },
      {
        key: 'active',
        label: 'Active',
        description: 'Adds muscle control: another result.',
        force: 'by the patient',
        drawn: {
          hands: [feels('trunk', 0.6, 'back')],
          forces: [own(push('upperArm', 0.5, 'front'))],
        },
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 170, shoulderAbduction: 0, elbowFlexion: 0 } },
      {
        from: { arm: { shoulderFlexion: 20 } },
        decides: decides('shoulderFlexion', 160, 180),
        hands: [moves('upperArm', 0.9, 'back'), feels('trunk', 0.6, 'back')],
        forces: [],
        region: ['upperArm'],
      },
    ),
    loads: [{ structure: 'scapulothoracic gliding', mode: 'motion' }],
    voids: ARM_OUT_OF_REACH,
    findings: [
      yesNo('behind', 'States where the tip stays', ['stiffness'], ['On the line', 'Behind it']),
    ],
    positive: 'The tip stays a centimetre or more behind the line.',
    negative: 'It reaches the line.',
    confounders: ['Slumped or arched trunk', 'An arm short of 160: invalid'],
    doesNotProve: 'Why it is limited; agreement of examiners is no validity.',
    worth: [
      {
        of: 'agreement of examiners over the series',
        text: 'kappas of .63 to .84',
        source: 'Baertschi 2013',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['girdle-2-clavicle-motion'],
    contraindications: ['Acute tear or dislocation'],
    measurements: [
      {
        what: 'tip to armpit line',
        landmarks: 'lower tip of the blade, mid-axillary line',
        unit: 'cm',
        instrument: 'ruler',
        normal: 'under 1',
        tolerance: '1',
      },
    ],
  },
  {
    task: 'Perform part 1 of the girdle series.',
    items: [
      prepare.asked(
        'screens',
        'Asks about tingling in the arm',
        flagged('Overhead tingling may be a vessel or nerve.'),
      ),
      position.done('beside', 'Stands beside with eyes at armpit height'),
      perform.done('passive', 'Lifts the arm passively'),
      perform.done('forward', 'Takes it straight forward'),
      perform.measured('reach', 'Arm elevation reached', '°', [160, 180], { full: 5, half: 10 }),
      perform.done('trunk', 'Keeps the trunk from slumping'),
      perform.done('touches', 'Touches the tip before reading'),
      interpret.done('invalid', 'Says that short of 160 degrees it is invalid'),
    ],
    faults: [
      ['Stands behind', 'beside'],
      ['Trunk slumps', 'trunk'],
      ['Arm drifts out', 'forward'],
      ['Reads from a skin crease', 'touches'],
    ],
    cautions: ['Tingling: stop.'],
    stopRule: 'Stop at strong pain, tingling, or the word stop.',
    patient: { condition: 'stiff-girdle', side: 'right' },
  },
);
