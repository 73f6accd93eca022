import type { HandSite } from '../hand/types.ts';
import { lacksViewport } from '../inlay/findings.ts';
import { type Finding, finding } from '../text/finding.ts';

export function sameName(name: string): Finding {
  return finding(
    'same-menu-name',
    null,
    `two menus are called \`${name}\``,
    'Name them:  --from foot="footer ul"',
  );
}

export function planThere(file: string): Finding {
  return finding(
    'plan-there',
    { file },
    'there is a plan already; it was left as it is',
    'Write over it with --force, or see a draft with --dry-run.',
  );
}

/** Pages on which no menu would fold on a phone. */
export function withoutViewport(site: HandSite): Finding[] {
  const pages = [...site.pages].filter(([, page]) => !page.frame.hasViewport && !page.frame.isFrameset);
  return pages.length === 0 ? [] : [lacksViewport(pages.map(([path]) => path))];
}
