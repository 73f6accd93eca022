import { readdirSync } from 'node:fs';
import { joinPath } from '../core/address/path.ts';

/** What systems leave in any folder that somebody looks into. */
const left: ReadonlySet<string> = new Set(['.DS_Store', 'Thumbs.db', 'desktop.ini']);
const most = 3;

/** Files in a folder, and links, that are none of ours; a few of them tell enough. */
export function foreignIn(root: string, ours: ReadonlySet<string>): string[] {
  const found: string[] = [];
  const waiting = [''];
  for (let folder = waiting.pop(); folder !== undefined && found.length < most; folder = waiting.pop())
    for (const entry of readdirSync(`${root}/${folder}`, { withFileTypes: true })) {
      const path = joinPath(folder, entry.name);
      if (entry.isDirectory()) waiting.push(path);
      else if (!left.has(entry.name) && !ours.has(path) && found.length < most) found.push(path);
    }
  return found;
}
