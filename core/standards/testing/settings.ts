import type { StandardSettings } from '../setStandard.ts';

/** Every station by borderline regression at the middle of the borderline grades. */
export const BY_REGRESSION: Pick<
  StandardSettings,
  'method' | 'methods' | 'borderline' | 'fixedPercent' | 'sds'
> = {
  method: 'borderline-regression',
  methods: {},
  borderline: 2.5,
  fixedPercent: 60,
  sds: 1,
};
