import { type Finding, finding } from '../text/finding.ts';

/** @param folder as the user sees it */
export function noPages(folder: string): Finding {
  return finding(
    'no-pages',
    { file: folder },
    'there are no HTML pages in this folder',
    'Name the folder of your pages.',
  );
}

export function sameName(name: string): Finding {
  return finding(
    'same-menu-name',
    null,
    `two menus are called \`${name}\``,
    'Name them:  --from foot="footer ul"',
  );
}
