import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { feels, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** One-leg stance, the pelvis watched from behind for half a minute. */
export const trendelenburg = defineProcedure(
  {
    id: 'trendelenburg',
    names: ['Trendelenburg test'],
    title: 'One-leg stance, the pelvis watched from behind',
    indication: 'A limp, outer hip pain, or after a hip operation.',
    region: 'hip',
    kind: 'function',
    structures: ['hip abductors'],
    patient: 'Stands barefoot; lifts one foot, hip bent at most 30 degrees.',
    examiner: 'Behind, eyes at the height of the crests, close enough to catch.',
    steps: [
      'Look at two-leg stance first.',
      'Fingers rest on both crests; the person lifts one foot and raises the free side.',
      'Time thirty seconds.',
      'The weak side is the stance side.',
    ],
    schools: [
      {
        key: 'staged',
        label: 'Staged, 30 s',
        description: 'Free side raised and held.',
        hold: '30 seconds',
      },
      {
        key: 'quick',
        label: 'Quick look',
        description: 'Five to ten seconds.',
        hold: '5 to 10 seconds',
      },
    ],
    figure: figure(
      'single-leg-standing',
      { otherLeg: { hipFlexion: 20, kneeFlexion: 70 } },
      {
        hands: [feels('trunk', 0.05, 'outer')],
        forces: [],
        region: ['pelvis', 'thigh'],
        view: 'front',
      },
    ),
    loads: [{ structure: 'hip abductors', mode: 'contraction' }],
    shownAs: [
      {
        sign: 'weakness',
        words:
          'standing on the {side} leg, let the {other} side of the pelvis drop a hand’s breadth within a few seconds; standing on the {other} leg keep it level',
      },
    ],
    findings: [
      yesNo(
        'drop',
        'States whether the free side drops',
        ['weakness'],
        ['Level or raised', 'Drops'],
      ),
    ],
    positive: 'The free side drops, or the trunk leans over the stance leg.',
    negative: 'Level or raised for the time.',
    confounders: ['Poor balance', 'Unequal legs', 'Scoliosis', 'A lifted hip bent too far'],
    doesNotProve: 'Weakness alone: pain, nerve and joint do it too.',
    worth: [memory('torn gluteus medius', 0.73, 0.77, 'Bird 2001')],
    followUp: ['ober'],
    contraindications: ['Limits of weight-bearing', 'High risk of falls'],
  },
  {
    task: 'Perform the one-leg stance test and name the weak side.',
    items: [
      prepare.asked(
        'limits',
        'Asks about limits of weight-bearing',
        flagged('A fresh repair is not loaded.'),
      ),
      position.done(
        'catch',
        'Stays within catching reach',
        critical('A person on one leg must not fall.'),
      ),
      position.done('barefoot', 'Has the person barefoot'),
      position.done('behind', 'Looks from behind at crest level'),
      position.done('low-lift', 'Has the free hip bent at most 30 degrees'),
      perform.done('rests', 'Rests the fingers on both crests'),
      perform.measured('time', 'Seconds of hold', 's', [28, 32], {
        half: 10,
        from: 0,
        to: 60,
        variants: ['staged'],
      }),
      perform.asked('lean', 'Says whether the trunk leans'),
      interpret.done('stance', 'Names the stance side as the weak one'),
      interpret.done('cause', 'Names a cause other than weakness'),
    ],
    faults: [
      ['Too short', 'time'],
      ['Off-centre', 'behind'],
      ['Blames the dropping side', 'stance'],
      ['Out of reach', 'catch'],
      ['Lean missed', 'lean'],
    ],
    cautions: ['Stop at wobbling.'],
    stopRule: 'Stop at wobbling, strong pain, or the word stop.',
    patient: { condition: 'abductor-weakness', side: 'left' },
  },
);
