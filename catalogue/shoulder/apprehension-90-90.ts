import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { bothSides, choice, consent, done, graded, handHygiene, measured } from '../items.ts';
import { doubtfulWith, present } from '../findings.ts';
import { holds, moves, turn, decides, figure } from '../figures.ts';

/** The arm is taken slowly to the throwing position and brought back at the first look of fear. */
export const apprehension9090 = defineProcedure(
  {
    id: 'apprehension-90-90',
    names: ['Anterior apprehension test', 'crank test'],
    title: 'Arm turned slowly to the throwing position until fear or stop',
    indication: 'A history of slipping or of fear with the arm up and turned out.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['inferior glenohumeral ligament'],
    patient: 'Lies on the back, arm out to the side, elbow at a right angle.',
    examiner: 'At the tested side, the face in view.',
    steps: [
      'Arm to 90 degrees at the side, elbow bent.',
      'Turn outwards slowly, watching the face.',
      'Stop at the first look of fear; do not repeat.',
      'Relocation: a hand pushes the arm bone back, fear is asked for again.',
    ],
    schools: [
      {
        key: 'supine',
        label: 'Lying',
        description:
          'On the back, shoulder at the couch edge; the couch steadies the shoulder blade.',
      },
      {
        key: 'seated',
        label: 'Seated',
        description: 'Sitting, the examiner’s hand steadies the shoulder from behind.',
        positions: 'sitting',
        drawn: { position: 'sitting' },
      },
    ],
    figure: figure(
      'supine',
      {
        arm: { shoulderFlexion: 0, shoulderAbduction: 90, shoulderRotation: -80, elbowFlexion: 90 },
      },
      {
        from: {
          arm: { shoulderFlexion: 0, shoulderAbduction: 90, shoulderRotation: 0, elbowFlexion: 90 },
        },
        decides: decides('shoulderRotation', -90, -70),
        hands: [moves('forearm', 0.9, 'front'), holds('upperArm', 0.3, 'below')],
        forces: [turn('upperArm', 0.6, 'outwards')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [
      { structure: 'inferior glenohumeral ligament', mode: 'glide' },
      { structure: 'superior labrum', mode: 'twist' },
      { structure: 'subacromial space', mode: 'compression' },
      { structure: 'shoulder capsule', mode: 'twist' },
    ],
    voids: ARM_OUT_OF_REACH,
    numbers: [
      {
        item: 'rotation-at-onset',
        healthy: 95,
        tolerance: 10,
        half: 20,
        by: [
          { structure: 'inferior glenohumeral ligament', state: 'unstable', values: [85, 70, 55] },
          { structure: 'shoulder capsule', state: 'stiff', values: [70, 50, 30] },
        ],
      },
    ],
    findings: [
      doubtfulWith(present('declared-result', 'States the result', ['apprehension']), 'pain'),
    ],
    positive: 'A look of fear, guarding, or a request to stop; not pain.',
    negative: 'Full turn without fear.',
    confounders: ['Pain of the cuff read as fear'],
    doesNotProve: 'A torn labrum.',
    followUp: [],
    contraindications: ['Six weeks after a dislocation', 'Fracture', 'Stabilising surgery'],
  },
  {
    task: 'Perform the anterior apprehension test, with relocation if it is positive.',
    patient: { condition: 'shoulder-instability', side: 'right' },
    usualVariant: 'supine',
    variants: [
      {
        key: 'supine',
        label: 'Lying',
        description:
          'On the back, shoulder at the couch edge; the couch steadies the shoulder blade.',
      },
      {
        key: 'seated',
        label: 'Seated',
        description: 'Sitting, the examiner’s hand steadies the shoulder from behind.',
      },
    ],
    cautions: [
      'Not within six weeks of a dislocation, with a fracture, or after stabilising surgery.',
      'Adding pressure at the point of fear can dislocate the shoulder.',
    ],
    stopRule: 'Stop at the first look of fear. Do not repeat a positive test.',
    items: [
      handHygiene(),
      consent(),
      graded({
        key: 'screens-shoulder',
        text: 'Asks about dislocation, fracture, surgery',
        domain: 'preparation',
        observability: 'spoken',
        saidEarns: true,
        criticality: 'flag',
        criticalReason:
          'A shoulder that slipped or was operated on can slip again in this position.',
        safety: true,
        anchors: ['Asks none', 'Asks at least one', 'Asks all three'],
      }),
      measured({
        key: 'abduction',
        text: 'Arm abduction at the start',
        domain: 'positioning',
        unit: '°',
        lower: 90,
        upper: 90,
        fullTolerance: 10,
        halfTolerance: 20,
        step: 5,
        minimum: 0,
        maximum: 180,
      }),
      done({
        key: 'couch-edge',
        text: 'Brings the shoulder to the couch edge',
        domain: 'positioning',
        variants: ['supine'],
      }),
      done({
        key: 'steadies-shoulder',
        text: 'Steadies the shoulder from behind',
        domain: 'positioning',
        variants: ['seated'],
      }),
      graded({
        key: 'slow-turn',
        text: 'Turns the arm outwards over three to six seconds',
        domain: 'technique',
        safety: true,
        anchors: ['A jerk or under one second', 'One to two seconds', 'Three to six seconds'],
      }),
      done({
        key: 'eyes-on-face',
        text: 'Keeps the eyes on the face during the turn',
        domain: 'technique',
        safety: true,
      }),
      done({
        key: 'stops-at-fear',
        text: 'Stops at the first sign of fear',
        domain: 'technique',
        criticality: 'fails-station',
        criticalReason: 'Pressure at the point of fear can dislocate the shoulder.',
        safety: true,
      }),
      graded({
        key: 'relocation',
        text: 'Presses the upper arm backwards for relocation',
        domain: 'technique',
        observability: 'felt',
        anchors: ['Left out, or pressed forward', 'Right place, wrong direction', 'Straight back'],
      }),
      measured({
        key: 'rotation-at-onset',
        text: 'States the outward rotation at the onset of fear',
        domain: 'interpretation',
        observability: 'spoken',
        saidEarns: true,
        unit: '°',
        lower: 70,
        upper: 70,
        fullTolerance: 10,
        halfTolerance: 20,
        step: 5,
        minimum: 0,
        maximum: 120,
      }),
      bothSides(),
      choice({
        key: 'declared-result',
        text: 'States the result',
        domain: 'interpretation',
        options: [
          { key: 'negative', label: 'Negative', call: 0 },
          { key: 'pain-only', label: 'Pain only', call: 1 },
          { key: 'apprehension', label: 'Fear', call: 2 },
        ],
        answer: 'apprehension',
      }),
      done({
        key: 'names-instability',
        text: 'Says what fear would mean here',
        domain: 'interpretation',
        observability: 'spoken',
        saidEarns: true,
      }),
    ],
    faults: [
      { key: 'too-fast', text: 'Turns too fast', item: 'slow-turn', grade: 0 },
      { key: 'looks-away', text: 'Looks at the arm', item: 'eyes-on-face', grade: 0 },
      { key: 'presses-on', text: 'Presses on after fear', item: 'stops-at-fear', grade: 0 },
      { key: 'edge-blocks', text: 'Couch edge blocks the arm', item: 'couch-edge', grade: 0 },
      { key: 'one-side', text: 'Other side left out', item: 'both-sides', grade: 0 },
    ],
  },
);
