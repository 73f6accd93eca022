import { dirname, join } from 'node:path';
import { schemaFile } from '../core/manual/editor.ts';
import { planSchemaOf } from '../core/manual/schema.ts';
import { makeFolder } from './real.ts';
import { writeWhole } from './write.ts';

/** Puts the schema of plans beside a plan. */
export function writePlanSchema(planFile: string): void {
  const file = join(dirname(planFile), schemaFile);
  makeFolder(dirname(planFile), dirname(schemaFile));
  writeWhole(file, Buffer.from(`${JSON.stringify(planSchemaOf(), null, 2)}\n`));
}
