import type { Look } from '../plan/types.ts';
import type { SitePath } from '../address/path.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import {
  type FontFace,
  type PageType,
  familiesOf,
  pageTypeOf,
  readFontFaces,
  sizeOf,
  weightOf,
} from '../page/fonts.ts';
import type { PageReader } from '../page/reader.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { emptyLook } from '../plan/read-look.ts';
import { fallbackWidth } from './fallbacks.ts';
import { type Measure, type MenuFit, type MenuType, fitOf } from './fit.ts';
import { mergeLooks } from './merge.ts';

/** A font file that texts are measured with. */
export interface FontFile {
  /** Advance width in em, with kerning and shaping; null where it lacks a letter of the text. */
  widthOf: (text: string, weight: number) => number | null;
  /** Its letters as a path on a base line at 0; null where it lacks a letter. */
  outlineOf: (text: string, weight: number, spacing: LetterSpacing) => Outline | null;
}

/** Between letters, and between words beside that; in em. */
export interface LetterSpacing {
  letters: number;
  words: number;
}

/** A text as a path of SVG in thousandths of an em, with its measures in em. */
export interface Outline {
  path: string;
  width: number;
  ascent: number;
  descent: number;
}

/** What menus are measured with. */
export interface FontSource {
  look: Look | null;
  /** The plan. */
  source: Source;
  /** A font file of the site; null where it is not there, or no font that can be read. */
  open: (file: SitePath) => FontFile | null;
  files: ReadonlySet<SitePath>;
  /** The type and the font files of a page’s text. */
  page: PageFonts;
}

export interface PageFonts {
  type: PageType;
  faces: readonly FontFace[];
}

/** The font of a menu, as far as the site has it. */
export interface MenuFont {
  family: string | null;
  /** The files that it is measured with; none where only system fonts are named. */
  files: string[];
  /** The same with the family and weights that they are for. */
  faces: { family: string; weight: readonly [number, number]; file: string }[];
  type: MenuType;
  measure: Measure;
  /** A text as a path; null where no font file of the site has it. */
  outline: (text: string, weight: number, spacing: LetterSpacing) => Outline | null;
  /** What all that holds for the menu says. */
  look: Look;
}

/** Measures menus with the fonts of a site. */
export class MenuFonts {
  readonly findings: Finding[] = [];
  readonly #given: FontSource;
  readonly #files = new Map<SitePath, FontFile | null>();
  readonly #fits = new Map<ResolvedMenu, MenuFit & { font: MenuFont }>();

  constructor(given: FontSource) {
    this.#given = given;
  }

  fit(menu: ResolvedMenu): MenuFit & { font: MenuFont } {
    const known = this.#fits.get(menu) ?? this.#fitOf(menu);
    this.#fits.set(menu, known);
    return known;
  }

  #fitOf(menu: ResolvedMenu): MenuFit & { font: MenuFont } {
    const look = mergeLooks(mergeLooks(emptyLook, this.#given.look), menu.look);
    const font = this.#font(look);
    return { ...fitOf(menu, look, font), font };
  }

  #font(look: Look): MenuFont {
    const { type: page, faces } = this.#given.page;
    const family = look.font.family ?? page.family;
    const size = look.font.size === null ? page.size : (sizeOf(look.font.size, page.size) ?? page.size);
    const weight = look.font.weight === null ? page.weight : weightOf(look.font.weight);
    const weights = Object.values(look.states).map(one => (one.weight === null ? 0 : weightOf(one.weight)));
    const type = { size, weight, boldest: Math.max(weight, ...weights) };
    const named = look.font.file === null ? null : this.#named(look);
    const first = family === null ? undefined : familiesOf(family)[0];
    const isItalic = look.font.style === 'italic';
    const own = facesOf(faces, isItalic).filter(face => face.family.toLowerCase() === first?.toLowerCase());
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
    const outline: MenuFont['outline'] = (text, wanted, spacing) => {
      const file = fileFor(wanted);
      return file === null ? null : (this.#open(file)?.outlineOf(text, wanted, spacing) ?? null);
    };
    const used = named === null ? ofFiles : given;
    return { family, files: [...files], faces: used, type, measure, outline, look };
  }

  /** The file that the plan names. */
  #named(look: Look): string | null {
    const path = look.font.file!;
    if (this.#open(path)) return path;
    const mark = look.marks['font.file'] ?? { start: 0, end: 1 };
    const isThere = this.#given.files.has(path);
    this.findings.push(
      finding(
        'missing-file',
        this.#given.source.place(mark.start, mark.end),
        isThere ? `\`${path}\` is no font that can be read` : `the site has no file \`${path}\``,
        'Name a font file of the site: TTF, OTF, WOFF or WOFF2.',
      ),
    );
    return null;
  }

  #open(path: SitePath): FontFile | null {
    const known = this.#files.get(path);
    if (known !== undefined) return known;
    const made = this.#given.files.has(path) ? this.#given.open(path) : null;
    this.#files.set(path, made);
    return made;
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

/** The type and the font files of a page; the browser’s own type where there is none. */
export function pageFonts(page: SitePath | null, reader: PageReader): PageFonts {
  const judged = page === null ? null : reader.judged(page);
  if (page === null || !judged) return { type: pageTypeOf([]), faces: [] };
  return {
    type: pageTypeOf(judged.rules),
    faces: reader.texts(page).flatMap(({ file, text }) => readFontFaces(text, file)),
  };
}

/** Slanted faces where there are any; a browser slants the upright ones, whose widths stay. */
function facesOf(faces: readonly FontFace[], isItalic: boolean): FontFace[] {
  const own = faces.filter(face => face.isItalic === isItalic);
  return own.length > 0 ? own : faces.filter(face => !face.isItalic);
}

function nearestFace(faces: readonly FontFace[], weight: number): FontFace | undefined {
  const away = ({ weight: [least, most] }: FontFace): number =>
    weight < least ? least - weight : weight > most ? weight - most : 0;
  return [...faces].sort((one, other) => away(one) - away(other))[0];
}
