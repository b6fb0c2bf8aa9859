import { z } from 'zod';
import { id } from './primitives.ts';

/** Something of this examination, or of this draft, changed; who looks at it reads again. */
export const hint = z.union([z.object({ examination: id }), z.object({ draft: id })]);
export type Hint = z.infer<typeof hint>;
