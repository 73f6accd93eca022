import { join } from 'node:path';
import { fallbackWidth } from '../core/look/fallbacks.ts';
import { type Measure, type MenuFit, type MenuType, fitOf } from '../core/look/fit.ts';
import { emptyLook, mergeLooks } from '../core/look/merge.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import type { Look } from '../core/plan/types.ts';
import {
  type FontFace,
  type PageType,
  familiesOf,
  pageTypeOf,
  readFontFaces,
  sizeOf,
  weightOf,
} from '../core/site/fonts.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import type { Source } from '../core/text/source.ts';
import type { FontFile } from '../files/font.ts';
import { PageStyles } from './page-styles.ts';
import type { OpenSite } from './project.ts';

/** The font of a menu, as far as the site has it. */
export interface MenuFont {
  family: string | null;
  /** The files that it is measured with; none where only system fonts are named. */
  files: string[];
  /** The same with the family and weights that they are for. */
  faces: { family: string; weight: readonly [number, number]; file: string }[];
  type: MenuType;
  measure: Measure;
}

/** Measures menus with the fonts of a site. */
export class MenuFonts {
  readonly findings: Finding[] = [];
  readonly #site: OpenSite;
  readonly #read: (file: string) => FontFile;
  readonly #files = new Map<string, FontFile | null>();
  readonly #look: Look | null;
  readonly #source: Source;
  readonly #page: { type: PageType; faces: FontFace[] };

  private constructor(
    site: OpenSite,
    { look, source, read }: { look: Look | null; source: Source; read: (file: string) => FontFile },
  ) {
    this.#site = site;
    this.#look = look;
    this.#source = source;
    this.#read = read;
    this.#page = pageFonts(site);
  }

  /** The font reader is loaded here, and only here. */
  static async open(site: OpenSite, look: Look | null, source: Source): Promise<MenuFonts> {
    const { knownFont } = await import('../files/font.ts');
    return new MenuFonts(site, { look, source, read: knownFont });
  }

  fit(menu: ResolvedMenu): MenuFit & { font: MenuFont } {
    const look = mergeLooks(mergeLooks(emptyLook, this.#look), menu.look);
    const font = this.#font(look);
    return { ...fitOf(menu, look, font), font };
  }

  #font(look: Look): MenuFont {
    const { type: page, faces } = this.#page;
    const family = look.font.family ?? page.family;
    const size = look.font.size === null ? page.size : (sizeOf(look.font.size, page.size) ?? page.size);
    const weight = look.font.weight === null ? page.weight : weightOf(look.font.weight);
    const weights = Object.values(look.states).map(one => (one.weight === null ? 0 : weightOf(one.weight)));
    const type = { size, weight, boldest: Math.max(weight, ...weights) };
    const named = look.font.file === null ? null : this.#given(look);
    const first = family === null ? undefined : familiesOf(family)[0];
    const own = faces.filter(face => !face.isItalic && face.family.toLowerCase() === first?.toLowerCase());
    const fileFor = (wanted: number): string | null =>
      named ?? nearestFace(own, wanted)?.files.find(file => this.#open(file)) ?? null;
    const files = new Set<string>();
    const measure: Measure = (text, wanted) => {
      const file = fileFor(wanted);
      const width = file === null ? null : this.#open(file)?.widthOf(text, wanted);
      if (file !== null) files.add(file);
      if (width !== null && width !== undefined) return { least: width, most: width };
      return fallbackWidth(text, family, wanted);
    };
    measure('', weight);
    const ofFiles = own.flatMap(({ family: name, weight: weightRange, files: all }) => {
      const file = all.find(one => this.#open(one));
      return file === undefined ? [] : [{ family: name, weight: weightRange, file }];
    });
    const given =
      named === null || first === undefined
        ? []
        : [{ family: first, weight: [1, 1000] as const, file: named }];
    return { family, files: [...files], faces: named === null ? ofFiles : given, type, measure };
  }

  /** The file that the plan names. */
  #given(look: Look): string | null {
    const path = look.font.file!;
    if (this.#open(path)) return path;
    const mark = look.marks['font.file'] ?? { start: 0, end: 1 };
    const isThere = this.#site.facts.files.has(path);
    this.findings.push(
      finding(
        'missing-file',
        this.#source.place(mark.start, mark.end),
        isThere ? `\`${path}\` is no font that can be read` : `the site has no file \`${path}\``,
        'Name a font file of the site: TTF, OTF, WOFF or WOFF2.',
      ),
    );
    return null;
  }

  #open(path: string): FontFile | null {
    const known = this.#files.get(path);
    if (known !== undefined) return known;
    const made = this.#site.facts.files.has(path) ? this.#tryRead(path) : null;
    this.#files.set(path, made);
    return made;
  }

  #tryRead(path: string): FontFile | null {
    try {
      return this.#read(join(this.#site.root, path));
    } catch {
      return null;
    }
  }
}

/** The widths in em at which bars that fold by their own room do so, by name: the widest of their languages. */
export function foldWidths(menus: readonly ResolvedMenu[], fonts: MenuFonts): Map<string, number> {
  const widths = new Map<string, number>();
  for (const menu of menus) {
    if (menu.fold.when !== 'crowded') continue;
    const { width, type } = fonts.fit(menu);
    const em = Math.ceil((width / type.size) * 1000) / 1000;
    widths.set(menu.name, Math.max(em, widths.get(menu.name) ?? 0));
  }
  return widths;
}

/** The type and the font files of the front page, else of the first page. */
function pageFonts(site: OpenSite): { type: PageType; faces: FontFace[] } {
  const page = site.facts.front ?? [...site.facts.pages].sort()[0];
  if (page === undefined) return { type: pageTypeOf([]), faces: [] };
  const styles = new PageStyles(site);
  const tree = styles.tree(page);
  if (!tree) return { type: pageTypeOf([]), faces: [] };
  return {
    type: pageTypeOf(styles.rules(page, tree)),
    faces: styles.texts(page, tree).flatMap(({ file, text }) => readFontFaces(text, file)),
  };
}

function nearestFace(faces: readonly FontFace[], weight: number): FontFace | undefined {
  const away = ({ weight: [least, most] }: FontFace): number =>
    weight < least ? least - weight : weight > most ? weight - most : 0;
  return [...faces].sort((one, other) => away(one) - away(other))[0];
}
