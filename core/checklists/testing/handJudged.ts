/** What is wrong with the words of an item, as a hand judged it. */
export type Judged = 'sound' | 'two-acts' | 'vague' | 'two-acts and vague';

export interface JudgedItem {
  readonly text: string;
  readonly judged: Judged;
}

function judged(as: Judged, ...texts: string[]): JudgedItem[] {
  return texts.map((text) => ({ text, judged: as }));
}

/** Those that the rules were made with, and tried on while they were made. */
export const IN_THE_MAKING: readonly JudgedItem[] = [
  ...judged(
    'two-acts',
    'Stabilises the femur and applies force at 30 degrees',
    'Stabilises the femur, then applies an anterior force',
    'Grips and lifts the tibia',
    'Stabilise the femur and apply force',
    'Stabilising the femur and pulling the tibia',
    'Femur stabilised and tibia drawn forward',
    'Washes hands. Introduces self',
    'Explains the test and asks about pain',
    'Flexes the knee to 90° and holds the foot',
    'Stabilises the scapula while abducting the arm',
    'Washes hands, introduces self, obtains consent',
    'Rests the arm and tests it',
    'Flexes, abducts and externally rotates the hip',
    'Marks the landmark and measures the gap',
    'Notes pain and records its site',
  ),
  ...judged(
    'vague',
    'Applies adequate pressure',
    'Positions the patient correctly',
    'Performs the test correctly',
    'Holds the limb well',
    'Demonstrates understanding of the test',
    'Shows good technique',
    'Handles the patient professionally',
    'Supports the leg as needed',
    'Uses proper body mechanics',
    'Builds rapport',
    'Applies sufficient overpressure at end range',
  ),
  ...judged(
    'sound',
    'Supports the heel and calf',
    'Explains signs and tests',
    'Asks the patient to relax and breathe',
    'Presses firmly and slowly',
    'Places one hand on the thigh and one on the calf',
    'Compares left and right',
    'Moves the knee through flexion and extension',
    'Names the structure and the grade',
    'Positions the patient supine with hip and knee flexed',
    'Compares with the well leg',
    'Tests the good side first',
    'Keeps the sole level while turning the foot outward',
    'Tests at 0, then at 20 to 30 degrees',
    'Angle read, knee bent',
    'Asks whether the pain is familiar',
    'Explains the test in plain words',
  ),
];

/**
 * Those that were kept out: written and judged before the rules saw one of them, and not looked at
 * again when a rule was changed.
 */
export const KEPT_OUT: readonly JudgedItem[] = [
  ...judged(
    'two-acts',
    'Cups the heel and draws the foot forward',
    'Places a thumb on the joint line and rotates the tibia',
    'Introduces self and checks identity',
    'Obtain consent and expose the shoulder',
    'Supports the elbow, then lowers the arm slowly',
    'Lifts the leg and asks where it hurts',
    'Holds the pelvis down & extends the hip',
    'Pelvis fixed and hip extended to its end',
    'Fixes the forearm while supinating the hand',
    'Reads the goniometer and states the angle in degrees',
    'Palpates and names the lateral malleolus',
    'Stops the movement at pain and lowers the limb',
    'Asks about previous dislocation; warns of the apprehension',
    'Counts three twists each way and compares the sides',
    'Abducting the shoulder to 90 degrees and turning it outwards',
  ),
  ...judged(
    'vague',
    'Uses appropriate hand placement',
    'Communicates effectively with the patient',
    'Applies a suitable amount of force',
    'Shows a professional attitude',
    'Drapes the patient properly',
    'Has good body mechanics',
    'Understands the anatomy of the joint',
    'Carries out the manoeuvre competently',
    'Gives adequate explanation to the patient',
    'Palpates accurately',
    'Explains the procedure clearly where necessary',
  ),
  ...judged('two-acts and vague', 'Positions the limb correctly and applies the appropriate force'),
  ...judged(
    'sound',
    'Holds the thumb and first finger on either side of the kneecap',
    'Lays the forearm along the table',
    'Says that a painless click alone is not positive',
    'Asks about clicking, catching and locking',
    'Presses behind the fibula with the pad of the thumb',
    'Takes the hip to the end of its range',
    'States positive, negative or equivocal',
    'Watches the face for pain and guarding',
    'Keeps the pelvis level and square',
    'Tells the person to push and hold for five seconds',
    'Measures from the crest to the inner ankle with the tape',
    'Looks for wasting of the thenar and hypothenar muscles',
    'Names two structures that this test loads',
    'Grades laxity against the sound knee',
    'Lets go at once when asked to',
    'Turns the palm up, then down',
    'Says what would make the test unsafe',
    'Names one cause of a false positive and one of a false negative',
    'Knee flexed to between 20 and 30 degrees',
  ),
];
