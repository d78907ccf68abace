/* Only the newest answer counts: newest() gives a function that asks, and answers null once something newer was asked. */

/**
 * @template T
 * @returns {(ask: () => Promise<T>) => Promise<T | null>}
 */
export function newest() {
  let asked = 0;
  return async (ask) => {
    const mine = ++asked;
    const answer = await ask();
    return mine === asked ? answer : null;
  };
}
