import type { z } from 'zod';
import { people } from './addresses/people.ts';
import { bank } from './addresses/bank.ts';
import { preparation } from './addresses/preparation.ts';
import { timetables } from './addresses/timetable.ts';
import { papers } from './addresses/papers.ts';
import { panels } from './addresses/panels.ts';
import { rehearsing } from './addresses/rehearsal.ts';
import { house } from './addresses/house.ts';
import { marking } from './addresses/marking.ts';
import { outcomes } from './addresses/outcomes.ts';
import { sources } from './addresses/sources.ts';
import { office } from './addresses/office.ts';
import type { Contracts, FileKind, Params } from './contract.ts';

/**
 * Every address of the API, in the order in which an examination is run: one contract a route, from
 * which the server is mounted, the browser's calls are typed, and the description for others is
 * made. Every name in a path is an id.
 */
export const api = {
  ...people,
  ...bank,
  ...preparation,
  ...house,
  ...timetables,
  ...papers,
  ...rehearsing,
  ...panels,
  ...marking,
  ...outcomes,
  ...sources,
  ...office,
} as const satisfies Contracts;

type Api = typeof api;
/** The method and path of a route. */
export type Address = keyof Api;

type Part<A extends Address, Name extends string> = Api[A] extends { readonly [N in Name]: infer P }
  ? P
  : undefined;

type QuerySent<Query> = Query extends z.ZodType
  ? Partial<z.input<Query>> extends z.input<Query>
    ? { readonly query?: z.input<Query> }
    : { readonly query: z.input<Query> }
  : unknown;

/** What a route is sent, as the caller writes it. */
export type Sent<A extends Address> = (keyof Params<A> extends never
  ? unknown
  : { readonly params: Params<A> }) &
  QuerySent<Part<A, 'query'>> &
  (Part<A, 'takes'> extends 'csv' | 'table'
    ? { readonly body: Blob | string }
    : Part<A, 'body'> extends z.ZodType
      ? { readonly body: z.input<Part<A, 'body'>> }
      : unknown);

/** What a route takes, once it has been read. */
export interface Taken<A extends Address> {
  readonly params: Params<A>;
  readonly query: Part<A, 'query'> extends z.ZodType ? z.output<Part<A, 'query'>> : undefined;
  readonly body: Part<A, 'body'> extends z.ZodType ? z.output<Part<A, 'body'>> : undefined;
}

/** What a route answers: as the server writes it, and as the caller reads it. */
export type Written<A extends Address> =
  Part<A, 'answers'> extends z.ZodType ? z.input<Part<A, 'answers'>> : never;
export type Answer<A extends Address> =
  Part<A, 'answers'> extends z.ZodType ? z.output<Part<A, 'answers'>> : never;

/** Addresses whose answer is a file. */
export type FileAddress = {
  [A in Address]: Part<A, 'answers'> extends FileKind ? A : never;
}[Address];
