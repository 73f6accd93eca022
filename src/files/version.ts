import { readFileSync } from 'node:fs';

/** Of the package that this program is in. */
export const version = (
  JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as { version: string }
).version;
