import type { Job } from '@kritikos/contracts/jobs';
import { computed, onScopeDispose, shallowRef } from 'vue';
import { call } from '../http/api.ts';

const LOOK_EVERY = 400;

/** Follows a job while a page is open; the job itself outlives the page. */
export function useJob() {
  const job = shallowRef<Job | null>(null);
  let timer: ReturnType<typeof setTimeout> | undefined;

  /** Shows a job until it is over. */
  function follow(asked: Job): void {
    clearTimeout(timer);
    job.value = asked;
    if (!isOver(asked)) timer = setTimeout(() => void look(asked.id), LOOK_EVERY);
  }

  async function look(id: string): Promise<void> {
    // Without a network nothing is known of it; it goes on meanwhile, and is asked after again.
    const now = await call('GET /jobs/:job', { params: { job: id } }).catch(() => job.value);
    if (now && job.value?.id === id) follow(now);
  }

  async function cancel(): Promise<void> {
    if (!job.value) return;
    follow(await call('DELETE /jobs/:job', { params: { job: job.value.id } }));
  }

  onScopeDispose(() => clearTimeout(timer));
  return { job, follow, cancel, running: computed(() => job.value !== null && !isOver(job.value)) };
}

function isOver({ state }: Job): boolean {
  return state !== 'waiting' && state !== 'running';
}
