import type { PlacedMenus } from '../core/check/placed.ts';
import type { PlacementSource } from '../core/inlay/placement.ts';
import type { FontFile, FontSource } from '../core/look/fonts.ts';
import type { PictureColors } from '../core/look/picture-ground.ts';
import { mayBeFont } from '../files/font-names.ts';
import type { OpenSite } from '../files/open-site.ts';

type SiteFonts = Pick<FontSource, 'open' | 'files' | 'page'>;

/** What is read of a site when it is asked for, each once: whatever looks are tried, it stays the same. */
export class AskedOfSite {
  readonly #site: OpenSite;
  #fonts: Promise<SiteFonts> | null = null;
  #placed: Promise<PlacedMenus> | null = null;
  #below: Promise<ReadonlyMap<string, string[]>> | null = null;
  readonly #colors = new Map<string, Promise<readonly string[] | null>>();

  constructor(site: OpenSite) {
    this.#site = site;
  }

  /** The fonts of the site. */
  fonts(): Promise<SiteFonts> {
    return (this.#fonts ??= fontsOf(this.#site));
  }

  /** Menus in their places, on some pages. */
  placed(source: PlacementSource): Promise<PlacedMenus> {
    const { facts, contents } = this.#site;
    return (this.#placed ??= import('../core/check/placed.ts').then(
      ({ PlacedMenus: Placed }) => new Placed(source, { pages: facts.pages, files: contents }),
    ));
  }

  /** What menus over the page lie on. */
  picturesBelow(placed: () => Promise<PlacedMenus>): Promise<ReadonlyMap<string, string[]>> {
    return (this.#below ??= Promise.all([import('../core/check/below-over.ts'), placed()]).then(
      ([{ picturesBelow }, menus]) => picturesBelow(menus),
    ));
  }

  /** The colours of pictures, as far as they are there and can be read. */
  async colors(names: readonly string[]): Promise<PictureColors> {
    const { root, facts } = this.#site;
    const files = [...new Set(names)].filter(file => facts.files.has(file));
    if (files.length === 0) return new Map();
    const { pictureColors } = await import('../files/picture-colors.ts');
    const all = new Map<string, readonly string[]>();
    for (const file of files) {
      const asked = this.#colors.get(file) ?? pictureColors(root, file);
      this.#colors.set(file, asked);
      const colors = await asked;
      if (colors) all.set(file, colors);
    }
    return all;
  }
}

async function fontsOf(site: OpenSite): Promise<SiteFonts> {
  const [{ pageFonts }, { PageReader }] = await Promise.all([
    import('../core/look/fonts.ts'),
    import('../core/page/reader.ts'),
  ]);
  const page = site.facts.front ?? [...site.facts.pages].sort()[0] ?? null;
  const hasFonts = [...site.facts.files].some(mayBeFont);
  const fontIn = hasFonts ? (await import('../files/font.ts')).fontIn : (): null => null;
  const known = new Map<string, FontFile | null>();
  const open = (file: string): FontFile | null => {
    if (!known.has(file)) known.set(file, fontIn(site.root, file));
    return known.get(file)!;
  };
  return { open, files: site.facts.files, page: pageFonts(page, new PageReader(site.contents)) };
}
