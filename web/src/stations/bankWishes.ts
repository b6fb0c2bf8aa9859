import type { BankSearch } from '@kritikos/contracts/stations';

/** What is asked for; what is not there is not asked. */
export type BankWishes = {
  readonly [Part in Exclude<keyof BankSearch, 'offset' | 'limit'>]?: BankSearch[Part] | undefined;
};

const WHOLE = ['mostMinutes', 'leastUses', 'leastDisputed'] as const;
const PERCENTS = ['leastFacility', 'mostFacility', 'leastCut', 'mostCut', 'mostAgreement'] as const;

/** The wishes that can be asked: a number that is none, or too large, waits until it is one. */
export function askable(wishes: BankWishes): BankWishes {
  const fits = (part: keyof BankWishes, value: unknown) => {
    if (value === undefined) return false;
    if (WHOLE.some((whole) => whole === part)) {
      return (
        Number.isInteger(value) &&
        Number(value) >= (part === 'mostMinutes' ? 1 : 0) &&
        Number(value) <= (part === 'mostMinutes' ? 60 : 1000)
      );
    }
    if (PERCENTS.some((percent) => percent === part))
      return Number(value) >= 0 && Number(value) <= 100;
    return true;
  };
  return Object.fromEntries(
    Object.entries(wishes).filter(([part, value]) => fits(part as keyof BankWishes, value)),
  );
}
