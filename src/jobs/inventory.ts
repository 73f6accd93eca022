import { resolve } from 'node:path';
import { checkUnfinished } from '../core/check/index.ts';
import {
  type InventoryMenu,
  type InventoryNavigation,
  type InventoryPage,
  inventoryMenus,
  inventoryNavigations,
  inventoryPages,
  nextStep,
} from '../core/draft/inventory.ts';
import { withoutViewport } from '../core/draft/findings.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { noFolder, oddFolder } from '../files/folder-errors.ts';
import { planIn, fromUser, isFolder, isThere, shownPath } from '../files/paths.ts';
import { sitePlanAbove } from '../files/plan.ts';
import { type FolderOptions, openFolder } from '../opening/folder.ts';

export type {
  InventoryEntry,
  InventoryMenu,
  InventoryNavigation,
  InventoryPage,
} from '../core/draft/inventory.ts';

export interface Inventory {
  status: 0 | 1 | 2;
  site: string;
  pages: InventoryPage[];
  /** Files that are no pages. */
  otherFiles: number;
  menus: InventoryMenu[];
  /** What leads through the site beside them. */
  navigations: InventoryNavigation[];
  /** The command to go on with. */
  next: { command: string; about: string };
  findings: Finding[];
}

const nothing = {
  pages: [],
  otherFiles: 0,
  menus: [],
  navigations: [],
  next: { command: 'kamino draft', about: '' },
};

/** What a site has, and what is wrong in it. What Kamino put in is not counted. */
export function inventory(
  folder = '.',
  { threads, progress }: Pick<FolderOptions, 'threads' | 'progress'> = {},
): Inventory {
  const root = resolve(folder);
  const shown = shownPath(root);
  if (!isFolder(root))
    return {
      status: 2,
      site: shown,
      ...nothing,
      findings: [noFolder(root, 'Name the folder of your pages.')],
    };
  const { site, findings: ofFolder } = openFolder(root, {
    plan: planIn(root),
    isLifted: true,
    threads,
    progress,
  });
  const pages = inventoryPages(site);
  const above = isThere(planIn(root)) ? null : sitePlanAbove(root);
  const findings = sortFindings([
    ...oddFolder(root, { hasPages: pages.length > 0, above }),
    ...fromUser([...ofFolder, ...checkUnfinished(site), ...withoutViewport(site)], root),
  ]);
  return {
    status: hasErrors(findings) ? 1 : 0,
    site: shown,
    pages,
    otherFiles: site.files.size - pages.length,
    menus: inventoryMenus(site),
    navigations: inventoryNavigations(site),
    next: nextStep(site, folder),
    findings,
  };
}
