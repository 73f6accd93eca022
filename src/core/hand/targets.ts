import type { SitePath } from '../address/path.ts';
import type { LinkEnd } from '../site/links.ts';

/** Where an entry leads, as a key; null for what leads nowhere. */
export function targetKey(end: LinkEnd, href: string, page: SitePath): string | null {
  switch (end.kind) {
    case 'page':
    case 'file': {
      const hash = /#(.+)$/.exec(href)?.[1];
      return hash === undefined ? end.path : `${end.path}#${hash}`;
    }
    case 'away':
      return /^\s*javascript:/i.test(href) ? null : href.trim();
    case 'no-hash':
      return `${page}#${end.id}`;
    case 'other-case':
      return end.right;
    case 'empty':
    case 'no-file':
    case 'no-place':
    case 'foreign':
      return null;
  }
}
