import { NO_RIGHT_ANGLE } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret } from '../items.ts';
import { stages } from '../findings.ts';
import {
  holds,
  moves,
  turn,
  compress,
  decides,
  figure,
  KNEE_REGION,
  distract,
} from '../figures.ts';
import { memory } from '../worth.ts';
import { KNEE_CAUTION } from './shared.ts';

/** Pressed and turned, then pulled and turned, to part meniscus from ligament. */
export const apleyCompressionDistraction = defineProcedure(
  {
    id: 'apley-compression-distraction',
    names: ['Apley test', 'Apley grind'],
    title: 'Face down: shin pressed and turned, then pulled and turned',
    indication: 'A catch or line pain where turning under load cannot be borne.',
    region: 'knee',
    kind: 'provocation',
    structures: [
      'medial meniscus',
      'lateral meniscus',
      'knee capsule',
      'medial collateral ligament',
    ],
    patient: 'Lies face down, hip straight, knee at a right angle.',
    examiner: 'Beside the tested leg.',
    steps: [
      'Lean along the shin and turn it both ways.',
      'Hold the thigh down, lift along the shin and turn both ways.',
      'Compare the two stages, sound side first.',
    ],
    schools: [
      {
        key: 'press-then-turn',
        label: 'Press, then turn',
        description: 'Weight first, rotation under load; thigh held for the pull.',
        order: 'compression, then distraction',
      },
      {
        key: 'pull-first',
        label: 'Pull first',
        description: 'The stages in the other order.',
        drawn: {
          hands: [holds('thigh', 0.85, 'back'), moves('shank', 0.9, 'front')],
          forces: [distract('shank'), turn('shank', 0.55, 'outwards')],
        },
        order: 'distraction, then compression',
      },
    ],
    figure: figure(
      'prone',
      { leg: { kneeFlexion: 90, ankleDorsiflexion: 0 } },
      {
        decides: decides('kneeFlexion', 85, 95),
        hands: [moves('foot', 0.35, 'below'), holds('shank', 0.75, 'front')],
        forces: [compress('shank'), turn('shank', 0.55, 'outwards')],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'medial meniscus', mode: 'compression', stage: 'compression' },
      { structure: 'lateral meniscus', mode: 'compression', stage: 'compression' },
      { structure: 'knee capsule', mode: 'stretch', stage: 'distraction' },
      { structure: 'medial collateral ligament', mode: 'tension', stage: 'distraction' },
      { structure: 'medial collateral ligament', mode: 'tension', stage: 'compression' },
      { structure: 'lateral collateral ligament', mode: 'tension', stage: 'distraction' },
      { structure: 'lateral collateral ligament', mode: 'tension', stage: 'compression' },
    ],
    voids: NO_RIGHT_ANGLE,
    findings: [
      stages(
        'stages',
        'States which stages hurt',
        ['pain'],
        ['none', 'Neither', []],
        ['pull', 'Pull only', ['distraction']],
        ['both', 'Both', ['compression', 'distraction']],
        ['press', 'Press only', ['compression']],
      ),
    ],
    positive: 'Familiar pain at a line when pressed that eases when pulled.',
    negative: 'Both stages painless.',
    rules: [
      {
        when: 'Pain on pulling',
        speaksFor: 'collateral ligament, or the ligament that ties the meniscus to the shin',
      },
      { when: 'Pain when pressed only', speaksFor: 'meniscus more likely' },
      {
        when: 'Pain in both',
        speaksFor: 'turning itself hurts: ligament or capsule, meniscus not separated',
      },
      { when: 'Pain when pulled only', speaksFor: 'ligament or capsule' },
    ],
    confounders: ['A kneecap pressed on the couch'],
    doesNotProve: 'A tear; and with its low sensitivity a negative test excludes none.',
    worth: [
      memory('meniscus tear', 0.61, 0.7, 'Hegedus 2007'),
      memory('meniscus tear', 0.16, 0.8, 'Fowler & Lubliner 1989'),
      memory('meniscus tear', 0.22, 0.88, 'Meserve 2008'),
    ],
    followUp: ['mcmurray-rotation-extension', 'valgus-stress-knee'],
    contraindications: ['Cannot lie face down', 'Hip replacement: no force through the hip'],
  },
  {
    task: 'Perform compression and distraction with rotation, and read the two stages against each other.',
    items: [
      prepare.asked('prone-ok', 'Asks whether lying face down hurts the kneecap'),
      position.measured('knee-angle', 'Knee flexion in both stages', '°', [85, 95], {
        from: 0,
        to: 135,
      }),
      perform.graded('leans', 'Leans body weight down the shin', [
        'Turns without load',
        'Presses with the arm only',
        'Leans, ramped',
      ]),
      perform.graded('shin-turns', 'Turns the shin, not the ankle', [
        'Ankle twists',
        'Hand slips at times',
        'Shin turns',
      ]),
      perform.done('pulls', 'Performs the pull stage'),
      perform.graded(
        'thigh-held',
        'Holds the thigh down during the pull',
        ['Whole leg rises', 'Held late', 'Held throughout'],
        { observability: 'seen' },
      ),
      perform.done('both-ways', 'Turns both ways in both stages'),
      interpret.done('no-exclusion', 'Says that a negative result excludes no tear'),
    ],
    faults: [
      ['Ankle twists', 'shin-turns'],
      ['No load', 'leans'],
      ['Pull left out', 'pulls'],
      ['Thigh not held', 'thigh-held'],
      ['Knee drifts', 'knee-angle'],
      ['One way only', 'both-ways'],
    ],
    cautions: ['Padded, light hold on the thigh.', KNEE_CAUTION],
    stopRule: 'Stop at sharp pain, locking, or the word stop.',
    patient: { condition: 'mcl-sprain', side: 'right' },
  },
);
