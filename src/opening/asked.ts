import type { SitePath } from '../core/address/path.ts';
import type { PlacedMenus } from '../core/check/placed.ts';
import type { PlacementSource } from '../core/inlay/placement.ts';
import type { FontFile, FontSource, PageFonts } from '../core/look/fonts.ts';
import type { PictureColors } from '../core/look/picture-ground.ts';
import type { OpenSite } from '../files/open-site.ts';

type SiteFonts = Pick<FontSource, 'open' | 'files' | 'page'>;
type OpenFont = FontSource['open'];

/** What is read of a site when it is asked for, each once: whatever looks are tried, it stays the same. */
export class AskedOfSite {
  readonly #site: OpenSite;
  #pageFonts: Promise<PageFonts> | null = null;
  #openFont: Promise<OpenFont> | null = null;
  #placed: Promise<PlacedMenus> | null = null;
  #below: Promise<ReadonlyMap<string, string[]>> | null = null;
  readonly #colors = new Map<string, Promise<readonly string[] | null>>();

  constructor(site: OpenSite) {
    this.#site = site;
  }

  /**
   * The fonts of the site. What reads font files is large, and loaded only where a file is one that text is in.
   * @param named files that the plan names
   */
  async fonts(named: readonly SitePath[]): Promise<SiteFonts> {
    const { files } = this.#site.facts;
    const page = await (this.#pageFonts ??= pageFontsOf(this.#site));
    const isNeeded = [...named, ...page.faces.flatMap(face => face.files)].some(file => files.has(file));
    const open = isNeeded ? await (this.#openFont ??= fontOpener(this.#site.root)) : (): null => null;
    return { open, files, page };
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

async function pageFontsOf({ facts, contents }: OpenSite): Promise<PageFonts> {
  const [{ pageFonts }, { PageReader }] = await Promise.all([
    import('../core/look/fonts.ts'),
    import('../core/page/reader.ts'),
  ]);
  const page = facts.front ?? [...facts.pages].sort()[0] ?? null;
  return pageFonts(page, new PageReader(contents));
}

async function fontOpener(root: string): Promise<OpenFont> {
  const { fontIn } = await import('../files/font.ts');
  const known = new Map<string, FontFile | null>();
  return file => {
    if (!known.has(file)) known.set(file, fontIn(root, file));
    return known.get(file)!;
  };
}
