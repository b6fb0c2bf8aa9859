import { expectKeys } from '../expectKeys.ts';

// From memory of the textbooks, written down before the data were touched: every procedure with a
// patient who is positive and one who looks alike and is not.
expectKeys('wrist and any region, from the textbooks', {
  'ain-motor-check': [
    ['ain-palsy', { flat: 'positive' }],
    ['pronator-syndrome', { flat: 'negative' }],
    ['cubital-tunnel', { flat: 'negative' }],
  ],
  'epb-entrapment-followup': [
    ['de-quervain', { loads: 'straightening' }],
    ['thumb-base-arthritis', { loads: 'lifting' }],
    ['nothing-wrong', { loads: 'none' }],
  ],
  'finkelstein-staged': [
    ['de-quervain', { grade: 'grade-2' }],
    ['crossing-tendons-irritated', { grade: 'grade-0' }],
    ['thumb-base-arthritis', { grade: 'grade-0' }],
  ],
  'first-dorsal-compartment-palpation': [
    ['de-quervain', { tender: 'tendon' }],
    ['thumb-base-arthritis', { tender: 'base' }],
    ['cubital-tunnel', { tender: 'none' }],
  ],
  'thenar-hypothenar-inspection': [
    ['carpal-tunnel-late', { wasted: 'thenar' }],
    ['cubital-tunnel', { wasted: 'hypothenar' }],
    ['de-quervain', { wasted: 'none' }],
    // A pure motor branch of the forearm; the thumb's own muscles are fed by another.
    ['ain-palsy', { wasted: 'none' }],
  ],
  'pain-site-pointing': [
    ['lateral-elbow-tendinopathy', { class: 'point' }],
    ['ac-joint-pain', { class: 'point' }],
    ['de-quervain', { class: 'point' }],
    ['medial-elbow-tendinopathy', { class: 'point' }],
    ['patellar-tendinopathy', { class: 'point' }],
    ['radial-tunnel-pain', { class: 'line' }],
    ['sciatic-irritation', { class: 'line' }],
    ['frozen-shoulder', { class: 'wide' }],
    ['knee-arthritis', { class: 'wide' }],
    ['hip-irritation', { class: 'wide' }],
    ['nothing-wrong', { class: 'none' }],
  ],
});
