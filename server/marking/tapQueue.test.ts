import { describe, expect, it } from 'vitest';
import { TapQueue } from './tapQueue.ts';

/** A queue whose statements end when told to; what each carried is on the list. */
function heldQueue() {
  const statements: { carried: number[]; end: (fail?: Error) => void }[] = [];
  const queue = new TapQueue<number, string>(
    (carried) =>
      new Promise((resolve, reject) => {
        statements.push({
          carried,
          end: (fail) => (fail ? reject(fail) : resolve(carried.map((n) => `answer ${n}`))),
        });
      }),
  );
  return { queue, statements };
}

describe('the queue of taps', () => {
  it('writes each alone and at once while it is quiet', () => {
    const { queue, statements } = heldQueue();
    void queue.add(1);
    void queue.add(2);
    expect(statements.map((s) => s.carried)).toEqual([[1], [2]]);
  });

  it('writes together what came while the statements were busy, and answers each its own', async () => {
    const { queue, statements } = heldQueue();
    const answers = [1, 2, 3, 4, 5, 6].map((n) => queue.add(n));
    expect(statements).toHaveLength(2);
    statements[0]?.end();
    expect(await answers[0]).toBe('answer 1');
    await Promise.resolve();
    expect(statements[2]?.carried).toEqual([3, 4, 5, 6]);
    for (const statement of statements) statement.end();
    expect(await Promise.all(answers)).toEqual([1, 2, 3, 4, 5, 6].map((n) => `answer ${n}`));
  });

  it('carries no more than forty at once, and loses none', async () => {
    const { queue, statements } = heldQueue();
    const answers = Array.from({ length: 103 }, (_, n) => queue.add(n));
    for (let i = 0; i < 10; i++) {
      for (const statement of statements) statement.end();
      await new Promise((resolve) => setImmediate(resolve));
    }
    expect(await Promise.all(answers)).toHaveLength(103);
    expect(Math.max(...statements.map((s) => s.carried.length))).toBe(40);
  });

  it('tells all who went with a statement that it failed, and goes on with the next', async () => {
    const { queue, statements } = heldQueue();
    const answers = [1, 2, 3, 4].map((n) => queue.add(n));
    statements[1]?.end(new Error('away'));
    await expect(answers[1]).rejects.toThrow('away');
    await new Promise((resolve) => setImmediate(resolve));
    expect(statements[2]?.carried).toEqual([3, 4]);
  });
});
