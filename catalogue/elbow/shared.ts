import { laxityGrade } from '../findings.ts';
import { critical, flagged, interpret, perform, position, prepare } from '../items.ts';

/** Before either side of an elbow is stressed. */
export const ELBOW_STRESS_CAUTION =
  'Before stress after an injury: pulse, feeling, finger motion; no straightening means imaging first.';

export const elbowGap = laxityGrade('States the gap against the other side', [
  'None',
  'Slight, firm',
  'Clear, soft',
  'Gross, no end',
]);

/** The items that valgus and varus stress have in common: mirror images in line, turn and push. */
export function collateralStress(
  line: 'inner' | 'outer',
  turned: 'inwards' | 'outwards',
  pushed: 'inwards' | 'outwards',
) {
  return [
    prepare.asked(
      'screen',
      'Asks about injury, dislocation or surgery',
      critical('A broken elbow would be stressed.'),
    ),
    position.done('rotation', `Turns the upper arm ${turned} to its end`),
    position.asked('forearm', 'States the forearm position'),
    position.graded('angles', 'Tests at 0, then at 20 to 30 degrees', [
      'Straight only',
      'Bent only',
      'Both',
    ]),
    perform.graded('no-roll', 'Keeps the upper arm from rolling', ['Rolls', 'A little', 'Still']),
    perform.done('fingertip', `Lays a fingertip on the ${line} joint line`),
    perform.done('push', `Pushes the lower forearm ${pushed}`),
    perform.done(
      'ramp',
      'Builds the load over one to two seconds',
      flagged('A jerk tears what is left.'),
    ),
    interpret.done('apart', 'Reports gap apart from pain'),
  ];
}
