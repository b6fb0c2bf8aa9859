import { ankleAnteriorDrawer } from './ankle/ankle-anterior-drawer.ts';
import { ankleDfStraightBent } from './ankle/ankle-df-straight-bent.ts';
import { ankleDorsiflexionPlantarflexionRom } from './ankle/ankle-dorsiflexion-plantarflexion-rom.ts';
import { ankleExternalRotationStress } from './ankle/ankle-external-rotation-stress.ts';
import { ankleFootPalpation } from './ankle/ankle-foot-palpation.ts';
import { ankleInspectionPalpation } from './ankle/ankle-inspection-palpation.ts';
import { ankleInspection } from './ankle/ankle-inspection.ts';
import { anklePosteriorDrawer } from './ankle/ankle-posterior-drawer.ts';
import { ankleRangePassive } from './ankle/ankle-range-passive.ts';
import { calfSqueeze } from './ankle/calf-squeeze.ts';
import { forefootAbductionAdductionRom } from './ankle/forefoot-abduction-adduction-rom.ts';
import { greatToeExtension } from './ankle/great-toe-extension.ts';
import { hindfootInversionEversionRom } from './ankle/hindfoot-inversion-eversion-rom.ts';
import { subtalarInversionEversion } from './ankle/subtalar-inversion-eversion.ts';
import { syndesmosisSqueeze } from './ankle/syndesmosis-squeeze.ts';
import { talarTiltDorsiflexed } from './ankle/talar-tilt-dorsiflexed.ts';
import { talarTiltNeutral } from './ankle/talar-tilt-neutral.ts';
import { talarTiltPlantarflexed } from './ankle/talar-tilt-plantarflexed.ts';
import { elbowActiveRomHyperextension } from './elbow/elbow-active-rom-hyperextension.ts';
import { elbowCarryingAngle } from './elbow/elbow-carrying-angle.ts';
import { elbowExtensionMmt } from './elbow/elbow-extension-mmt.ts';
import { elbowFlexionExtensionGoniometry } from './elbow/elbow-flexion-extension-goniometry.ts';
import { elbowFlexionMmt } from './elbow/elbow-flexion-mmt.ts';
import { elbowInspection } from './elbow/elbow-inspection.ts';
import { elbowPassiveFlexionExtension } from './elbow/elbow-passive-flexion-extension.ts';
import { elbowPosterolateralPivotShift } from './elbow/elbow-posterolateral-pivot-shift.ts';
import { elbowValgusStress } from './elbow/elbow-valgus-stress.ts';
import { elbowVarusStress } from './elbow/elbow-varus-stress.ts';
import { forearmRotationActive } from './elbow/forearm-rotation-active.ts';
import { forearmRotationPassive } from './elbow/forearm-rotation-passive.ts';
import { lateralEpicondylePalpation } from './elbow/lateral-epicondyle-palpation.ts';
import { medialEpicondylePalpation } from './elbow/medial-epicondyle-palpation.ts';
import { medianNerveForearmCompression } from './elbow/median-nerve-forearm-compression.ts';
import { radialTunnelPalpation } from './elbow/radial-tunnel-palpation.ts';
import { resistedFingerFlexionMedial } from './elbow/resisted-finger-flexion-medial.ts';
import { resistedPronationConsistencyContrast } from './elbow/resisted-pronation-consistency-contrast.ts';
import { resistedPronationMedial } from './elbow/resisted-pronation-medial.ts';
import { resistedSupinationRadialTunnel } from './elbow/resisted-supination-radial-tunnel.ts';
import { resistedWristExtensionTwoPosition } from './elbow/resisted-wrist-extension-two-position.ts';
import { resistedWristFlexionMedial } from './elbow/resisted-wrist-flexion-medial.ts';
import { ulnarNerveCompressionFlat } from './elbow/ulnar-nerve-compression-flat.ts';
import { ulnarNerveCompressionFlexed } from './elbow/ulnar-nerve-compression-flexed.ts';
import { ulnarNervePercussionElbow } from './elbow/ulnar-nerve-percussion-elbow.ts';
import { ulnarNerveSubluxation } from './elbow/ulnar-nerve-subluxation.ts';
import { encounterOpening } from './general/encounter-opening.ts';
import { painSitePointing } from './general/pain-site-pointing.ts';
import { elyProne } from './hip/ely-prone.ts';
import { faber } from './hip/faber.ts';
import { hamstring9090 } from './hip/hamstring-90-90.ts';
import { hipAbductionPelvicMonitor } from './hip/hip-abduction-pelvic-monitor.ts';
import { hipAdduction } from './hip/hip-adduction.ts';
import { hipExtensionStanding } from './hip/hip-extension-standing.ts';
import { hipFlexionLumbarMonitor } from './hip/hip-flexion-lumbar-monitor.ts';
import { hipRangePassive } from './hip/hip-range-passive.ts';
import { hipRotation9090 } from './hip/hip-rotation-90-90.ts';
import { modifiedThomas } from './hip/modified-thomas.ts';
import { oberBandProvocation } from './hip/ober-band-provocation.ts';
import { ober } from './hip/ober.ts';
import { slrRange } from './hip/slr-range.ts';
import { thomasSupine } from './hip/thomas-supine.ts';
import { trendelenburg } from './hip/trendelenburg.ts';
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
import { bellyPress } from './shoulder/belly-press.ts';
import { bicepsLoadIi } from './shoulder/biceps-load-ii.ts';
import { crossBodyAdduction } from './shoulder/cross-body-adduction.ts';
import { crossBodySelf } from './shoulder/cross-body-self.ts';
import { er90Strength } from './shoulder/er90-strength.ts';
import { girdle1ScapularBackTilt } from './shoulder/girdle-1-scapular-back-tilt.ts';
import { girdle2ClavicleMotion } from './shoulder/girdle-2-clavicle-motion.ts';
import { girdle3InferiorAngleDrop } from './shoulder/girdle-3-inferior-angle-drop.ts';
import { girdle4CervicothoracicCoupling } from './shoulder/girdle-4-cervicothoracic-coupling.ts';
import { girdle5HorizontalAdductionFixedFree } from './shoulder/girdle-5-horizontal-adduction-fixed-free.ts';
import { handBehindBackReach } from './shoulder/hand-behind-back-reach.ts';
import { hawkinsKennedy } from './shoulder/hawkins-kennedy.ts';
import { infraspinatusErSide } from './shoulder/infraspinatus-er-side.ts';
import { jerk } from './shoulder/jerk.ts';
import { kimJerkCombined } from './shoulder/kim-jerk-combined.ts';
import { kim } from './shoulder/kim.ts';
import { liftOff } from './shoulder/lift-off.ts';
import { scapularPlaneElevation } from './shoulder/scapular-plane-elevation.ts';
import { shoulderInspectPalpate } from './shoulder/shoulder-inspect-palpate.ts';
import { speed } from './shoulder/speed.ts';
import { supraspinatusStrength } from './shoulder/supraspinatus-strength.ts';
import { tapeEr0 } from './shoulder/tape-er0.ts';
import { tapeHandBehindBack } from './shoulder/tape-hand-behind-back.ts';
import { tapeHorizontalAdduction } from './shoulder/tape-horizontal-adduction.ts';
import { tapeOverheadPull } from './shoulder/tape-overhead-pull.ts';
import { tapeWallReach } from './shoulder/tape-wall-reach.ts';
import { yergason } from './shoulder/yergason.ts';
import { ainMotorCheck } from './wrist/ain-motor-check.ts';
import { epbEntrapmentFollowup } from './wrist/epb-entrapment-followup.ts';
import { finkelsteinStaged } from './wrist/finkelstein-staged.ts';
import { firstDorsalCompartmentPalpation } from './wrist/first-dorsal-compartment-palpation.ts';
import { thenarHypothenarInspection } from './wrist/thenar-hypothenar-inspection.ts';
import type { Procedure } from './procedure.ts';

/** Every procedure that the product knows. */
export const PROCEDURES: readonly Procedure[] = [
  ankleAnteriorDrawer,
  ankleDfStraightBent,
  ankleDorsiflexionPlantarflexionRom,
  ankleExternalRotationStress,
  ankleFootPalpation,
  ankleInspectionPalpation,
  ankleInspection,
  anklePosteriorDrawer,
  ankleRangePassive,
  calfSqueeze,
  forefootAbductionAdductionRom,
  greatToeExtension,
  hindfootInversionEversionRom,
  subtalarInversionEversion,
  syndesmosisSqueeze,
  talarTiltDorsiflexed,
  talarTiltNeutral,
  talarTiltPlantarflexed,
  elbowActiveRomHyperextension,
  elbowCarryingAngle,
  elbowExtensionMmt,
  elbowFlexionExtensionGoniometry,
  elbowFlexionMmt,
  elbowInspection,
  elbowPassiveFlexionExtension,
  elbowPosterolateralPivotShift,
  elbowValgusStress,
  elbowVarusStress,
  forearmRotationActive,
  forearmRotationPassive,
  lateralEpicondylePalpation,
  medialEpicondylePalpation,
  medianNerveForearmCompression,
  radialTunnelPalpation,
  resistedFingerFlexionMedial,
  resistedPronationConsistencyContrast,
  resistedPronationMedial,
  resistedSupinationRadialTunnel,
  resistedWristExtensionTwoPosition,
  resistedWristFlexionMedial,
  ulnarNerveCompressionFlat,
  ulnarNerveCompressionFlexed,
  ulnarNervePercussionElbow,
  ulnarNerveSubluxation,
  encounterOpening,
  painSitePointing,
  elyProne,
  faber,
  hamstring9090,
  hipAbductionPelvicMonitor,
  hipAdduction,
  hipExtensionStanding,
  hipFlexionLumbarMonitor,
  hipRangePassive,
  hipRotation9090,
  modifiedThomas,
  oberBandProvocation,
  ober,
  slrRange,
  thomasSupine,
  trendelenburg,
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
  bellyPress,
  bicepsLoadIi,
  crossBodyAdduction,
  crossBodySelf,
  er90Strength,
  girdle1ScapularBackTilt,
  girdle2ClavicleMotion,
  girdle3InferiorAngleDrop,
  girdle4CervicothoracicCoupling,
  girdle5HorizontalAdductionFixedFree,
  handBehindBackReach,
  hawkinsKennedy,
  infraspinatusErSide,
  jerk,
  kimJerkCombined,
  kim,
  liftOff,
  scapularPlaneElevation,
  shoulderInspectPalpate,
  speed,
  supraspinatusStrength,
  tapeEr0,
  tapeHandBehindBack,
  tapeHorizontalAdduction,
  tapeOverheadPull,
  tapeWallReach,
  yergason,
  ainMotorCheck,
  epbEntrapmentFollowup,
  finkelsteinStaged,
  firstDorsalCompartmentPalpation,
  thenarHypothenarInspection,
];

/** The procedure with this id, or `undefined`. */
export function procedureById(id: string): Procedure | undefined {
  return PROCEDURES.find((procedure) => procedure.id === id);
}
