import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { tape, feels, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The thumb taken up the spine, its level marked. */
export const handBehindBackReach = defineProcedure(
  {
    id: 'hand-behind-back-reach',
    names: ['Hand behind back', 'Apley scratch, low'],
    title: 'Thumb taken up the spine, its level marked',
    indication: 'Trouble with back pocket or clasp; a quick measure of change over weeks.',
    region: 'shoulder',
    kind: 'rom',
    structures: ['shoulder capsule', 'posterior shoulder capsule'],
    patient: 'Stands or sits, back bare, palm out, thumb up.',
    examiner: 'Behind.',
    steps: [
      'Reach up as far as it goes, hold two seconds.',
      'Mark the tip of the thumb, name the level.',
      'Compare: the dominant side is usually one or two levels lower.',
    ],
    schools: [
      {
        key: 'level',
        label: 'By level',
        description: 'Vertebra at the thumb tip.',
        means: 'vertebra at the thumb tip',
      },
      {
        key: 'tape',
        label: 'By tape',
        description: 'Neck bone to thumb.',
        means: 'tape from neck bone to thumb',
        drawn: { props: [tape(['trunk', 0.98, 'back'], ['hand', 0.5, 'front'])] },
      },
    ],
    figure: figure(
      'standing',
      {
        arm: {
          shoulderFlexion: -35,
          shoulderAbduction: 15,
          shoulderRotation: 80,
          elbowFlexion: 100,
        },
      },
      {
        decides: decides('elbowFlexion', 80, 140),
        hands: [feels('trunk', 0.4, 'back')],
        forces: [],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [
      { structure: 'shoulder capsule', mode: 'motion' },
      { structure: 'posterior shoulder capsule', mode: 'stretch' },
    ],
    findings: [
      yesNo('lower', 'States the side difference', ['stiffness'], ['0–1 level', '2 or more']),
    ],
    positive: 'Two levels lower than the other side (three if dominant), or pain.',
    negative: 'Within one level, painless.',
    confounders: ['A trunk that leans', 'A stiff elbow'],
    doesNotProve: 'Pure rotation: it is a combined movement.',
    worth: [said('levels between examiners', 'agree poorly', 'Edwards 2002')],
    followUp: ['tape-hand-behind-back'],
    contraindications: ['Fresh dislocation', 'Limits after a repair'],
    measurements: [
      {
        what: 'level of the thumb',
        landmarks: 'crests L4, lower blade T7, root of spine T3',
        unit: 'level',
        instrument: 'finger',
        normal: 'about T7',
        tolerance: '1',
      },
    ],
  },
  {
    task: 'Measure the reach behind the back.',
    items: [
      prepare.asked(
        'screens',
        'Asks about limits after repair',
        flagged('A repair has a limit of motion.'),
      ),
      position.done('upright', 'Has the trunk upright'),
      perform.done('thumb', 'Asks for the thumb to lead with the palm out'),
      perform.measured('hold', 'Seconds of hold', 's', [2, 4], { half: 1, from: 0, to: 15 }),
      perform.done('marks', 'Marks the tip of the thumb'),
      perform.done('names-level', 'Names the level', { observability: 'spoken', saidEarns: true }),
      perform.done('pain', 'Asks for pain at the end'),
      interpret.done('combined', 'Says that it is a combined movement'),
    ],
    faults: [
      ['Level guessed', 'marks'],
      ['Trunk leans', 'upright'],
      ['Pain not asked', 'pain'],
      ['Reads the wrist', 'thumb'],
    ],
    cautions: ['Sharp pain: stop.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'frozen-shoulder', side: 'left' },
  },
);
