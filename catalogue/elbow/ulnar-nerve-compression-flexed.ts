import { ELBOW_SHORT } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { orVoid, yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** Pressure on the nerve with the elbow fully bent. */
export const ulnarNerveCompressionFlexed = defineProcedure(
  {
    id: 'ulnar-nerve-compression-flexed',
    names: ['Elbow flexion compression test', 'combined flexion and pressure'],
    title: 'Pressure on the nerve with the elbow fully bent',
    indication: 'Tingling of the little finger at night or on the telephone.',
    region: 'elbow',
    kind: 'nerve',
    structures: ['ulnar nerve at the elbow'],
    patient: 'Sits, elbow fully bent, palm up, arm slightly out.',
    examiner: 'At the inner side, sees face and hand.',
    steps: [
      'Only after the relaxed step.',
      'Bend to the end, press above the tunnel, clock running.',
      'Ask openly; release at onset.',
      'Say suspicion, not proof.',
    ],
    schools: [
      { key: 'combined', label: 'Bend with pressure', description: 'The commonest form.' },
      {
        key: 'flexion',
        label: 'Bend only',
        description: '60 seconds without pressure.',
        force: 'none',
        drawn: { hands: [holds('forearm', 0.9, 'outer')], forces: [] },
        hold: '60 s',
      },
      {
        key: 'extended-wrist',
        label: 'Wrist extended',
        description: 'Adds stretch; must be stated.',
        angles: 'wrist extended',
        drawn: { pose: { arm: { wristExtension: 40 } } },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 30,
          shoulderAbduction: 25,
          shoulderRotation: -30,
          elbowFlexion: 140,
          forearmPronation: -80,
        },
      },
      {
        decides: decides('elbowFlexion', 130, 150),
        hands: [moves('upperArm', 0.94, 'inner'), holds('forearm', 0.9, 'outer')],
        forces: [push('upperArm', 0.94, 'outer', 'inner')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [
      { structure: 'ulnar nerve at the elbow', mode: 'pressure' },
      { structure: 'ulnar nerve at the elbow', mode: 'stretch' },
    ],
    voids: ELBOW_SHORT,
    findings: [
      orVoid(
        yesNo(
          'result',
          'States the result',
          ['tingling'],
          ['None by the full hold', 'Little finger tingles'],
        ),
        'Void: released early or not bent',
      ),
    ],
    positive: 'Tingling or numbness of the little and half the ring finger; seconds noted.',
    negative: 'None by 30 to 60 seconds.',
    rules: [
      { when: 'Whole hand or both arms alike', speaksFor: 'nothing specific' },
      { when: 'This step alone', speaksFor: 'weak evidence' },
    ],
    confounders: [
      'Local lack of blood to the nerve, in healthy people too; a pulse at the wrist does not decide',
    ],
    doesNotProve: 'A trapped nerve.',
    worth: [
      memory('combined, 60 seconds', 0.98, 0.95, 'Novak 1994'),
      memory('bend only, 60 seconds', 0.75, 0.99, 'Novak 1994'),
    ],
    followUp: ['thenar-hypothenar-inspection'],
    contraindications: ['Vascular or dialysis access in the arm', 'Recent nerve surgery'],
  },
  {
    task: 'Press the ulnar nerve with the elbow fully bent, by the clock.',
    items: [
      prepare.asked(
        'access',
        'Asks about vascular access in the arm',
        critical('A dialysis access can clot.'),
      ),
      prepare.asked('before', 'Notes tingling already there'),
      position.measured('elbow', 'Elbow angle', '°', [130, 150], { half: 10 }),
      position.asked('wrist', 'States the wrist position'),
      perform.done('flat-first', 'Does the relaxed step first'),
      perform.graded('on-nerve', 'Presses on the nerve only', ['Off it', 'Beside', 'On it']),
      perform.measured('hold', 'Hold by the clock', 's', [30, 60], { half: 10, from: 0, to: 120 }),
      perform.done(
        'releases',
        'Releases at onset or at the full hold',
        flagged('Going on after onset harms the nerve.'),
      ),
      interpret.done('open', 'Asks openly for the site'),
      interpret.graded('suspicion', 'Says suspicion, not proof', [
        'Proof',
        'Hedged',
        'Suspicion with reason',
      ]),
    ],
    faults: [
      ['Relaxed step left out', 'flat-first'],
      ['Not fully bent', 'elbow'],
      ['Wrist not stated', 'wrist'],
      ['No clock', 'hold'],
      ['Goes on after onset', 'releases'],
      ['Called proof', 'suspicion'],
    ],
    cautions: ['Not in an arm with vascular access.'],
    stopRule: 'Stop at the onset of tingling or the word stop.',
    patient: { condition: 'cubital-tunnel', side: 'left' },
  },
);
