// Writes the documents that are made of the manual into docs/. With --check it only tells which are out of date.
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { format } from 'prettier';

const folder = mkdtempSync(join(tmpdir(), 'docs-'));
const outfile = join(folder, 'documents.mjs');
await build({
  entryPoints: ['src/core/manual/documents.ts'],
  outfile,
  bundle: true,
  format: 'esm',
  platform: 'node',
  // What a bundled CommonJS package needs of Node.
  banner: {
    js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
  },
});
const { documents } = await import(pathToFileURL(outfile).href);
rmSync(folder, { recursive: true });
const old = [];
for (const [name, text] of Object.entries(documents())) {
  const file = join('docs', name);
  const made = await format(text, { parser: 'markdown', printWidth: 110 });
  if (existsSync(file) && readFileSync(file, 'utf8') === made) continue;
  old.push(file);
  if (!process.argv.includes('--check')) writeFileSync(file, made);
}
if (old.length > 0)
  console.log(`${process.argv.includes('--check') ? 'out of date' : 'written'}: ${old.join(', ')}`);
if (process.argv.includes('--check') && old.length > 0) process.exitCode = 1;
