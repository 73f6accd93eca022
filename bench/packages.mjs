// Documentation that others have made, as Debian packages: fetched once, and unpacked into memory.
import { execFileSync } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Each with the folder of its pages, where a menu can stand instead of what is there, and two of its pages. */
export const sets = {
  'openjdk-17-doc': {
    pages: 'usr/share/doc/openjdk-17-jre-headless',
    insteadOf: 'nav',
    entries: ['index.html', 'api/java.base/java/lang/String.html'],
  },
  'postgresql-doc-15': {
    pages: 'usr/share/doc/postgresql-doc-15/html',
    insteadOf: 'div.navheader',
    entries: ['index.html', 'preface.html'],
  },
  'python3.11-doc': {
    pages: 'usr/share/doc/python3.11/html',
    insteadOf: 'div.related',
    entries: ['index.html', 'glossary.html'],
  },
  'git-doc': { pages: 'usr/share/doc/git-doc', insteadOf: '#header', entries: ['git.html', 'git-add.html'] },
};

/** Copies the pages of a package to a folder. */
export function unpack(name, folder) {
  const kept = join(tmpdir(), 'kamino-bench-packages');
  mkdirSync(kept, { recursive: true });
  const find = () => readdirSync(kept).find(file => file.startsWith(`${name}_`));
  if (!find())
    execFileSync('apt-get', ['download', name], { cwd: kept, stdio: ['ignore', 'ignore', 'inherit'] });
  const whole = `${folder}-whole`;
  execFileSync('dpkg-deb', ['-x', join(kept, find()), whole]);
  // What a link leads to outside of the package is not there.
  const isWhole = path => existsSync(path) && (statSync(path).isDirectory() || statSync(path).isFile());
  cpSync(join(whole, sets[name].pages), folder, { recursive: true, dereference: true, filter: isWhole });
  rmSync(whole, { recursive: true });
}
