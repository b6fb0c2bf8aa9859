import type { z } from 'zod';
import type { Role } from './accounts.ts';

/** Who may call a route: anyone at all, or the roles named. There is no default. */
export type Access = 'anyone' | readonly Role[];

/** What is agreed of one route; its method and path are the key under which it stands in `api`. */
export interface Contract {
  /** What it does, as a course lead would say it. */
  readonly says: string;
  readonly access: Access;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** What the body is sent as; JSON unless said. */
  readonly takes?: 'csv';
  /** What comes back, as JSON; or a file for the spreadsheet. */
  readonly answers: z.ZodType | 'csv';
}

export type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** The names that a path asks for: `examination` of `/examinations/:examination/plan`. All are ids. */
export type Names<Path extends string> = Path extends `${infer Head}/${infer Tail}`
  ? Names<Head> | Names<Tail>
  : Path extends `:${infer Name}`
    ? Name
    : never;

export type Params<Path extends string> = { readonly [Name in Names<Path>]: string };
