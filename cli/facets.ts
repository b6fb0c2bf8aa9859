import { cheapestDesign, dependabilityAtCut, dStudyGrid } from '@kritikos/core/reliability/dStudy';
import { gStudy } from '@kritikos/core/reliability/generalizability';
import { manyFacetRasch } from '@kritikos/core/reliability/manyFacetRasch';
import { asBadInput, BadInput } from './badInput.ts';
import { readMarks, termsOf } from './readMarks.ts';

/** Ability, difficulty and severity on one scale, from a long file of graded marks. */
export async function rasch(file: string, { facets }: { facets: string }) {
  const { marks, factors, missing } = await readMarks(file, termsOf(facets));
  const result = asBadInput(() => manyFacetRasch(marks, factors));
  return {
    facets: Object.fromEntries(
      result.facets.map(({ name, elements, separation, reliability }, f) => [
        name,
        {
          separation,
          reliability,
          elements: elements.map(({ level, ...rest }) => ({
            name: factors[f]?.names[level],
            ...rest,
          })),
        },
      ]),
    ),
    thresholds: result.thresholds,
    grades: result.grades,
    iterations: result.iterations,
    n: result.n,
    missing,
    notes: result.notes,
  };
}

export interface DStudyFlags {
  facets: string;
  nested?: string;
  sizes: string;
  cut?: number;
  wished?: number;
  minutes: number;
  hours?: number;
}

/** Variance components of a design, and what designs of other sizes would be worth. */
export async function dstudy(file: string, flags: DStudyFlags) {
  const names = termsOf(flags.facets);
  const object = names[0] as string;
  const nested = nestingDeclared(flags.nested, names);
  const ranges = sizesOf(flags.sizes, names.slice(1));
  const { marks, factors, missing } = await readMarks(file, names);
  const candidates = factors[0]?.levels ?? 0;
  return asBadInput(() => {
    const study = gStudy(
      marks,
      factors.map((factor) => {
        const within = nested.get(factor.name);
        return within === undefined ? factor : { ...factor, within };
      }),
    );
    const designs = dStudyGrid(study.components, ranges, object);
    const { cut, wished, minutes, hours } = flags;
    return {
      components: study.components,
      method: study.method,
      mean: study.mean,
      n: study.n,
      missing,
      designs: designs.map(({ sizes, ...rest }) => ({
        ...sizes,
        ...rest,
        ...(cut === undefined
          ? {}
          : {
              dependabilityAtCut: dependabilityAtCut(
                study.components,
                sizes,
                { mean: study.mean, cut, candidates },
                object,
              ),
            }),
      })),
      ...(wished === undefined
        ? {}
        : { cheapest: cheapestDesign(designs, wished, { minutes, candidates }, hours) }),
      notes: study.notes,
    };
  });
}

/** "examiner:station" says that examiners are nested in stations. */
function nestingDeclared(text: string | undefined, names: readonly string[]): Map<string, string> {
  const nested = new Map<string, string>();
  for (const pair of text?.split(',') ?? []) {
    const [inner = '', outer = ''] = pair.split(':').map((part) => part.trim());
    if (!names.includes(inner) || !names.includes(outer)) {
      throw new BadInput(`--nested takes facets of the model as inner:outer, not "${pair}".`);
    }
    nested.set(inner, outer);
  }
  return nested;
}

/** "station=8,12,16 examiner=1,2": the numbers to try for each facet. */
function sizesOf(text: string, names: readonly string[]): Record<string, number[]> {
  const ranges: Record<string, number[]> = {};
  for (const part of text.trim().split(/\s+/)) {
    const [name = '', numbers = ''] = part.split('=');
    const tried = numbers.split(',').map(Number);
    if (!names.includes(name) || tried.some((n) => !Number.isInteger(n) || n < 1)) {
      throw new BadInput(
        `--sizes takes numbers for each facet, as in "station=8,12 examiner=1,2", not "${part}".`,
      );
    }
    ranges[name] = tried;
  }
  const without = names.filter((name) => !(name in ranges));
  if (without.length > 0)
    throw new BadInput(`--sizes does not say how many of ${without.join(', ')}.`);
  return ranges;
}
