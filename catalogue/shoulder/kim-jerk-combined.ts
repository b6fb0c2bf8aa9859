import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, compress, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** Both loaded tests in one sitting, read as a set. */
export const kimJerkCombined = defineProcedure(
  {
    id: 'kim-jerk-combined',
    names: ['Kim and jerk as a set'],
    title: 'Both loaded tests in one sitting, read as a set',
    indication:
      'A suspected tear of the back rim, where one of the two tests alone would miss some.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['posteroinferior labrum'],
    patient: 'As in each test; seated anew between them.',
    examiner: 'As in each test.',
    steps: [
      'One full Kim test, a rest of 30 to 60 seconds, one full jerk test; the order is recorded.',
      'One positive makes the set positive; both negative make it negative.',
    ],
    schools: [
      {
        key: 'either',
        label: 'Either positive',
        description: 'The published rule: fewer are missed.',
        criterion: 'one positive is enough',
      },
      {
        key: 'both',
        label: 'Both positive',
        description: 'Fewer are wrongly called.',
        criterion: 'both must be positive',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 110,
          shoulderHorizontalAdduction: 40,
          elbowFlexion: 90,
        },
      },
      {
        decides: decides('shoulderAbduction', 85, 140),
        hands: [moves('upperArm', 0.98, 'below'), holds('trunk', 0.75, 'back')],
        forces: [compress('upperArm')],
        region: ['upperArm'],
        view: 'front',
      },
    ),
    loads: [{ structure: 'posteroinferior labrum', mode: 'compression' }],
    voids: ARM_OUT_OF_REACH,
    findings: [yesNo('set', 'States the result of the set', ['pain'], ['Negative', 'Positive'])],
    positive: 'Either test positive.',
    negative: 'Both negative.',
    confounders: ['A second test after fear in the first'],
    rules: [
      {
        when: 'Only one of the two',
        speaksFor: 'Kim’s finds lower lesions better, the jerk those further back',
      },
    ],
    doesNotProve:
      'No tear: how much a negative set lowers the chance depends on the chance before.',
    worth: [
      said(
        'one positive is enough',
        'sensitivity 97 % observed; specificity not published',
        'Kim 2005',
      ),
    ],
    followUp: ['kim', 'jerk'],
    contraindications: ['Posterior dislocation', 'Fracture', 'Repair'],
  },
  {
    task: 'Perform both loaded tests and read them as a set.',
    items: [
      prepare.asked(
        'screens',
        'Asks about posterior dislocation',
        flagged('The arm bone can slip out backwards.'),
      ),
      position.done('again', 'Sets the start position anew'),
      perform.graded('kim', 'Performs the Kim test with its load', ['Not', 'In part', 'Whole']),
      perform.graded('jerk', 'Performs the jerk test with its load', ['Not', 'In part', 'Whole']),
      perform.measured('rest', 'Seconds of rest between', 's', [30, 60], {
        half: 10,
        from: 0,
        to: 180,
      }),
      easesOff('Stops where the first caused fear'),
      interpret.done('rule', 'Applies the declared rule'),
      interpret.done('falls', 'Says that specificity falls'),
      interpret.graded('meaning', 'Tells sensitivity from predictive value', [
        'Swaps them',
        'Definition only',
        'With the chance before',
      ]),
      interpret.done('imaging', 'Names imaging as the next step'),
    ],
    faults: [
      ['One test only', 'jerk'],
      ['No rest', 'rest'],
      ['Averages the results', 'rule'],
      ['Calls 97 % the chance of no tear', 'meaning'],
    ],
    cautions: ['Fear in the first: no second.'],
    stopRule: 'Stop at fear, severe pain, or the word stop.',
    patient: { condition: 'posterior-labrum-tear', side: 'right' },
  },
);
