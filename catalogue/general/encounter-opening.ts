import { defineProcedure } from '../define.ts';
import { prepare, position, critical, flagged } from '../items.ts';
import { figure } from '../figures.ts';

/** The routine before any hands-on test: who, which side, what hurts, consent. */
export const encounterOpening = defineProcedure(
  {
    id: 'encounter-opening',
    names: ['Introduction, explanation, consent'],
    title: 'Opening the encounter before any hands-on test',
    indication: 'Every encounter, before anything else.',
    region: 'any',
    kind: 'preparation',
    structures: [],
    patient: 'Sits at ease, both limbs to be bared.',
    examiner: 'At eye level, hands cleaned before contact.',
    steps: [
      'Name, role, identity of the patient.',
      'Complaint, side, the spot by one fingertip.',
      'Screen for injury, surgery, instability, thin skin, infection.',
      'Note the pain at rest, explain in plain words, agree a stop signal, ask for consent.',
      'Clean hands, bare both limbs one joint above and below.',
    ],
    schools: [
      {
        key: 'full',
        label: 'Full script',
        description: 'Every point in its own sentence, 30 to 60 seconds.',
        order: 'every point in its own sentence',
      },
      {
        key: 'short',
        label: 'Two-line script',
        description: 'The same points condensed for a short station.',
        order: 'the points condensed to two lines',
      },
    ],
    figure: figure('sitting', {}, { view: 'front', region: [] }),
    loads: [],
    findings: [],
    positive: 'None: it opens every station.',
    negative: 'None: it opens every station.',
    confounders: ['Naming the pain that the test should give plants the answer'],
    doesNotProve: 'Anything about the joint; it makes the rest safe.',
    followUp: ['pain-site-pointing'],
    sides: 'none',
    contraindications: ['No consent', 'No chaperone where local policy asks for one'],
  },
  {
    task: 'Open the encounter before examining the painful limb.',
    items: [
      prepare.asked('name', 'States own name with role'),
      prepare.asked(
        'identity',
        'Confirms the identity of the patient',
        critical('The wrong person would be examined.'),
      ),
      prepare.asked(
        'side',
        'Confirms the side of the complaint',
        flagged('The wrong side would be examined.'),
      ),
      prepare.asked('fingertip', 'Asks for the pain site with one finger'),
      prepare.graded(
        'screen',
        'Screens for injury, surgery, infection',
        ['Not', 'One or two of them', 'All'],
        flagged('A fracture or an infection must not be stressed.'),
      ),
      prepare.measured('baseline', 'Pain at rest noted, 0 to 10', 'points', [0, 10], {
        half: 0,
        from: 0,
        to: 10,
      }),
      prepare.graded('explains', 'Explains in plain words without naming the expected pain', [
        'Names it',
        'Jargon',
        'Plain',
      ]),
      prepare.asked(
        'stop-signal',
        'Agrees a stop signal',
        flagged('Without it the patient cannot end the test.'),
      ),
      position.done('hands', 'Cleans hands before contact', flagged('Hands carry infection.')),
      position.done('bared', 'Bares both limbs from one joint above to one below'),
    ],
    faults: [
      ['Starts without consent', 'consent'],
      ['Side not asked', 'side'],
      ['Identity not checked', 'identity'],
      ['Suggests where it will hurt', 'explains'],
      ['No stop signal', 'stop-signal'],
      ['Sleeve or trouser left on', 'bared'],
    ],
    cautions: ['Minors and chaperones by local policy.'],
    stopRule: 'Stop where consent is not given or is withdrawn.',
    patient: { condition: 'nothing-wrong', side: 'left' },
  },
);
