import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { holds, feels, decides, figure } from '../figures.ts';

/** The taut band rolled over bone at the end of the drop. */
export const oberBandProvocation = defineProcedure(
  {
    id: 'ober-band-provocation',
    names: ['Band friction add-on to the Ober test'],
    title: 'Taut band rolled over bone at the end of the drop',
    indication: 'Outer hip or knee pain on running, after the band was found tight.',
    region: 'hip',
    kind: 'provocation',
    structures: ['iliotibial band at the knee', 'iliotibial band at the hip'],
    patient: 'As for the Ober test, after its length is recorded.',
    examiner: 'Behind; one arm carries the limb, a finger works over the bone.',
    steps: [
      'Knee at about 30 degrees for the knee site.',
      'Roll the band across epicondyle or trochanter, two to four strokes.',
      'Ask whether it is the familiar pain.',
    ],
    schools: [
      {
        key: 'knee-site',
        label: 'Knee site',
        description: 'Over the outer epicondyle.',
        hands: 'over the outer epicondyle',
      },
      {
        key: 'hip-site',
        label: 'Hip site',
        description: 'Over the trochanter.',
        hands: 'over the trochanter',
        drawn: { hands: [holds('shank', 0.4, 'inner'), feels('thigh', 0.04, 'outer')] },
      },
    ],
    figure: figure(
      'side-lying',
      { leg: { hipAbduction: -12, kneeFlexion: 30 } },
      {
        decides: decides('kneeFlexion', 20, 40),
        hands: [holds('shank', 0.4, 'inner'), feels('thigh', 0.93, 'outer')],
        forces: [],
        region: ['thigh'],
      },
    ),
    loads: [
      { structure: 'iliotibial band at the knee', mode: 'pressure' },
      { structure: 'iliotibial band at the hip', mode: 'pressure' },
    ],
    findings: [
      site(
        'site',
        'Names the site of the familiar pain',
        ['pain'],
        'None',
        ['knee', 'Outer knee', ['iliotibial band at the knee']],
        ['hip', 'Outer hip', ['iliotibial band at the hip']],
      ),
    ],
    positive: 'The familiar pain at that site.',
    negative: 'None; local tenderness alone says little.',
    confounders: ['Outer meniscus', 'Gluteal tendon'],
    doesNotProve: 'Length: that was read before.',
    followUp: ['noble-lateral-condyle-compression', 'renne-weight-bearing-compression'],
    contraindications: ['Anticoagulants', 'Acute bursitis', 'Implant at the site'],
  },
  {
    task: 'Perform the provocation at the end of the drop and report it apart from length.',
    items: [
      prepare.asked(
        'skin',
        'Asks about anticoagulants',
        flagged('Firm rolling bruises thin skin.'),
      ),
      prepare.asked('warns', 'Warns of the pressure'),
      position.done('carried', 'Carries the limb throughout'),
      position.measured('knee', 'Knee flexion for the knee site', '°', [20, 40], {
        half: 10,
        from: 0,
        to: 135,
        variants: ['knee-site'],
      }),
      perform.done('on-bone', 'Sets the finger on the named bone'),
      perform.done('rolls', 'Rolls the band without sliding the skin'),
      perform.measured('strokes', 'Number of strokes', 'times', [2, 4], {
        half: 1,
        from: 0,
        to: 12,
      }),
      perform.done(
        'stops',
        'Stops at sharp pain or tingling',
        flagged('Rolling a taut band over bone hurts; known pain once is enough.'),
      ),
      interpret.done('familiar', 'Asks whether the pain is familiar'),
      interpret.done('apart', 'Reports it apart from length'),
    ],
    faults: [
      ['Before the length is read', 'apart'],
      ['On the joint line', 'on-bone'],
      ['Too many strokes', 'strokes'],
      ['Limb not carried', 'carried'],
    ],
    cautions: ['Pressure to a blanched nail, no more.'],
    stopRule: 'Stop at sharp pain, tingling, or the word stop.',
    patient: { condition: 'band-friction-knee', side: 'right' },
  },
);
