import { KINDS, REGIONS, SOURCE_KINDS } from '@kritikos/catalogue/procedure';
import type { Procedure } from '@kritikos/catalogue/procedure';
import { MODES, SIGNS, STATES } from '@kritikos/core/catalogue/lesion';
import { RANGES } from '@kritikos/core/figure/pose';
import type { JointAngle } from '@kritikos/core/figure/pose';
import { AXIAL_SEGMENTS, LIMB_SEGMENTS } from '@kritikos/core/figure/segments';
import { BASE_POSITIONS, CLOSE_UPS, HAND_ROLES, SURFACES } from '@kritikos/core/figure/spec';
import { z } from 'zod';
import { procedureChecklist } from './checklists.ts';
import { parsed, readWhole, whyNotVersion } from './openFile.ts';
import { key, text } from './primitives.ts';

export const CATALOGUE_FORMAT = 'kritikos-catalogue';
export const CATALOGUE_VERSION = 1;

const said = text(400);
const share = z.number().min(0).max(1);
const segment = z.enum([...LIMB_SEGMENTS, ...AXIAL_SEGMENTS]);
const surface = z.enum(SURFACES);
const ANGLES = Object.keys(RANGES) as [JointAngle, ...JointAngle[]];
const angles = z.partialRecord(z.enum(ANGLES), z.number().min(-180).max(180));
const pose = z.strictObject({
  leg: angles.exactOptional(),
  otherLeg: angles.exactOptional(),
  arm: angles.exactOptional(),
  otherArm: angles.exactOptional(),
  axial: angles.exactOptional(),
});
const band = z.tuple([z.number(), z.number()]).refine(([low, high]) => low <= high, {
  error: 'the lower end lies above the upper',
});
const place = { segment, at: share, surface, other: z.boolean().exactOptional() };
const force = { ...place, byPatient: z.boolean().exactOptional() };

const decides = z.strictObject({ angle: z.enum(ANGLES), band });
const hands = z.array(z.strictObject({ ...place, role: z.enum(HAND_ROLES) }));
const forces = z.array(
  z.discriminatedUnion('kind', [
    z.strictObject({ ...force, kind: z.literal('straight'), towards: surface }),
    z.strictObject({ ...force, kind: z.literal('turn'), towards: z.enum(['inwards', 'outwards']) }),
    z.strictObject({ ...force, kind: z.literal('compress') }),
    z.strictObject({ ...force, kind: z.literal('distract') }),
  ]),
);
const props = z.array(
  z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('bolster'), under: z.strictObject({ segment, at: share }) }),
    z.strictObject({ kind: z.literal('step'), heightCm: z.number().positive().max(60) }),
    z.strictObject({ kind: z.enum(['wall', 'pole']) }),
    z.strictObject({
      kind: z.literal('tape'),
      from: z.strictObject(place),
      to: z.strictObject(place),
    }),
  ]),
);
const position = z.enum(BASE_POSITIONS);
const view = z.enum(['side', 'front', 'above', 'quarter']);
const closeUp = z.enum(CLOSE_UPS);

const figure = z.strictObject({
  position,
  pose,
  from: pose.exactOptional(),
  decides: decides.exactOptional(),
  hands,
  forces,
  props: props.exactOptional(),
  region: z.array(segment),
  view: view.exactOptional(),
  closeUp: closeUp.exactOptional(),
});

const school = z.strictObject({
  key,
  label: text(60),
  description: said,
  positions: said.exactOptional(),
  angles: said.exactOptional(),
  hands: said.exactOptional(),
  force: said.exactOptional(),
  order: said.exactOptional(),
  repetitions: said.exactOptional(),
  hold: said.exactOptional(),
  criterion: said.exactOptional(),
  means: said.exactOptional(),
  oneSide: z.literal(true).exactOptional(),
  drawn: z
    .strictObject({
      position: position.exactOptional(),
      pose: pose.exactOptional(),
      from: pose.exactOptional(),
      afresh: z.boolean().exactOptional(),
      band: band.exactOptional(),
      decides: decides.nullable().exactOptional(),
      hands: hands.exactOptional(),
      forces: forces.exactOptional(),
      props: props.exactOptional(),
      view: view.exactOptional(),
      closeUp: closeUp.exactOptional(),
    })
    .exactOptional(),
  figure: figure.exactOptional(),
});

const stage = z.string().exactOptional();
const signs = z.array(z.enum(SIGNS)).min(1);
const grade = z.int().min(0).max(3);
const reading = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('sign'),
    signs,
    stage,
    structures: z.array(z.string()).min(1).exactOptional(),
    doubtful: signs.exactOptional(),
    from: z.union([z.literal(2), z.literal(3)]).exactOptional(),
    faint: z.enum(['negative', 'equivocal']).exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('grade'),
    sign: z.enum(SIGNS),
    graded: z
      .strictObject({
        structure: z.string(),
        grades: z.tuple([grade, grade, grade]),
        raisedBy: z.string(),
      })
      .exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('site'),
    signs,
    sites: z.array(z.strictObject({ option: key, structures: z.array(z.string()).min(1) })),
    none: key,
    both: key.exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('stages'),
    signs,
    options: z.array(z.strictObject({ option: key, stages: z.array(z.string()) })),
  }),
]);

const whom = {
  structure: z.string(),
  state: z.enum(STATES),
  from: z.union([z.literal(1), z.literal(2), z.literal(3)]),
};

const worth = z.strictObject({
  of: said,
  sensitivity: share.exactOptional(),
  specificity: share.exactOptional(),
  kappa: z.number().min(-1).max(1).exactOptional(),
  text: said.exactOptional(),
  source: said,
  sourceKind: z.enum(SOURCE_KINDS),
});

/** Everything that the product knows of one procedure, as a file may say it. */
export const procedureSchema = z
  .strictObject({
    id: key,
    names: z.array(said).min(1),
    title: said,
    indication: said,
    region: z.enum(REGIONS),
    kind: z.enum(KINDS),
    structures: z.array(z.string()),
    patient: said,
    examiner: said,
    steps: z.array(said).min(1),
    schools: z.array(school).min(1),
    figure: figure.nullable(),
    loads: z.array(z.strictObject({ structure: z.string(), mode: z.enum(MODES), stage })),
    misleads: z.array(
      z.strictObject({
        lesion: z.strictObject({ structure: z.string(), state: z.enum(STATES) }),
        sign: z.enum(SIGNS),
        looksLike: said,
        avoidedBy: said,
      }),
    ),
    voids: z.array(z.strictObject({ ...whom, stage, why: said })),
    refrains: z
      .array(
        z.strictObject({
          ...whom,
          stage,
          why: text(160),
          items: z.array(key).min(1).exactOptional(),
          leaves: text(160).exactOptional(),
        }),
      )
      .exactOptional(),
    shownAs: z
      .array(
        z.strictObject({
          sign: z.enum(SIGNS),
          structures: z.array(z.string()).min(1).exactOptional(),
          words: text(240),
        }),
      )
      .exactOptional(),
    numbers: z.array(
      z.strictObject({
        item: key,
        healthy: z.number(),
        tolerance: z.number().nonnegative(),
        half: z.number().nonnegative(),
        by: z.array(
          z.strictObject({
            structure: z.string(),
            state: z.enum(STATES),
            values: z.tuple([z.number(), z.number(), z.number()]),
          }),
        ),
      }),
    ),
    findings: z.array(
      z.strictObject({
        key,
        text: text(160),
        options: z.array(z.strictObject({ key, label: text(40), call: z.int().nullable() })).min(2),
        reading,
        partly: z.array(key).exactOptional(),
        weight: z.number().positive().exactOptional(),
      }),
    ),
    positive: said,
    negative: said,
    rules: z.array(z.strictObject({ when: said, speaksFor: said })),
    confounders: z.array(said),
    doesNotProve: said,
    measurements: z.array(
      z.strictObject({
        what: said,
        landmarks: said,
        unit: text(12),
        instrument: said,
        normal: said,
        tolerance: said,
      }),
    ),
    worth: z.array(worth),
    followUp: z.array(key),
    sides: z.enum(['both', 'one view', 'none']),
    contraindications: z.array(said),
    checklist: procedureChecklist,
  })
  .superRefine(({ findings, schools, checklist }, context) => {
    for (const [i, finding] of findings.entries()) {
      const known = new Set(finding.options.map((option) => option.key));
      for (const option of optionsRead(finding.reading)) {
        if (known.has(option)) continue;
        const path = ['findings', i, 'reading'];
        context.addIssue({ code: 'custom', path, message: `no option named ${option}` });
      }
    }
    const own = new Set(schools.map((s) => s.key));
    if (!own.has(checklist.usualVariant)) {
      const path = ['checklist', 'usualVariant'];
      context.addIssue({ code: 'custom', path, message: 'is not one of the schools' });
    }
  }) satisfies z.ZodType<Procedure>;

function optionsRead(from: z.infer<typeof reading>): readonly string[] {
  switch (from.kind) {
    case 'sign':
    case 'grade':
      return [];
    case 'site':
      return [from.none, ...(from.both ? [from.both] : []), ...from.sites.map((s) => s.option)];
    case 'stages':
      return from.options.map((s) => s.option);
  }
}

/** The catalogue, whole or in part, as a file of its own. */
export const openCatalogue = z.strictObject({
  format: z.literal(CATALOGUE_FORMAT, { error: `must be "${CATALOGUE_FORMAT}"` }),
  version: z.literal(CATALOGUE_VERSION, {
    error: ({ input }) => whyNotVersion(input, [CATALOGUE_VERSION]),
  }),
  procedures: z
    .array(procedureSchema)
    .min(1)
    .superRefine((procedures, context) => {
      const first = new Map<string, number>();
      for (const [i, { id, followUp }] of procedures.entries()) {
        const before = first.get(id);
        if (before !== undefined) {
          const message = `is the procedure of /procedures/${before} once more`;
          context.addIssue({ code: 'custom', path: [i, 'id'], message });
        } else first.set(id, i);
        const own = followUp.indexOf(id);
        if (own < 0) continue;
        const path = [i, 'followUp', own];
        context.addIssue({ code: 'custom', path, message: 'is the procedure itself' });
      }
    }),
});
export type OpenCatalogue = z.infer<typeof openCatalogue>;

/** The published schema of the file, JSON Schema draft 2020-12. */
export function openCatalogueSchema(): object {
  return z.toJSONSchema(openCatalogue, { unrepresentable: 'any' });
}

export function asOpenCatalogue(procedures: readonly Procedure[]): object {
  return { format: CATALOGUE_FORMAT, version: CATALOGUE_VERSION, procedures };
}

/** Reads a catalogue file whole, or refuses it with every path and reason. */
export function readOpenCatalogue(content: string): OpenCatalogue {
  return readWhole(openCatalogue, parsed(content));
}
