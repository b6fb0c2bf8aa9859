import type { Request } from 'express';

/** The address under which the caller sees this installation. */
export function doorOf(request: Request): string {
  return `${request.protocol}://${request.host}`;
}
