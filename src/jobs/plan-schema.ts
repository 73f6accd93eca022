import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { keyPages } from '../core/manual/keys.ts';
import { type JsonSchema, planJsonSchema } from '../core/plan/json-schema.ts';
import { writeWhole } from '../files/write.ts';

/** The schema beside a plan, by which an editor completes and checks it; the plan's first comment names it. */
export const schemaFile = '.kamino/plan.schema.json';

/** The schema of plans (JSON Schema 2020-12), with what the manual says of each key. */
export function planSchemaOf(): JsonSchema {
  return planJsonSchema((part, key) => {
    if (part === 'languages' || part === 'looks') return null;
    const page = keyPages[part].find(one => one.key === key);
    return page ? page.means.split('\n\n')[0]!.replaceAll('`', '') : null;
  });
}

/** Puts the schema beside a plan. */
export function writePlanSchema(planFile: string): void {
  const file = join(dirname(planFile), schemaFile);
  mkdirSync(dirname(file), { recursive: true });
  writeWhole(file, Buffer.from(`${JSON.stringify(planSchemaOf(), null, 2)}\n`));
}
