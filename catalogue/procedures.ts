import { ankleAnteriorDrawer } from './ankle/ankle-anterior-drawer.ts';
import { faber } from './hip/faber.ts';
import { lachmanAnteriorTranslation } from './knee/lachman-anterior-translation.ts';
import type { Procedure } from './procedure.ts';
import { apprehension9090 } from './shoulder/apprehension-90-90.ts';

/** Every procedure that the product knows. */
export const PROCEDURES: readonly Procedure[] = [
  lachmanAnteriorTranslation,
  faber,
  apprehension9090,
  ankleAnteriorDrawer,
];

/** The procedure with this id, or `undefined`. */
export function procedureById(id: string): Procedure | undefined {
  return PROCEDURES.find((procedure) => procedure.id === id);
}
