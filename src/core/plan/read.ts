import type Joi from 'joi';
import { type Finding, finding, hasErrors } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { planProblems } from './problems.ts';
import { type WrittenPlan, planSchema } from './parts/plan.ts';
import { PlanPlaces } from './places.ts';
import { Conversion } from './convert.ts';
import type { Plan } from './types.ts';
import { type Value, readYaml } from './yaml.ts';

export interface PlanReading {
  /** What could be understood, so that its targets can be checked too; null where that is nothing. Use it for output only without errors. */
  plan: Plan | null;
  findings: Finding[];
}

/** Reads a plan: every problem of its text, keys and values at once. */
export function readPlan(source: Source): PlanReading {
  const text = readYaml(source);
  const findings = [...text.findings];
  // What is left of a plan that is too much is not what anybody meant.
  if (text.isCut) return { plan: null, findings };
  if (isEmpty(text.value) && !hasErrors(findings)) return { plan: null, findings: [emptyPlan(source)] };
  const { value, details } = validate(text.value);
  const told = planProblems(details, text, source);
  // What YAML swallowed shows up again as an empty or missing value: it has been told with its remedy.
  const isBroken = findings.some(one => one.rule === 'yaml-tab' || one.rule === 'yaml-syntax');
  const news = told.filter(one => !findings.some(earlier => sameLine(earlier, one)));
  findings.push(...news.filter(one => !(isBroken && one.rule === 'missing-key')));
  if (!value) return { plan: null, findings };
  const places = new PlanPlaces(text, source);
  const plan = new Conversion(places, Object.keys(value.languages ?? {})).plan(value);
  return { plan, findings: [...findings, ...places.findings] };
}

function isEmpty(value: Value): boolean {
  return (
    value === '' ||
    (Array.isArray(value) && value.length === 0) ||
    (typeof value === 'object' && Object.keys(value).length === 0)
  );
}

function emptyPlan(source: Source): Finding {
  return finding(
    'empty-plan',
    { file: source.file },
    'the plan is empty',
    'A plan begins so:\nkamino: 1\nmenus:\n  - menu: masthead\n    entries:\n      - index.html',
  );
}

function sameLine(one: Finding, other: Finding): boolean {
  return one.severity === 'error' && one.place?.position?.line === other.place?.position?.line;
}

/** Validates; what is wrong is taken out until the rest is right. */
function validate(value: Value): { value: WrittenPlan | null; details: Joi.ValidationErrorItem[] } {
  const options = { abortEarly: false, convert: true } as const;
  const first = planSchema.validate(value, options);
  if (!first.error) return { value: first.value, details: [] };
  let rest: unknown = structuredClone(value);
  let result: Joi.ValidationResult<WrittenPlan> = first;
  for (let round = 0; result.error && round < 8; round += 1) {
    for (const { path } of result.error.details) if (path.length) rest = without(rest, path);
    result = planSchema.validate(rest, options);
  }
  return { value: result.error ? null : result.value, details: first.error.details };
}

/** The value without what stands at the path; the other lines of a list keep their numbers. */
function without(value: unknown, path: readonly (string | number)[]): unknown {
  let parent = value as Record<string | number, unknown> | undefined;
  for (const step of path.slice(0, -1)) {
    parent = parent?.[step] as Record<string | number, unknown> | undefined;
    if (typeof parent !== 'object') return value;
  }
  const last = path.at(-1)!;
  if (Array.isArray(parent)) parent[Number(last)] = undefined;
  else if (parent) Reflect.deleteProperty(parent, last);
  return value;
}
