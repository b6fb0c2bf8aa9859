import type { Account } from '@kritikos/contracts/accounts';
import { api } from '@kritikos/contracts/api';
import type { Address, FileAddress, Taken, Written } from '@kritikos/contracts/api';
import type { Access, Contract } from '@kritikos/contracts/contract';
import { id } from '@kritikos/contracts/primitives';
import type { Request, Response } from 'express';
import { z } from 'zod';
import type { Database } from '../db/database.ts';
import type { Hints } from '../hints/hints.ts';
import type { Jobs } from '../jobs/jobs.ts';

/** A file, named as it is to be kept. */
export interface Download {
  readonly fileName: string;
  readonly content: string | Buffer;
}

/** What every route can use. */
export interface Tools {
  readonly db: Database;
  readonly hints: Hints;
  readonly jobs: Jobs;
  /** What the settings say of this installation, and only they know. */
  readonly house: House;
}

export interface House {
  /** The address under which people open it, for links in letters and codes on paper. */
  readonly door: string;
  /** What seals that must not be read in the database. */
  readonly secretKey: string;
  /** Whether letters leave by a mail server; else whoever makes a link passes it on. */
  readonly sends: boolean;
}

interface Around extends Tools {
  readonly request: Request;
  readonly response: Response;
}
type Caller<A extends Address> = (typeof api)[A]['access'] extends 'anyone'
  ? Account | null
  : Account;
export type Call<A extends Address> = Around & Taken<A> & { readonly account: Caller<A> };
type Answered<A extends Address> = A extends FileAddress
  ? Download
  : (typeof api)[A]['answers'] extends 'events'
    ? unknown // it has written its answer itself
    : Written<A>;

/** A route of the contract with what the server does for it, ready to be mounted. */
export interface Route extends Contract {
  readonly address: Address;
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  readonly path: string;
  readonly access: Access;
  readonly params: z.ZodObject;
  handle(
    call: Around & { account: Account | null; params: unknown; query: unknown; body: unknown },
  ): Promise<unknown>;
}

/** Does what the contract of an address says; the types of what comes and goes follow from it. */
export function route<A extends Address>(
  address: A,
  handle: (call: Call<A>) => Promise<Answered<A>>,
): Route {
  const [method = '', path = ''] = address.split(' ');
  const names = path.split('/').flatMap((piece) => (piece.startsWith(':') ? [piece.slice(1)] : []));
  const contract: Contract = api[address];
  return {
    ...contract,
    address,
    method: method.toLowerCase() as Route['method'],
    path,
    params: z.object(Object.fromEntries(names.map((name) => [name, id]))),
    // What comes has been read by the contract of this very address before it gets here.
    handle: (call) => handle(call as unknown as Call<A>),
  };
}
