import { route } from '../http/route.ts';
import { describeApi } from './document.ts';

let made: ReturnType<typeof describeApi> | undefined;

export const descriptionRoutes = [
  // The contracts do not change while the server runs.
  route('GET /openapi.json', async () => (made ??= describeApi())),
];
