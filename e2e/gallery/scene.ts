import type { BrowserContext, Page } from '@playwright/test';

export type Who = 'nobody' | 'lead' | 'examiner' | 'first';

/** One state of one screen: how to get there, and what shows that it is reached. */
export interface Scene {
  readonly name: string;
  readonly who: Who;
  /** Where it is; `:e` stands for the demo examination. */
  readonly path: string;
  /** Text that shows that the page is there. */
  readonly sign: string | RegExp;
  /** What to do there before the picture. */
  readonly then?: (page: Page, context: BrowserContext) => Promise<void>;
  /** Screens of the examiner are looked at on a phone too. */
  readonly phone?: true;
}
