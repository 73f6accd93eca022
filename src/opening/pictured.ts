import { type Sprites, withSprites } from '../core/look/menu-sprites.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { contentName } from '../files/own.ts';
import { encoded, openSharp, pictureTools } from '../files/rasters.ts';
import type { Resolution } from '../core/menu/resolve.ts';
import type { SiteFacts } from '../core/target/facts.ts';
import type { OpenSite } from '../files/open-site.ts';
import type { OpenPlan } from '../files/plan.ts';

/** What pictures are packed from. */
interface PictureSite {
  open: OpenPlan;
  site: OpenSite;
  facts: SiteFacts;
  resolution: Resolution;
}

/** The menus of a site with the pictures of their entries packed into one each. */
export async function packedSite({
  open,
  site,
  facts,
  resolution,
}: PictureSite): Promise<Omit<Sprites, 'told'> & { findings: Finding[] }> {
  const { source } = open;
  const sharp = await openSharp();
  const { menus } = resolution;
  if (sharp === null)
    return { menus, files: new Map(), packs: [], strips: [], findings: [noSharp(source.file)] };
  const sprites = await withSprites(menus, {
    ...pictureTools(sharp, site.root, site.onDisk),
    encoded: (raster, isLossy) => encoded(sharp, raster, isLossy),
    name: contentName,
    text: facts.text,
  });
  const findings = sprites.told.map(({ rule, mark, message, remedy }) =>
    finding(rule, source.place(mark.start, mark.end), message, remedy),
  );
  return { ...sprites, findings };
}

const noSharp = (file: string): Finding =>
  finding(
    'words-only',
    { file },
    'pictures are read with `sharp`, which is not installed: their entries show their words',
    'Install it beside Kamino:  npm install sharp',
  );
