import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { feels, push, own, decides, figure } from '../figures.ts';

/** The person pats the opposite shoulder blade. */
export const crossBodySelf = defineProcedure(
  {
    id: 'cross-body-self',
    names: ['Active cross-body reach'],
    title: 'The person pats the opposite shoulder blade',
    indication: 'A first screen of pain on top of the shoulder, before hands are laid on.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['acromioclavicular joint'],
    patient: 'Sits, hand over the opposite shoulder, upper arm level.',
    examiner: 'In front, a finger on the painful spot.',
    steps: [
      'Show the movement.',
      'The person reaches across and holds two seconds.',
      'Put a finger on the spot that hurts.',
    ],
    schools: [
      {
        key: 'top',
        label: 'To the shoulder top',
        description: 'Hand to the opposite top.',
        angles: 'hand to the opposite top',
      },
      {
        key: 'back',
        label: 'To the shoulder blade',
        description: 'More adduction.',
        angles: 'hand over the opposite blade',
        drawn: { pose: { arm: { shoulderHorizontalAdduction: 128, elbowFlexion: 135 } } },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 90,
          shoulderHorizontalAdduction: 115,
          elbowFlexion: 120,
        },
      },
      {
        decides: decides('shoulderHorizontalAdduction', 100, 130),
        hands: [feels('upperArm', 0.0, 'above')],
        forces: [own(push('upperArm', 0.9, 'inner', 'outer'))],
        region: ['upperArm'],
      },
    ),
    loads: [{ structure: 'acromioclavicular joint', mode: 'compression' }],
    voids: ARM_OUT_OF_REACH,
    findings: [yesNo('pain', 'States whether the joint on top hurts', ['pain'], ['No', 'Yes'])],
    positive: 'Familiar pain on the joint on top only.',
    negative: 'No pain on that joint.',
    confounders: ['Pain elsewhere'],
    doesNotProve: 'A sound joint: without pressure it is the weaker form.',
    followUp: ['cross-body-adduction'],
    contraindications: ['Posterior instability'],
  },
  {
    task: 'Have the person reach across and read the site.',
    items: [
      prepare.asked(
        'screens',
        'Asks about posterior instability',
        flagged('The arm bone can slip out backwards.'),
      ),
      position.measured('flexion', 'Arm elevation in front', '°', [80, 100], { half: 10 }),
      perform.done('shows', 'Shows the movement first'),
      perform.measured('hold', 'Seconds of hold', 's', [2, 4], { half: 1, from: 0, to: 15 }),
      perform.done('finger', 'Puts a finger on the painful spot'),
      perform.done('square', 'Keeps the trunk square'),
      interpret.done('only-joint', 'Counts pain on that joint only'),
      interpret.done('next', 'Names the passive test'),
    ],
    faults: [
      ['Elbow dropped', 'flexion'],
      ['No finger on the spot', 'finger'],
      ['Back pain called positive', 'only-joint'],
      ['Too short', 'hold'],
    ],
    cautions: ['Sharp pain on top: stop.'],
    stopRule: 'Stop at sharp pain on top or the word stop.',
    patient: { condition: 'ac-joint-pain', side: 'right' },
  },
);
