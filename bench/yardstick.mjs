// Reads every file of a folder and writes it into another, one after another.
import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const [from, to] = process.argv.slice(2);
copy('');

function copy(folder) {
  mkdirSync(join(to, folder), { recursive: true });
  for (const entry of readdirSync(join(from, folder), { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) copy(path);
    else writeFileSync(join(to, path), readFileSync(join(from, path)));
  }
}
