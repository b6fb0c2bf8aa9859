export interface Minimum {
  readonly at: number[];
  readonly value: number;
  readonly iterations: number;
  readonly evaluations: number;
}

/**
 * Minimum of a smooth function that is even in every coordinate (`f(x) = f(|x|)`), by damped
 * Newton steps with derivatives from central differences. Meant for few coordinates and costly
 * evaluations: k coordinates cost 1 + 2k + k(k-1)/2 evaluations a step, and a handful of steps.
 */
export function minimiseEven(
  f: (x: readonly number[]) => number,
  start: readonly number[],
  mostIterations = 40,
): Minimum {
  let at = start.map(Math.abs);
  let evaluations = 0;
  const value = (x: readonly number[]) => {
    evaluations++;
    return f(x.map(Math.abs));
  };
  let now = value(at);
  let iterations = 0;
  for (; iterations < mostIterations; iterations++) {
    const { gradient, hessian } = derivatives(value, at, now, iterations < 3 ? 1e-2 : 2e-3);
    const step = descent(hessian, gradient);
    let length = 1;
    let next = at.map((x, i) => Math.abs(x - (step[i] as number)));
    let there = value(next);
    while (there > now && length > 1e-4) {
      length /= 2;
      next = at.map((x, i) => Math.abs(x - length * (step[i] as number)));
      there = value(next);
    }
    if (there > now) break;
    const moved = Math.max(
      ...next.map((x, i) => Math.abs(x - (at[i] as number)) / Math.max(0.02, x)),
    );
    at = next;
    now = there;
    if (moved < 1e-6 && iterations >= 3) break;
  }
  return { at, value: now, iterations: iterations + 1, evaluations };
}

function derivatives(
  f: (x: readonly number[]) => number,
  at: readonly number[],
  now: number,
  share: number,
): { gradient: number[]; hessian: number[][] } {
  const h = at.map((x) => share * Math.max(x, 0.05));
  const moved = (changes: readonly [number, number][]) => {
    const x = [...at];
    for (const [i, d] of changes) x[i] = (x[i] as number) + d;
    return f(x);
  };
  const up = at.map((_, i) => moved([[i, h[i] as number]]));
  const down = at.map((_, i) => moved([[i, -(h[i] as number)]]));
  const gradient = at.map(
    (_, i) => ((up[i] as number) - (down[i] as number)) / (2 * (h[i] as number)),
  );
  const hessian = at.map((_, i) =>
    at.map((__, j) =>
      i === j ? ((up[i] as number) - 2 * now + (down[i] as number)) / (h[i] as number) ** 2 : 0,
    ),
  );
  for (let i = 0; i < at.length; i++) {
    for (let j = 0; j < i; j++) {
      const both = moved([
        [i, h[i] as number],
        [j, h[j] as number],
      ]);
      const mixed =
        (both - (up[i] as number) - (up[j] as number) + now) /
        ((h[i] as number) * (h[j] as number));
      (hessian[i] as number[])[j] = mixed;
      (hessian[j] as number[])[i] = mixed;
    }
  }
  return { gradient, hessian };
}

/** The Newton step; where the curvature does not allow one, a step down each coordinate alone. */
function descent(hessian: readonly number[][], gradient: readonly number[]): number[] {
  const k = gradient.length;
  const l: number[][] = Array.from({ length: k }, () => Array.from({ length: k }, () => 0));
  for (let i = 0; i < k; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = hessian[i]?.[j] as number;
      for (let m = 0; m < j; m++) sum -= (l[i]?.[m] as number) * (l[j]?.[m] as number);
      if (i === j) {
        if (!(sum > 0)) {
          return gradient.map(
            (g, d) => g / Math.max(Math.abs(hessian[d]?.[d] ?? 0), Math.abs(g), 1e-8),
          );
        }
        (l[i] as number[])[i] = Math.sqrt(sum);
      } else (l[i] as number[])[j] = sum / (l[j]?.[j] as number);
    }
  }
  const y = [...gradient];
  for (let i = 0; i < k; i++) {
    for (let m = 0; m < i; m++) y[i] = (y[i] as number) - (l[i]?.[m] as number) * (y[m] as number);
    y[i] = (y[i] as number) / (l[i]?.[i] as number);
  }
  for (let i = k - 1; i >= 0; i--) {
    for (let m = i + 1; m < k; m++)
      y[i] = (y[i] as number) - (l[m]?.[i] as number) * (y[m] as number);
    y[i] = (y[i] as number) / (l[i]?.[i] as number);
  }
  return y;
}
