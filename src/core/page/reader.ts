import { fileAtAddress, readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import type { Raw } from '../text/bytes.ts';
import { Source } from '../text/source.ts';
import { FrameReader } from './frame.ts';
import { ruleMatcher } from './select.ts';
import { type Sheet, type StyleRule, inlineRules, readStyles, sheetsOf } from './styles.ts';
import { type Tree, TreeBuilder, type TreeNode } from './tree.ts';
import type { Frame } from './types.ts';
import { Walk } from './walk.ts';
import { type Wanted, nothingWanted } from './wanted.ts';

/** Gives the files of a site; null for one that is not there or cannot be read. */
export interface PageFiles {
  raw: (page: SitePath) => Raw | null;
  sheet: (file: SitePath) => string | null;
}

interface SheetFile {
  text: string;
  rules: StyleRule[];
  isWhole: boolean;
}

const asksForMore = (text: string): boolean => /@import\b/i.test(text);

/** The style sheets of a site but for Kamino's, each file read and taken apart once. */
export class Sheets {
  readonly #read: PageFiles['sheet'];
  readonly #base: string;
  readonly #known = new Map<SitePath, SheetFile | null>();

  /** @param base where the site lies on its server */
  constructor(read: PageFiles['sheet'], base = '/') {
    [this.#read, this.#base] = [read, base];
  }

  /** The rules of a page in the order of its sheets, those that stand in the page itself last. */
  rules(page: SitePath, tree: Tree): StyleRule[] {
    return [...this.#files(page, tree).flatMap(one => one.rules), ...inlineRules(page, tree)];
  }

  /** The same sheet by sheet: those of a file are one list, whichever page asks. */
  ruleLists(page: SitePath, tree: Tree): (readonly StyleRule[])[] {
    return [...this.#files(page, tree).map(one => one.rules), inlineRules(page, tree)];
  }

  /** The text of each, with the file that it stands in. */
  texts(page: SitePath, tree: Tree): { file: SitePath; text: string }[] {
    const inside = sheetsOf(tree).flatMap(sheet =>
      sheet.kind === 'inside' ? [{ file: page, text: tree.raw.slice(sheet.start, sheet.end) }] : [],
    );
    return [...this.#files(page, tree).map(({ file, text }) => ({ file, text })), ...inside];
  }

  /** Whether all sheets of a page could be read, and none asks for another one. */
  areWhole(page: SitePath, tree: Tree): boolean {
    return sheetsOf(tree).every(sheet => {
      if (sheet.kind === 'inside') return !asksForMore(tree.raw.slice(sheet.start, sheet.end));
      const file = sheet.isOurs ? null : fileOf(sheet, page, this.#base);
      return sheet.isOurs || (file !== null && this.#file(file)?.isWhole === true);
    });
  }

  /** The rules of all files that pages have asked for so far. */
  get files(): Map<SitePath, readonly StyleRule[]> {
    return new Map([...this.#known].flatMap(([file, one]) => (one ? [[file, one.rules]] : [])));
  }

  #files(page: SitePath, tree: Tree): { file: SitePath; text: string; rules: StyleRule[] }[] {
    return sheetsOf(tree).flatMap(sheet => {
      const file = sheet.kind === 'file' && !sheet.isOurs ? fileOf(sheet, page, this.#base) : null;
      const known = file === null ? null : this.#file(file);
      return file === null || !known ? [] : [{ file, ...known }];
    });
  }

  #file(file: SitePath): SheetFile | null {
    const known = this.#known.get(file);
    if (known !== undefined) return known;
    const text = this.#read(file);
    const made =
      text === null ? null : { text, rules: readStyles(new Source(file, text)), isWhole: !asksForMore(text) };
    this.#known.set(file, made);
    return made;
  }
}

/** The file of the site that a linked style sheet is; null where it lies elsewhere. */
function fileOf({ href }: Extract<Sheet, { kind: 'file' }>, page: SitePath, base: string): SitePath | null {
  return fileAtAddress(readAddress(href, folderOf(page)), base);
}

/** A page with its frame and its tree, as a browser with scripts on has them. */
export interface JudgedPage {
  path: SitePath;
  frame: Frame;
  tree: Tree;
  rules: readonly StyleRule[];
  /** All of its style sheets are files of the site, and hold their rules themselves. */
  isWhole: boolean;
}

/** Pages of a site for what must look at them whole: each is read once, and only if somebody asks. */
export class PageReader {
  readonly #files: PageFiles;
  readonly #sheets: Sheets;
  readonly #pages = new Map<SitePath, { frame: Frame; tree: Tree } | null>();
  readonly #rules = new Map<SitePath, readonly StyleRule[]>();
  readonly #wanted: (raw: Raw) => Wanted;

  /** @param wanted what is sought in each page beside its frame */
  constructor(files: PageFiles, wanted: (raw: Raw) => Wanted = () => nothingWanted) {
    this.#files = files;
    this.#sheets = new Sheets(files.sheet);
    this.#wanted = wanted;
  }

  /** null where the page cannot be read. */
  page(path: SitePath): { frame: Frame; tree: Tree } | null {
    const known = this.#pages.get(path);
    if (known !== undefined) return known;
    const raw = this.#files.raw(path);
    const made = raw === null ? null : readFramed(path, raw, this.#wanted(raw));
    this.#pages.set(path, made);
    return made;
  }

  /** The same with the rules of its style sheets. */
  judged(path: SitePath): JudgedPage | null {
    const page = this.page(path);
    if (!page) return null;
    const rules = this.#rules.get(path) ?? this.#sheets.rules(path, page.tree);
    this.#rules.set(path, rules);
    return { path, ...page, rules, isWhole: this.#sheets.areWhole(path, page.tree) };
  }

  texts(path: SitePath): { file: SitePath; text: string }[] {
    const page = this.page(path);
    return page ? this.#sheets.texts(path, page.tree) : [];
  }

  /** The elements of a page that a selector finds, with their tree. */
  found(path: SitePath, selector: string): { nodes: TreeNode[]; tree: Tree } | null {
    const page = this.page(path);
    return page && { nodes: page.tree.nodes.filter(ruleMatcher(page.tree, selector)), tree: page.tree };
  }
}

function readFramed(path: SitePath, raw: Raw, wanted: Wanted): { frame: Frame; tree: Tree } {
  const walk = new Walk(raw, true);
  const reader = new FrameReader(path, walk, { ...wanted, end: true });
  const builder = new TreeBuilder(walk);
  walk.run([reader, builder]);
  const frame = reader.frame();
  return { frame, tree: builder.tree(frame.charset) };
}
