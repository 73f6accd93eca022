import type { SitePath } from '../address/path.ts';
import { mediaTypes } from '../text/media-types.ts';
import { nearest } from '../text/nearest.ts';
import type { MenuPictures, PictureState } from '../plan/picture-types.ts';

/** Whether a file is a picture by its ending. */
export const isPictureFile = (file: string): boolean =>
  mediaTypes[/\.[^./]*$/.exec(file.toLowerCase())?.[0] ?? '']?.startsWith('image/') === true;

/** What is said of a name that is none of a picture of the site, and what to do. */
export function noPictureOf(
  written: string,
  files: ReadonlySet<SitePath>,
): [message: string, remedy: string] {
  if (files.has(written)) return [`\`${written}\` is no picture`, kinds];
  const near = nearest(written, [...files].filter(isPictureFile));
  return [`the site has no file \`${written}\``, near ? `Did you mean \`${near}\`?` : kinds];
}
const kinds = 'Name a picture of the site: PNG, JPEG, GIF, WebP, AVIF or SVG.';

/** The same picture for dense screens: `visit@2x.png` of `visit.png`. */
export const denseFile = (file: SitePath): SitePath => file.replace(/(?=\.[^./]*$)/, '@2x');
const isDense = (file: SitePath): boolean => /@2x\.[^./]*$/i.test(file);

/** A name as people mean it: letter case, and what parts its words, do not count. */
export const looseName = (text: string): string =>
  text
    .normalize('NFC')
    .toLowerCase()
    .replace(/[\s_-]+/g, '-');

const ending = /\.(?:png|jpe?g|gif|webp|avif|svg)$/i;

/** What a pattern of file names stands for. */
export interface NamePattern {
  pattern: string;
  words: MenuPictures['words'];
  language: string;
}

/** The names that a file of an entry may have in a state, in the order in which they count. */
export function namesFor(
  { pattern, words, language }: NamePattern,
  entry: string,
  state: PictureState,
): string[] {
  const filled = pattern.replaceAll('{language}', language).replaceAll('{entry}', entry.replaceAll('/', '-'));
  if (!pattern.includes('{state}')) return state === 'base' ? [filled] : [];
  const all = [...words[state], ...(state === 'base' ? ['base', ''] : [])];
  return [...new Set(all)].map(word =>
    word === ''
      ? filled.replace(/[-_. ]\{state\}|\{state\}[-_ /]?/g, '')
      : filled.replaceAll('{state}', word),
  );
}

/** The pictures of a site, found by names as people mean them. */
export class PictureFiles {
  readonly #byName = new Map<string, SitePath[]>();
  readonly #hasEnding: boolean;
  /** All that may be meant. */
  readonly all: readonly SitePath[];

  /** @param pattern of their names: with an ending, or for any */
  constructor(files: Iterable<SitePath>, pattern: string) {
    this.#hasEnding = ending.test(pattern);
    this.all = [...files].filter(file => isPictureFile(file) && !isDense(file)).sort();
    for (const file of this.all) {
      const name = this.#nameOf(file);
      this.#byName.set(name, [...(this.#byName.get(name) ?? []), file]);
    }
  }

  /** The files of a name; the one that is written exactly so is the first. */
  find(name: string): readonly SitePath[] {
    const found = this.#byName.get(looseName(name)) ?? [];
    return found.includes(name) ? [name, ...found.filter(one => one !== name)] : found;
  }

  #nameOf(file: SitePath): string {
    return looseName(this.#hasEnding ? file : file.replace(ending, ''));
  }
}
