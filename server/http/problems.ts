import type { Problem, ProblemType } from '@kritikos/contracts/problem';

type FieldError = { pointer: string; detail: string };

/** Something went wrong in a way that the caller can understand and put right. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly type: ProblemType,
    readonly title: string,
    readonly detail?: string,
    readonly errors?: FieldError[],
  ) {
    super(detail ?? title);
  }

  toJSON(): Problem {
    const { type, title, status, detail, errors } = this;
    return {
      type: `urn:kritikos:problem:${type}`,
      title,
      status,
      ...(detail === undefined ? {} : { detail }),
      ...(errors === undefined ? {} : { errors }),
    };
  }
}

export function notFound(what: string): HttpProblem {
  return new HttpProblem(
    404,
    'not-found',
    `There is no such ${what}`,
    'It may have been opened from an old link; go back to the list.',
  );
}

export function notAllowed(detail: string): HttpProblem {
  return new HttpProblem(403, 'not-allowed', 'This is not open to you', detail);
}

export function conflict(title: string, detail: string): HttpProblem {
  return new HttpProblem(409, 'conflict', title, detail);
}

export function invalid(errors: FieldError[], title = 'Some of this cannot be taken'): HttpProblem {
  return new HttpProblem(
    422,
    'invalid',
    title,
    'Nothing was saved. Put the named fields right and send it again.',
    errors,
  );
}
