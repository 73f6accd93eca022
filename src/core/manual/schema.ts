import { type JsonSchema, planJsonSchema } from '../plan/json-schema.ts';
import { keyPages } from './keys.ts';

/** The schema of plans (JSON Schema 2020-12), with what the manual says of each key. */
export function planSchemaOf(): JsonSchema {
  return planJsonSchema((part, key) => {
    if (part === 'languages' || part === 'looks') return null;
    const page = keyPages[part].find(one => one.key === key);
    return page ? page.means.split('\n\n')[0]!.replaceAll('`', '') : null;
  });
}
