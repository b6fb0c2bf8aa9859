import type { NewBankStation } from '@kritikos/contracts/stations';

type Known = Pick<NewBankStation, 'title' | 'procedures' | 'equipment'> & {
  readonly patient: NonNullable<NewBankStation['patient']>;
};

const station = (
  title: string,
  procedures: readonly (string | { procedure: string; keeps: string[] })[],
  [condition, side]: readonly [string, 'left' | 'right'],
  equipment: string[] = [],
): Known => ({
  title,
  procedures: procedures.map((own) => (typeof own === 'string' ? { procedure: own } : own)),
  patient: { condition, side, degree: null },
  equipment: ['couch', ...equipment],
});

/** The stations of the school’s bank; eight of them make an examination. */
export const BANK = {
  kneeThatGaveWay: station(
    'Knee that gave way',
    ['lachman-anterior-translation'],
    ['acl-rupture', 'left'],
    ['bolster'],
  ),
  groinPain: station('Groin pain on sitting', ['faber'], ['hip-irritation', 'right']),
  shoulderThatSlips: station(
    'Shoulder that slips',
    ['apprehension-90-90'],
    ['shoulder-instability', 'right'],
  ),
  unsteadyAnkle: station(
    'Unsteady ankle',
    ['ankle-anterior-drawer'],
    ['ankle-atfl-tear', 'left'],
    ['bolster'],
  ),
  soreThumbSide: station(
    'Thumb side of the wrist',
    ['finkelstein-staged'],
    ['de-quervain', 'left'],
  ),
  tinglingFingers: station(
    'Tingling little finger',
    ['ulnar-nerve-compression-flexed'],
    ['cubital-tunnel', 'left'],
    ['goniometer', 'clock with seconds'],
  ),
  // Two procedures, shortened so that the sheet fits one screen and the candidate eight minutes.
  kneeThatCatches: station(
    'Knee that catches',
    [
      {
        procedure: 'joint-line-tenderness',
        keeps: ['consent', 'finds-line', 'three-thirds', 'both-lines', 'no-proof', 'tender-line'],
      },
      {
        procedure: 'mcmurray-rotation-extension',
        keeps: [
          'consent',
          'locking',
          'start-bend',
          'controls-shin',
          'finger-on-line',
          'turn-held',
          'lowered',
          'both-sides',
          'inward-result',
        ],
      },
    ],
    ['medial-meniscus-tear', 'right'],
    ['goniometer'],
  ),
  overheadAche: station(
    'Ache on reaching up',
    ['hawkins-kennedy'],
    ['subacromial-pain', 'left'],
    ['goniometer'],
  ),
  stiffHipInFront: station(
    'Tight front of the hip',
    ['thomas-supine'],
    ['hip-flexor-tightness', 'right'],
  ),
  kneeThatOpens: station(
    'Knee struck from outside',
    ['valgus-stress-knee'],
    ['mcl-sprain', 'right'],
  ),
} satisfies Record<string, Known>;

export type BankName = keyof typeof BANK;

const KEPT: readonly BankName[] = [
  'kneeThatGaveWay',
  'groinPain',
  'shoulderThatSlips',
  'unsteadyAnkle',
  'soreThumbSide',
  'tinglingFingers',
];
/** In the order of their positions. */
export const LAST_YEAR: readonly BankName[] = [...KEPT, 'stiffHipInFront', 'kneeThatOpens'];
export const THIS_YEAR: readonly BankName[] = [...KEPT, 'kneeThatCatches', 'overheadAche'];

/** Between the years one item of this station was put into other words, so that it is no anchor. */
export const REWORDED = {
  station: 'shoulderThatSlips',
  item: 'eyes-on-face',
  text: 'Watches the face, not the arm, while turning',
} as const satisfies { station: BankName; item: string; text: string };
