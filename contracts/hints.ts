import { z } from 'zod';
import { id } from './primitives.ts';

/** Something of this examination changed; who looks at it reads again. */
export const hint = z.object({ examination: id });
export type Hint = z.infer<typeof hint>;
