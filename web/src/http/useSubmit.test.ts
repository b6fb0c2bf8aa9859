import { describe, expect, it } from 'vitest';
import { ApiProblem, NoConnection } from './api.ts';
import { useSubmit } from './useSubmit.ts';

const refused = (errors?: { pointer: string; detail: string }[]) =>
  new ApiProblem({
    type: 'urn:kritikos:problem:invalid',
    title: 'Something is missing',
    status: 422,
    ...(errors ? { errors } : {}),
  });

describe('a form', () => {
  it('shows what the server has against a field beside that field', async () => {
    const form = useSubmit(() => Promise.reject(refused([{ pointer: '/email', detail: 'taken' }])));
    await form.submit();
    expect(form.fields.value).toEqual({ email: 'taken' });
    expect(form.problem.value).toBe('');
  });

  it('shows what it has against the whole above the button', async () => {
    const form = useSubmit(() => Promise.reject(refused()));
    await form.submit();
    expect(form.problem.value).toBe('Something is missing');
    const offline = useSubmit(() => Promise.reject(new NoConnection()));
    await offline.submit();
    expect(offline.problem.value).toMatch(/cannot be reached/);
  });

  it('forgets the last objections when it is sent again', async () => {
    let good = false;
    const form = useSubmit(() =>
      good ? Promise.resolve() : Promise.reject(refused([{ pointer: '/name', detail: 'empty' }])),
    );
    await form.submit();
    good = true;
    await form.submit();
    expect(form.fields.value).toEqual({});
    expect(form.problem.value).toBe('');
  });
});
