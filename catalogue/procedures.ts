import { ankleAnteriorDrawer } from './ankle/ankle-anterior-drawer.ts';
import { faber } from './hip/faber.ts';
import { anteriorDrawerKnee } from './knee/anterior-drawer-knee.ts';
import { apleyCompressionDistraction } from './knee/apley-compression-distraction.ts';
import { bounceHomeExtension } from './knee/bounce-home-extension.ts';
import { bulgeBrushEffusion } from './knee/bulge-brush-effusion.ts';
import { clarkeCompressionContraction } from './knee/clarke-compression-contraction.ts';
import { externalRotationRecurvatum } from './knee/external-rotation-recurvatum.ts';
import { fairbankApprehension30 } from './knee/fairbank-apprehension-30.ts';
import { functionalComparators } from './knee/functional-comparators.ts';
import { godfrey9090Sag } from './knee/godfrey-90-90-sag.ts';
import { jointLineTenderness } from './knee/joint-line-tenderness.ts';
import { kneeBlockEndFeel } from './knee/knee-block-end-feel.ts';
import { kneeInspectionWarmth } from './knee/knee-inspection-warmth.ts';
import { kneePalpationCircuit } from './knee/knee-palpation-circuit.ts';
import { lachmanAnteriorTranslation } from './knee/lachman-anterior-translation.ts';
import { lachmanThighOverKnee } from './knee/lachman-thigh-over-knee.ts';
import { mcmurrayRotationExtension } from './knee/mcmurray-rotation-extension.ts';
import { nobleLateralCondyleCompression } from './knee/noble-lateral-condyle-compression.ts';
import { patellarApprehensionExtended } from './knee/patellar-apprehension-extended.ts';
import { patellarBallottement } from './knee/patellar-ballottement.ts';
import { patellarGlideQuadrants } from './knee/patellar-glide-quadrants.ts';
import { patellarGrindMobilise } from './knee/patellar-grind-mobilise.ts';
import { patellarTiltPassive } from './knee/patellar-tilt-passive.ts';
import { patellofemoralCrepitusCheck } from './knee/patellofemoral-crepitus-check.ts';
import { patellofemoralPassiveCompression } from './knee/patellofemoral-passive-compression.ts';
import { posteriorDrawerKnee } from './knee/posterior-drawer-knee.ts';
import { posteriorLachman } from './knee/posterior-lachman.ts';
import { posteriorSagSign } from './knee/posterior-sag-sign.ts';
import { quadricepsAngle } from './knee/quadriceps-angle.ts';
import { renneWeightBearingCompression } from './knee/renne-weight-bearing-compression.ts';
import { slowStepDown } from './knee/slow-step-down.ts';
import { suprapatellarSqueeze } from './knee/suprapatellar-squeeze.ts';
import { thessalyWeightBearingTwist } from './knee/thessaly-weight-bearing-twist.ts';
import { valgusStressKnee } from './knee/valgus-stress-knee.ts';
import { varusStressKnee } from './knee/varus-stress-knee.ts';
import { apprehension9090 } from './shoulder/apprehension-90-90.ts';
import type { Procedure } from './procedure.ts';

/** Every procedure that the product knows. */
export const PROCEDURES: readonly Procedure[] = [
  ankleAnteriorDrawer,
  faber,
  anteriorDrawerKnee,
  apleyCompressionDistraction,
  bounceHomeExtension,
  bulgeBrushEffusion,
  clarkeCompressionContraction,
  externalRotationRecurvatum,
  fairbankApprehension30,
  functionalComparators,
  godfrey9090Sag,
  jointLineTenderness,
  kneeBlockEndFeel,
  kneeInspectionWarmth,
  kneePalpationCircuit,
  lachmanAnteriorTranslation,
  lachmanThighOverKnee,
  mcmurrayRotationExtension,
  nobleLateralCondyleCompression,
  patellarApprehensionExtended,
  patellarBallottement,
  patellarGlideQuadrants,
  patellarGrindMobilise,
  patellarTiltPassive,
  patellofemoralCrepitusCheck,
  patellofemoralPassiveCompression,
  posteriorDrawerKnee,
  posteriorLachman,
  posteriorSagSign,
  quadricepsAngle,
  renneWeightBearingCompression,
  slowStepDown,
  suprapatellarSqueeze,
  thessalyWeightBearingTwist,
  valgusStressKnee,
  varusStressKnee,
  apprehension9090,
];

/** The procedure with this id, or `undefined`. */
export function procedureById(id: string): Procedure | undefined {
  return PROCEDURES.find((procedure) => procedure.id === id);
}
