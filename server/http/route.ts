import type { Account, Role } from '@kritikos/contracts/accounts';
import type { Request, Response } from 'express';
import type { z } from 'zod';
import type { Database } from '../db/database.ts';

/** Who may call a route: anyone at all, or the roles named. There is no default. */
export type Access = 'anyone' | readonly Role[];

export interface Call<P, Q, B, A> {
  readonly db: Database;
  readonly account: A;
  readonly params: P;
  readonly query: Q;
  readonly body: B;
  readonly request: Request;
  readonly response: Response;
}

type Shape = z.ZodType | undefined;
type Read<S extends Shape> = S extends z.ZodType ? z.output<S> : undefined;

export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  readonly path: string;
  readonly access: Access;
  readonly params?: z.ZodType | undefined;
  readonly query?: z.ZodType | undefined;
  readonly body?: z.ZodType | undefined;
  /** What the body is sent as; JSON unless said. */
  readonly takes?: 'json' | 'csv' | undefined;
  /** What comes back; checked in tests, so that the contract stays true. */
  readonly answers: z.ZodType | 'csv';
  handle(call: Call<unknown, unknown, unknown, Account | null>): Promise<unknown>;
}

/** Declares one route: where it is, who may call it, what it takes and what it answers. */
export function route<
  A extends Access,
  P extends Shape = undefined,
  Q extends Shape = undefined,
  B extends Shape = undefined,
  R extends z.ZodType | 'csv' = z.ZodType,
>(declaration: {
  method: Route['method'];
  path: string;
  access: A;
  params?: P;
  query?: Q;
  body?: B;
  takes?: 'json' | 'csv';
  answers: R;
  handle(
    call: Call<Read<P>, Read<Q>, Read<B>, A extends 'anyone' ? Account | null : Account>,
  ): Promise<R extends z.ZodType ? z.input<R> : Download>;
}): Route {
  return declaration as unknown as Route;
}

/** A file for the spreadsheet. */
export interface Download {
  readonly fileName: string;
  readonly content: string;
}
