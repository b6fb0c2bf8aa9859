import { POSITIONS } from './basePositions.ts';
import type { JointAngle } from './pose.ts';
import type { SegmentName, Side } from './segments.ts';
import type { FigureSpec, ForceSpec, HandSpec, Place, PropSpec } from './spec.ts';

/** Joint angles in words; where the sign has a word of its own, both are given. */
const ANGLE_WORDS: Readonly<Record<JointAngle, readonly [string, string]>> = {
  hipFlexion: ['hip bent', 'hip stretched back'],
  hipAbduction: ['hip out to the side', 'hip across the middle'],
  hipRotation: ['thigh turned in', 'thigh turned out'],
  kneeFlexion: ['knee bent', 'knee overstretched'],
  ankleDorsiflexion: ['foot drawn up', 'foot pointed down'],
  hindfootInversion: ['heel tilted in', 'heel tilted out'],
  tibialTranslation: ['shin drawn forward', 'shin pushed back'],
  tibialRotation: ['shin turned in', 'shin turned out'],
  kneeGap: ['knee opened on the inner side', 'knee opened on the outer side'],
  talarTilt: ['talus tilted in', 'talus tilted out'],
  kneecapShift: ['kneecap pushed outwards', 'kneecap pushed inwards'],
  shoulderFlexion: ['arm forward', 'arm stretched back'],
  shoulderAbduction: ['arm out to the side', 'arm drawn to the side'],
  shoulderHorizontalAdduction: ['arm across the chest', 'arm drawn backwards'],
  shoulderRotation: ['arm turned in', 'arm turned out'],
  elbowFlexion: ['elbow bent', 'elbow overstretched'],
  forearmPronation: ['palm turned down', 'palm turned up'],
  wristExtension: ['wrist bent back', 'wrist bent forward'],
  wristUlnarDeviation: ['hand tilted to the little finger', 'hand tilted to the thumb'],
  trunkFlexion: ['trunk bent forward', 'trunk bent backwards'],
  trunkSideBend: ['trunk leaning to the tested side', 'trunk leaning away'],
  trunkRotation: ['trunk turned to the tested side', 'trunk turned away'],
  neckFlexion: ['head bent forward', 'head bent backwards'],
};

const SEGMENT_WORDS: Readonly<Record<SegmentName, string>> = {
  pelvis: 'pelvis',
  trunk: 'trunk',
  head: 'head',
  upperArm: 'upper arm',
  forearm: 'forearm',
  hand: 'hand',
  thigh: 'thigh',
  shank: 'lower leg',
  foot: 'foot',
};

const ROLE_WORDS = { holds: 'holds still', moves: 'moves', feels: 'feels' } as const;

/** An angle in words, for example "knee bent 25 degrees". */
export function angleInWords(angle: JointAngle, degrees: number): string {
  const [more, less] = ANGLE_WORDS[angle];
  const unit =
    angle === 'tibialTranslation' || angle === 'kneecapShift' ? 'millimetres' : 'degrees';
  return `${degrees >= 0 ? more : less} ${Math.round(Math.abs(degrees))} ${unit}`;
}

function anglesInWords(angles: Partial<Record<JointAngle, number>>): string[] {
  return Object.entries(angles)
    .filter(([, degrees]) => Math.abs(degrees) >= 1)
    .map(([angle, degrees]) => angleInWords(angle as JointAngle, degrees));
}

/** What the drawing shows, from the same data, for those who do not see it. */
export function describeFigure(spec: FigureSpec, side: Side): string {
  const { axial, leg, arm, otherLeg, otherArm } = spec.pose;
  const angles = anglesInWords({ ...axial, ...leg, ...arm });
  const others = anglesInWords({ ...otherLeg, ...otherArm });
  const sentences = [
    `${POSITIONS[spec.position].words}, ${side} side tested${angles.length > 0 ? `: ${angles.join(', ')}` : ''}.`,
  ];
  if (others.length > 0) sentences.push(`Other side: ${others.join(', ')}.`);
  if (spec.decides) {
    const [low, high] = spec.decides.band;
    const name = ANGLE_WORDS[spec.decides.angle][high > 0 ? 0 : 1];
    const [a, b] = high > 0 ? [low, high] : [-high, -low];
    sentences.push(`Accepted: ${name} ${a === b ? a : `${a} to ${b}`} degrees.`);
  }
  for (const hand of spec.hands) sentences.push(handInWords(hand));
  for (const force of spec.forces) sentences.push(forceInWords(force));
  for (const prop of spec.props ?? []) sentences.push(propInWords(prop));
  return sentences.join(' ');
}

function propInWords(prop: PropSpec): string {
  switch (prop.kind) {
    case 'step':
      return `A step of ${prop.heightCm} cm.`;
    case 'bolster':
      return `A bolster under the ${SEGMENT_WORDS[prop.under.segment]}.`;
    case 'tape':
      return `A tape from the ${placeInWords(prop.from)}, to the ${placeInWords(prop.to)}.`;
    default:
      return `Beside a ${prop.kind}.`;
  }
}

function handInWords(hand: HandSpec): string {
  return `A hand ${ROLE_WORDS[hand.role]} at the ${placeInWords(hand)}.`;
}

function placeInWords({ segment, at, surface, other }: Place): string {
  const part = at < 0.34 ? 'near end of the ' : at > 0.66 ? 'far end of the ' : 'middle of the ';
  const name = SEGMENT_WORDS[segment];
  return `${part}${other ? 'other ' : ''}${name}, ${surface} side`;
}

function forceInWords(force: ForceSpec): string {
  const who = force.byPatient ? 'The person pushes' : 'Force';
  const name = SEGMENT_WORDS[force.segment];
  switch (force.kind) {
    case 'straight':
      return `${who} on the ${name} towards its ${force.towards} side.`;
    case 'turn':
      return `${force.byPatient ? 'The person turns' : 'A turn of'} the ${name} ${force.towards}.`;
    case 'compress':
      return `Pressed together along the ${name}.`;
    case 'distract':
      return `Pulled apart along the ${name}.`;
  }
}
