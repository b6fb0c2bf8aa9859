import { describe, expect, it } from 'vitest';
import { useInTurn } from './useInTurn.ts';

describe('changes in turn', () => {
  it('are on the way one at a time, in the order in which they were made', async () => {
    const { inTurn, busy } = useInTurn();
    const done: string[] = [];
    let let1: () => void = () => undefined;
    const first = inTurn(async () => {
      await new Promise<void>((resolve) => (let1 = resolve));
      done.push('first');
    });
    const second = inTurn(() => Promise.resolve(done.push('second')));
    await Promise.resolve();
    expect([busy.value, done]).toEqual([true, []]);
    let1();
    await Promise.all([first, second]);
    expect([busy.value, done]).toEqual([false, ['first', 'second']]);
  });

  it('go on after one that was refused, which whoever asked is told', async () => {
    const { inTurn } = useInTurn();
    const refused = inTurn(() => Promise.reject(new Error('no')));
    const next = inTurn(() => Promise.resolve('yes'));
    await expect(refused).rejects.toThrow('no');
    await expect(next).resolves.toBe('yes');
  });
});
