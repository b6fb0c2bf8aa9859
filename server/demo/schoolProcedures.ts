import { defineProcedure } from '@kritikos/catalogue/define';
import { yesNo } from '@kritikos/catalogue/findings';
import { decides, feels, figure, own, push } from '@kritikos/catalogue/figures';
import {
  critical,
  flagged,
  interpret,
  perform,
  position,
  prepare,
} from '@kritikos/catalogue/items';
import { said } from '@kritikos/catalogue/worth';

/**
 * What the school has written for itself: a procedure that its ankle teachers examine. Facts of the
 * trade; the count that is expected in health is that of Lunsford & Perry 1995 (from memory).
 */
export const HEEL_RAISE = defineProcedure(
  {
    id: 'own-heel-raise',
    names: ['Single-leg heel raise', 'heel-rise count'],
    title: 'Heel raises on one leg, counted against the other side',
    indication: 'Weak pushing off, or the strength of the calf before a return to running.',
    region: 'ankle',
    kind: 'strength',
    structures: ['Achilles tendon', 'gastrocnemius'],
    patient: 'Stands on the tested leg, knee straight, fingertips on the wall for balance alone.',
    examiner: 'Beside the tested leg, eyes level with the heel, within reach.',
    steps: [
      'Show the height once on both legs, and mark it.',
      'Raise the heel to that height and lower it, one raise in two seconds.',
      'Count every raise that reaches the mark with a straight knee.',
      'Stop counting at the second raise that does not, and repeat on the other side.',
    ],
    schools: [
      { key: 'floor', label: 'From the floor', description: 'Flat on the floor, to the mark.' },
      {
        key: 'slope',
        label: 'From a slope',
        description: 'From a board that tips the toes up ten degrees.',
        positions: 'toes up on a board of ten degrees',
        drawn: { from: { leg: { ankleDorsiflexion: 10 } } },
      },
    ],
    figure: figure(
      'single-leg-standing',
      { leg: { ankleDorsiflexion: -30 }, otherLeg: { kneeFlexion: 60 } },
      {
        from: { leg: { ankleDorsiflexion: 0 }, otherLeg: { kneeFlexion: 60 } },
        decides: decides('ankleDorsiflexion', -45, -22),
        hands: [feels('shank', 0.35, 'back')],
        forces: [own(push('foot', 0.2, 'front', 'back'))],
        props: [{ kind: 'wall' }],
        region: ['shank', 'foot'],
      },
    ),
    loads: [
      { structure: 'Achilles tendon', mode: 'contraction' },
      { structure: 'gastrocnemius', mode: 'contraction' },
    ],
    numbers: [
      {
        item: 'raises',
        healthy: 25,
        tolerance: 1,
        half: 3,
        by: [{ structure: 'Achilles tendon', state: 'ruptured', values: [12, 4, 0] }],
      },
    ],
    findings: [
      yesNo('weaker', 'States whether the side is weaker', ['weakness'], ['As strong', 'Weaker']),
    ],
    positive: 'Clearly fewer raises than the other side, or none.',
    negative: 'As many as the other side, within a tenth.',
    rules: [
      { when: 'None at all', speaksFor: 'a ruptured Achilles tendon, until shown otherwise' },
    ],
    confounders: ['A bent knee', 'Weight on the hands', 'Raises that do not reach the mark'],
    doesNotProve: 'Why the calf is weak: tendon, muscle, nerve and pain look alike.',
    worth: [said('raises in health', '25 on average', 'Lunsford & Perry 1995')],
    measurements: [
      {
        what: 'raises',
        landmarks: 'heel to the mark',
        unit: 'raises',
        instrument: 'counting aloud',
        normal: '25',
        tolerance: '1',
      },
    ],
    followUp: ['calf-squeeze'],
    contraindications: ['Suspected fresh rupture that was not squeezed first', 'Fresh surgery'],
  },
  {
    task: 'Test the strength of the calf on both sides by heel raises on one leg.',
    items: [
      prepare.asked('squeezed', 'Asks for a snap felt behind the heel', {
        ...flagged('A fresh rupture is not loaded.'),
      }),
      prepare.done('mark', 'Marks the height of a raise on both legs'),
      position.done('knee', 'Has the knee straight throughout'),
      position.done('fingertips', 'Has the fingertips alone on the wall'),
      position.done('near', 'Stands within reach', critical('A tired leg gives way.')),
      perform.done('pace', 'Keeps the pace of one raise in two seconds'),
      perform.done('aloud', 'Counts aloud the raises that reach the mark'),
      perform.done('ends', 'Ends the count at the second raise below the mark'),
      interpret.measured('raises', 'States the number of raises', 'raises', [24, 26], {
        half: 3,
        from: 0,
        to: 60,
      }),
    ],
    faults: [
      ['Lets the knee bend', 'knee'],
      ['Lets the hands carry', 'fingertips'],
      ['Counts half raises', 'aloud'],
      ['Steps back out of reach', 'near'],
    ],
    cautions: ['Tired calves cramp: one count a side, and a rest between.'],
    stopRule: 'Stop at a sudden pain, a snap, or the word stop.',
    patient: { condition: 'gastrocnemius-tightness', side: 'left' },
  },
);
