import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';

/** The front of the foot taken out and in on a fixed heel. */
export const forefootAbductionAdductionRom = defineProcedure(
  {
    id: 'forefoot-abduction-adduction-rom',
    names: ['Forefoot abduction and adduction'],
    title: 'Front of the foot out and in',
    indication: 'Midfoot pain after a stirrup twist, once films are clear.',
    region: 'ankle',
    kind: 'rom',
    structures: ['midfoot joints'],
    patient: 'Lies on the back, ankle square.',
    examiner: 'At the foot end; one hand fixes the heel.',
    steps: ['Fix the heel.', 'Take the toe bones out, then in, slowly.', 'Ask for the spot.'],
    schools: [
      { key: 'lying', label: 'Lying', description: 'The heel rests in the hand.' },
      {
        key: 'sitting',
        label: 'Sitting',
        description: 'The foot hangs over the edge.',
        positions: 'sitting',
        drawn: { position: 'sitting', pose: { leg: { hipFlexion: 88, kneeFlexion: 88 } } },
      },
    ],
    figure: figure(
      'supine',
      { leg: { ankleDorsiflexion: 0 } },
      {
        decides: decides('ankleDorsiflexion', -10, 10),
        hands: [holds('foot', 0.06, 'below'), moves('foot', 0.75, 'inner')],
        forces: [push('foot', 0.75, 'outer', 'inner')],
        region: ['foot'],
        closeUp: 'toes',
      },
    ),
    loads: [{ structure: 'midfoot joints', mode: 'stretch' }],
    findings: [
      yesNo('pain', 'States whether it hurts at the midfoot', ['pain'], ['Painless', 'Painful']),
    ],
    positive: 'Pain, or less than on the other side.',
    negative: 'Alike, painless.',
    rules: [{ when: 'Pain on twist', speaksFor: 'midfoot injury' }],
    confounders: ['A leg that turns'],
    doesNotProve: 'Much on its own.',
    worth: [
      {
        of: 'range',
        text: 'about 10 out, 20 in',
        source: 'common practice 2024',
        sourceKind: 'common practice',
      },
    ],
    followUp: ['ankle-foot-palpation'],
    contraindications: ['Injured midfoot with a bruised sole: do not force'],
  },
  {
    task: 'Test the forefoot out and in.',
    items: [
      prepare.asked(
        'midfoot',
        'Excludes a fresh midfoot injury',
        critical('A broken midfoot would be displaced.'),
      ),
      position.measured('ankle', 'Ankle angle', '°', [-10, 10], { half: 10, from: -50, to: 30 }),
      perform.graded('heel', 'Fixes the heel with one hand', ['Free', 'Slips', 'Fixed']),
      perform.done('no-turn', 'Keeps the leg from turning'),
      perform.done('slow', 'Takes two seconds or more each way'),
      interpret.done('names', 'Names the directions without a swap'),
      interpret.done('fingertip', 'Asks for the fingertip site'),
      interpret.done('joints', 'Names the midfoot joints as what is moved'),
    ],
    faults: [
      ['Heel not fixed', 'heel'],
      ['Leg turns', 'no-turn'],
      ['Ankle not square', 'ankle'],
      ['Swapped', 'names'],
      ['Injury not excluded', 'midfoot'],
    ],
    cautions: ['A bruised sole after an injury means no twist.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'midfoot-sprain', side: 'right' },
  },
);
