import { KNEE_TOO_FULL } from '../contraindicated.ts';
import { defineProcedure } from '../define.ts';
import { position, perform, interpret, critical } from '../items.ts';
import { yesNo } from '../findings.ts';
import { push, own, figure, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';

/** A slow step forward off a box to bring on the familiar pain. */
export const slowStepDown = defineProcedure(
  {
    id: 'slow-step-down',
    names: ['Step-down test', 'eccentric step-down'],
    title: 'Slow, smooth step forward off a box',
    indication: 'Pain at the front of the knee on stairs; outranks the kneecap’s special tests.',
    region: 'knee',
    kind: 'function',
    structures: ['kneecap surfaces'],
    patient: 'Stands on a box of 15 to 25 cm, hands on hips, the tested leg stays on the box.',
    examiner: 'Within reach, at the side or in front.',
    steps: [
      'The other foot steps forward and down as slowly as possible to a heel touch.',
      'Ask about pain while it happens.',
      'Record box, shoes, cue and pain from 0 to 10 for the re-test.',
    ],
    schools: [
      {
        key: 'forward',
        label: 'Forward',
        description: 'Forward step, hands on hips.',
        positions: 'stepping forwards',
      },
      {
        key: 'lateral',
        label: 'Sideways',
        description: 'Scored for quality of movement as well.',
        positions: 'stepping down sideways',
        drawn: {
          pose: { otherLeg: { hipFlexion: 8, hipAbduction: 8, kneeFlexion: 6 } },
          view: 'front',
        },
      },
    ],
    figure: figure(
      'on-step',
      { leg: { kneeFlexion: 60 }, otherLeg: { hipFlexion: 35, kneeFlexion: 12 } },
      {
        hands: [],
        forces: [own(push('thigh', 0.5, 'back', 'front'))],
        props: [{ kind: 'step', heightCm: 20 }],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'kneecap surfaces', mode: 'compression' },
      { structure: 'patellar tendon', mode: 'contraction' },
    ],
    refrains: KNEE_TOO_FULL,
    findings: [
      yesNo('pain', 'States whether it is the familiar pain', ['pain'], ['None', 'Familiar pain']),
    ],
    positive: 'The person’s own familiar pain.',
    negative: 'No familiar pain.',
    confounders: ['A box that is too high'],
    rules: [{ when: 'Familiar pain', speaksFor: 'outranks the kneecap’s special tests' }],
    doesNotProve: 'Where the pain comes from; the quality of the movement is scored apart.',
    worth: [memory('pain from behind the kneecap', 0.42, 0.82, 'Nijs 2006')],
    measurements: [
      {
        what: 'box height',
        landmarks: 'floor to top',
        unit: 'cm',
        instrument: 'box',
        normal: '20 to 25, easier 15',
        tolerance: '0',
      },
    ],
    followUp: ['functional-comparators'],
    contraindications: ['Fresh swelling', 'Poor balance', 'Fresh surgery'],
  },
  {
    task: 'Perform the slow step-down and prepare it for a re-test.',
    items: [
      position.measured('box', 'Height of the box', 'cm', [15, 25], { half: 2, from: 0, to: 60 }),
      position.done('hips', 'Has the hands on the hips'),
      position.done('near', 'Stands within reach', critical('A person on a box must not fall.')),
      perform.done('stays', 'Has the tested leg stay on the box'),
      perform.measured('seconds', 'Seconds of lowering', 's', [3, 6], { half: 1, from: 0, to: 20 }),
      perform.done('asks-during', 'Asks about pain while it happens'),
      perform.asked('over-foot', 'Says whether the knee stays over the foot'),
      interpret.done('score', 'Records the pain from 0 to 10'),
      interpret.done('same', 'States the re-test with the same settings'),
    ],
    faults: [
      ['Drops down fast', 'seconds'],
      ['Wrong leg leads', 'stays'],
      ['Out of reach', 'near'],
      ['Asks only at the end', 'asks-during'],
    ],
    cautions: ['One attempt where it is sore: provoke, do not flare.'],
    stopRule: 'Stop at giving way, sharp pain, or the word stop.',
    patient: { condition: 'patellofemoral-pain', side: 'left' },
  },
);
