import { type Finding, finding } from '../text/finding.ts';

export function sameName(name: string): Finding {
  return finding(
    'same-menu-name',
    null,
    `two menus are called \`${name}\``,
    'Name them:  --from foot="footer ul"',
  );
}
