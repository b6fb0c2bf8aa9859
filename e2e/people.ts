import { expect } from '@playwright/test';
import type { APIRequestContext, Browser, Page } from '@playwright/test';

export const PASSWORD = 'couch-and-goniometer';
export const LEAD = 'lead@orrinmouth.example';
export const EXAMINER = (n: number) => `examiner${n}@orrinmouth.example`;

/** Signs in through the page, as a person does. */
export async function signIn(page: Page, email: string): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).not.toHaveURL(/sign-in/);
}

/** A browser of one's own: examiners do not share a tablet. */
export async function inOwnBrowser(browser: Browser, email: string): Promise<Page> {
  const context = await browser.newContext();
  const page = await context.newPage();
  await signIn(page, email);
  return page;
}

/** Calls the API as whoever the context is signed in as. */
export async function callApi<T>(
  api: APIRequestContext,
  method: 'get' | 'post' | 'put',
  path: string,
  data?: unknown,
): Promise<T> {
  const { csrfToken } = (await (await api.get('/api/session')).json()) as { csrfToken: string };
  const headers = { 'x-csrf-token': csrfToken };
  const response = await api[method](`/api${path}`, {
    headers,
    ...(data === undefined ? {} : { data }),
  });
  if (!response.ok()) throw new Error(`${method} ${path}: ${await response.text()}`);
  return (await response.json()) as T;
}
