import { type JsonSchema, planJsonSchema } from '../plan/json-schema.ts';
import { parts } from '../plan/parts/index.ts';

/** The schema of plans (JSON Schema 2020-12), with what the manual says of each key. */
export function planSchemaOf(): JsonSchema {
  return planJsonSchema((part, key) => {
    const record = parts[part].keys[key];
    return record ? record.means.split('\n\n')[0]!.replaceAll('`', '') : null;
  });
}
