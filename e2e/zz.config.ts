import base from './playwright.config.ts';
const servers = base.webServer as object[];
export default {
  ...base,
  timeout: 600_000,
  expect: { timeout: 15_000 },
  use: { ...base.use, actionTimeout: 15_000 },
  projects: undefined,
  testIgnore: undefined,
  webServer: servers.slice(1),
};
