import type { z } from 'zod';
import type { Role } from './accounts.ts';

/** What belongs to somebody. The path of an address names it by this word. */
export type Owned =
  'examination' | 'station' | 'candidate' | 'sheet' | 'decision' | 'panel' | 'seat';

/** What somebody may do with a thing: lead or read the examination it is of, or mark it. */
export type Right = 'lead' | 'read' | 'mark';

/** The kinds of files that are answered, with the media type of each. */
export const FILE_TYPES = {
  csv: 'text/csv; charset=utf-8',
  zip: 'application/zip',
  calendar: 'text/calendar; charset=utf-8',
  'open file': 'application/json; charset=utf-8',
} as const;
export type FileKind = keyof typeof FILE_TYPES;

/** Anybody who holds one of the roles. */
export interface ByRole {
  readonly roles: readonly Role[];
}

/** Whoever holds one of the roles and, for the thing that the path names, one of the rights. */
export interface ByRight extends ByRole {
  readonly whose: Owned;
  readonly may: readonly Right[];
  /**
   * The statement that does the work asks for the right itself, and the server does not ask before:
   * marking waits for no second question.
   */
  readonly asksItself?: true;
}

/** Who may call a route: anyone at all, or whoever holds a role and a right. There is no default. */
export type Access = 'anyone' | ByRole | ByRight;

/** What is agreed of one route; its method and path are the key under which it stands in `api`. */
export interface Contract {
  /** What it does, as a course lead would say it. */
  readonly says: string;
  readonly access: Access;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** What the body is sent as; JSON unless said. A table is CSV or XLSX, its bytes as they are; an open file is JSON of any size that there is. */
  readonly takes?: 'csv' | 'table' | 'open file';
  /** What comes back, as JSON; a file of one of these kinds; or a stream of server-sent events. */
  readonly answers: z.ZodType | FileKind | 'events';
}

export type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** What is agreed of some routes, each under its method and path. */
export type Contracts = Readonly<Record<`${Method} /${string}`, Contract>>;

/** The names that a path asks for: `examination` of `/examinations/:examination/plan`. All are ids. */
export type Names<Path extends string> = Path extends `${infer Head}/${infer Tail}`
  ? Names<Head> | Names<Tail>
  : Path extends `:${infer Name}`
    ? Name
    : never;

export type Params<Path extends string> = { readonly [Name in Names<Path>]: string };
