import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { stages } from '../findings.ts';
import { holds, moves, turn, own, decides, figure } from '../figures.ts';

/** The opposite load, to see whether answers discriminate. */
export const resistedPronationConsistencyContrast = defineProcedure(
  {
    id: 'resisted-pronation-consistency-contrast',
    names: ['Pronation contrast', 'consistency check of resisted rotation'],
    title: 'Opposite-direction load to see whether answers discriminate',
    indication: 'Answers that seem to hurt everywhere: do they tell one direction from the other?',
    region: 'elbow',
    kind: 'provocation',
    structures: ['radial nerve at the supinator', 'common flexor origin', 'radio-ulnar joints'],
    patient: 'Sits as for resisted supination, thumb up.',
    examiner: 'Same place, same grip.',
    steps: [
      'Start thumb up.',
      'Resist pronation with the grip, force and time of supination.',
      'Mix the order, ask the same words.',
      'Say whether the pattern discriminates.',
    ],
    schools: [
      {
        key: 'paired',
        label: 'At once',
        description: 'Straight after resisted supination.',
        order: 'straight after supination',
      },
      {
        key: 'hidden',
        label: 'Hidden later',
        description: 'Placed between later tests.',
        order: 'interleaved',
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 50, shoulderAbduction: 8, elbowFlexion: 5 } },
      {
        decides: decides('forearmPronation', -10, 10),
        hands: [holds('upperArm', 0.85, 'outer'), moves('forearm', 0.65, 'outer')],
        forces: [own(turn('forearm', 0.6, 'inwards'))],
        region: ['forearm'],
      },
    ),
    loads: [
      { structure: 'radial nerve at the supinator', mode: 'contraction', stage: 'supination' },
      { structure: 'common flexor origin', mode: 'contraction', stage: 'pronation' },
      { structure: 'radio-ulnar joints', mode: 'contraction', stage: 'pronation' },
      { structure: 'radio-ulnar joints', mode: 'contraction', stage: 'supination' },
    ],
    findings: [
      stages(
        'directions',
        'States which directions hurt',
        ['pain'],
        ['none', 'Neither', []],
        ['supination', 'Supination only', ['supination']],
        ['pronation', 'Pronation only', ['pronation']],
        ['both', 'Both: does not discriminate', ['supination', 'pronation']],
      ),
    ],
    positive: 'As a contrast: pain at least 2 of 10 worse in one direction, at one fingertip site.',
    negative: 'As a contrast: no difference, no one site.',
    rules: [
      { when: 'Supination only', speaksFor: 'radial tunnel' },
      { when: 'Pronation only', speaksFor: 'inner tendon' },
      { when: 'Both', speaksFor: 'joint, both tendons, sensitised pain or fear' },
    ],
    confounders: ['Resistance at the wrist', 'A start in pronation stretches the supinator'],
    doesNotProve:
      'Pretence: some teach it as a sign of invented complaints, and nothing supports that.',
    worth: [
      {
        of: 'the difference of 2 of 10',
        text: 'no source',
        source: 'common practice 2024',
        sourceKind: 'common practice',
      },
    ],
    followUp: ['resisted-pronation-medial'],
    contraindications: ['Torn or repaired lower biceps'],
  },
  {
    task: 'Contrast resisted pronation with resisted supination.',
    items: [
      prepare.asked('covers', 'Covers repeated loading in the consent'),
      position.done('neutral', 'Starts thumb up'),
      perform.graded('same', 'Uses the grip, force, time of supination', [
        'Other',
        'One differs',
        'Same',
      ]),
      perform.asked('words', 'Uses the same words for both directions'),
      perform.done('order', 'Mixes the order'),
      perform.asked('fingertip', 'Asks for the fingertip site after each direction'),
      interpret.graded('benign', 'Lists two harmless reasons for pain in both', [
        'None',
        'One',
        'Two',
      ]),
      interpret.done(
        'neutral-words',
        'Says "does not discriminate", accuses nobody',
        flagged('An accusation harms a patient in pain.'),
      ),
    ],
    faults: [
      ['Starts palm down', 'neutral'],
      ['Different force', 'same'],
      ['Says it should not hurt', 'words'],
      ['Always the same order', 'order'],
      ['Accuses', 'neutral-words'],
    ],
    cautions: ['Never confront; records stay neutral.'],
    stopRule: 'Stop at radiating pain or the word stop.',
    patient: { condition: 'irritated-forearm-joints', side: 'right' },
  },
);
