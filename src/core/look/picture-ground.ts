import type { ResolvedMenu } from '../menu/types.ts';
import type { Picture } from '../plan/look-types.ts';
import { anyGround } from './grounds.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';

/** The colours of a picture by the name of its file: one for each of its parts, in any order. */
export type PictureColors = ReadonlyMap<string, readonly Hex[]>;

/** What is known of pictures behind labels. */
export interface Known {
  /** Of those that are grounds of menus. */
  pictures: PictureColors;
  /** Of those that a menu lies over, by the menu's name. */
  below: PictureColors;
  /** The menus over the page, and whether they stay in the window while it is scrolled. */
  over: ReadonlyMap<string, boolean>;
}

/**
 * What is known of what lies behind the labels of menus.
 * @param below the files that menus over the page lie on; those of which one cannot be read are not known
 */
export function knownBehind(
  menus: readonly Pick<ResolvedMenu, 'name' | 'over' | 'stays'>[],
  below: ReadonlyMap<string, readonly string[]>,
  pictures: PictureColors,
): Known {
  const isRead = (file: string): boolean => pictures.has(file);
  return {
    pictures,
    below: new Map(
      [...below]
        .filter(([, files]) => files.every(isRead))
        .map(([name, files]) => [name, files.flatMap(file => pictures.get(file)!)]),
    ),
    over: new Map(menus.filter(menu => menu.over).map(menu => [menu.name, menu.stays !== null])),
  };
}

export const nothingKnown: Known = { pictures: new Map(), below: new Map(), over: new Map() };

/** So many colours of a picture stand for all of it. */
const steps = 16;
/** What covers less of a picture than this is not counted: a star in a night sky. */
const rare = 0.01;

/**
 * What lies behind labels on a picture: from its darkest part to its lightest, in even steps.
 * @param under what is seen through it and around it; null where only the page knows
 * @returns null where the picture is not known
 */
export function pictureGround(
  picture: Picture,
  { colors, under, tools }: { colors: PictureColors; under: Ground | null; tools: ColorTools },
): Ground | null {
  const parts = colors.get(picture.file);
  if (!parts || parts.length === 0) return null;
  const behind = under ?? anyGround;
  return [...new Set([...evenGround(parts, behind, tools), ...(fills(picture) ? [] : behind)])];
}

/** From the darkest part to the lightest, in even steps. @param behind what translucent parts lie on */
export function evenGround(parts: readonly Hex[], behind: Ground, tools: ColorTools): Ground {
  const seen = parts.flatMap(hex => (tools.isOpaque(hex) ? [hex] : [...tools.over(hex, behind)]));
  const byLight = seen
    .map(hex => ({ hex, light: tools.contrast(hex, '#000000') }))
    .sort((one, other) => one.light - other.light);
  const cut = Math.floor(byLight.length * rare);
  const kept = byLight.slice(cut, byLight.length - cut);
  const last = kept.length - 1;
  return [
    ...new Set(Array.from({ length: steps }, (_, at) => kept[Math.round((last * at) / (steps - 1))]!.hex)),
  ];
}

/** All of the menu is under it, but for what it lets through. */
const fills = ({ fill }: Picture): boolean => fill === 'cover' || fill === 'repeat';

/** The page itself is seen through the picture, or around it. */
export function showsPage(
  picture: Picture,
  { colors, under, tools }: { colors: PictureColors; under: Ground | null; tools: ColorTools },
): boolean {
  const parts = colors.get(picture.file);
  if (!parts) return true;
  return under === null && !(fills(picture) && parts.every(hex => tools.isOpaque(hex)));
}
