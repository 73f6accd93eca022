import { type SitePath, normalizePath } from '../address/path.ts';
import type { MenuPictures, PictureFile, PictureState } from '../plan/picture-types.ts';
import { pictureStates } from '../plan/parts/pictures.ts';
import type { Mark } from '../plan/types.ts';
import { hookName } from '../target/destination.ts';
import { listed, nearest } from '../text/nearest.ts';
import type { Ground } from './ground.ts';
import {
  type NamePattern,
  PictureFiles,
  denseFile,
  isPictureFile,
  looseName,
  namesFor,
  noPictureOf,
} from './picture-names.ts';
import { tellSame, tellStates } from './tell-pictures.ts';
import { unknownMenu } from './unknown-menu.ts';
import type { EntryFiles, PictureSources, ResolvedEntry, ResolvedMenu } from './types.ts';

/** The menus with the pictures that the plan gives them; what is wrong is told. */
export function picturedMenus(menus: readonly ResolvedMenu[], ground: Ground): ResolvedMenu[] {
  let all = [...menus];
  for (const pictures of ground.plan.pictures) {
    const own = menus.filter(one => one.name === pictures.menu);
    if (isWrong(pictures, own, ground)) continue;
    const earlier = ground.plan.pictures.find(one => one.menu === pictures.menu)!;
    if (earlier !== pictures) {
      const message = `\`${pictures.menu}\` has pictures already`;
      ground.tell('clashing-keys', pictures.mark, message, 'Keep one of them.');
      continue;
    }
    all = all.map(menu =>
      menu.name === pictures.menu
        ? { ...menu, pictures: new Pairing(pictures, menu, ground).sources() }
        : menu,
    );
  }
  return all;
}

function isWrong({ menu, mark }: MenuPictures, [own]: readonly ResolvedMenu[], ground: Ground): boolean {
  const names = ground.plan.menus.map(one => one.name);
  if (!names.includes(menu)) {
    ground.findings.push(unknownMenu(menu, names, ground.source.place(mark.start, mark.end)));
    return true;
  }
  if (!own || own.shows === 'entries') return false;
  ground.tell(
    'no-effect',
    mark,
    `the entries of \`${menu}\` are others on each page, and have no pictures`,
    'Give pictures to a menu whose entries the plan names.',
  );
  return true;
}

/** Finds the pictures of each entry of one menu. */
class Pairing {
  readonly #pictures: MenuPictures;
  readonly #menu: ResolvedMenu;
  readonly #ground: Ground;
  readonly #entries: readonly ResolvedEntry[];
  /** States in which the plan says that the picture at rest is shown, each behind its entry. */
  readonly #said = new Set<string>();

  constructor(pictures: MenuPictures, menu: ResolvedMenu, ground: Ground) {
    this.#pictures = pictures;
    this.#menu = menu;
    this.#ground = ground;
    this.#entries = menu.entries.filter(one => one.leadsTo.kind !== 'insert');
  }

  sources(): PictureSources {
    const { origin, height, currentChanges, inFold, mark } = this.#pictures;
    const shared = { height, currentChanges, inFold, mark };
    if (origin.kind === 'strip') return { ...shared, entries: [], strip: this.#strip(origin.strip) };
    const entries =
      origin.kind === 'table' ? this.#rows(origin.rows) : this.#found(origin.pattern, origin.mark);
    tellStates(entries, {
      mark,
      ground: this.#ground,
      isSaid: (hook, state) => this.#said.has(`${hook} ${state}`),
      remedy: state => this.#remedy(state),
    });
    tellSame(entries, this.#ground);
    return { ...shared, entries, strip: null };
  }

  #remedy(state: PictureState): string {
    const { origin, words } = this.#pictures;
    if (origin.kind !== 'pattern') return `name the picture at rest as \`${state}\` too`;
    const all = new Set([...words[state], ...words.base].filter(Boolean));
    return `words: { ${state}: [${[...all, '""'].join(', ')}] }`;
  }

  #tell(...told: Parameters<Ground['tell']>): void {
    this.#ground.tell(...told);
  }

  /** An entry by its label or its name. */
  #entry(written: string, mark: Mark): ResolvedEntry | null {
    const wanted = looseName(written);
    const namesOf = (one: ResolvedEntry): string[] => [one.label, one.hook, hookName(one.leadsTo) ?? ''];
    const found = this.#entries.find(one => namesOf(one).some(name => looseName(name) === wanted));
    if (found) return found;
    const near = nearest(written, this.#entries.flatMap(namesOf));
    this.#tell(
      'unknown-entry',
      mark,
      `\`${this.#menu.name}\` has no entry \`${written}\``,
      near
        ? `Did you mean \`${near}\`?`
        : `Its entries: ${listed(
            this.#entries.map(one => one.label),
            'and',
          )}.`,
    );
    return null;
  }

  #file({ written, mark }: PictureFile): SitePath | null {
    const path = normalizePath(written);
    const { files } = this.#ground.site;
    if (path !== null && files.has(path) && isPictureFile(path)) return path;
    this.#tell('missing-file', mark, ...noPictureOf(path ?? written, files));
    return null;
  }

  #strip(strip: Extract<MenuPictures['origin'], { kind: 'strip' }>['strip']): PictureSources['strip'] {
    const file = this.#file(strip.file);
    const named = strip.entries?.flatMap(({ written, mark }) => this.#entry(written, mark) ?? []);
    const columns = (named ?? this.#entries).map(({ hook, label }) => ({ hook, label }));
    if (file === null || columns.length < (strip.entries?.length ?? 0)) return null;
    const { states, from, widths, heights, gap, mark } = strip;
    const twice = states.find((one, at) => states.indexOf(one) !== at);
    if (twice) {
      this.#tell('clashing-keys', mark, `two rows are \`${twice}\``, 'Name each state once.');
      return null;
    }
    if (!states.includes('base')) {
      this.#tell(
        'missing-key',
        mark,
        'no row is `base`, the buttons at rest',
        'Name the rows from above:  states: [base, hover]',
      );
      return null;
    }
    const dense = this.#dense(file);
    return {
      file,
      dense,
      states,
      columns: from === 'right' ? [...columns].reverse() : columns,
      ...{ widths, heights, gap, mark },
    };
  }

  #dense(file: SitePath): SitePath | null {
    const dense = denseFile(file);
    return this.#ground.site.files.has(dense) ? dense : null;
  }

  #rows(rows: Extract<MenuPictures['origin'], { kind: 'table' }>['rows']): EntryFiles[] {
    return rows.flatMap(({ entry, mark, files }) => {
      const found = this.#entry(entry, mark);
      if (!found) return [];
      const all: EntryFiles['files'] = {};
      for (const state of pictureStates) {
        const file = files[state] && this.#file(files[state]);
        if (!file) continue;
        if (file === all.base?.path) this.#said.add(`${found.hook} ${state}`);
        else all[state] = { path: file, dense: this.#dense(file), mark: files[state]!.mark };
      }
      const { hook, label } = found;
      if (all.base) return [{ hook, label, files: all }];
      if (!files.base)
        this.#tell(
          'missing-key',
          mark,
          `\`${label}\` has no picture at rest`,
          'Name it:  base: buttons/visit.png',
        );
      return [];
    });
  }

  #found(pattern: string, mark: Mark): EntryFiles[] {
    const { words } = this.#pictures;
    const language = this.#menu.language?.tag ?? '';
    const names: NamePattern = { pattern, words, language };
    const files = new PictureFiles(this.#ground.site.files, pattern);
    const pairs = this.#entries.map(entry => ({
      entry,
      found: this.#ofEntry(entry, { names, files, mark }),
    }));
    const used = new Set(pairs.flatMap(({ found }) => Object.values(found).map(one => one.path)));
    const free = files.all.filter(file => !used.has(file));
    return pairs.flatMap(({ entry: { hook, label, leadsTo }, found }) => {
      if (found.base) return [{ hook, label, files: found }];
      const wanted = namesFor(names, hookName(leadsTo) ?? hook, 'base');
      const near = wanted.flatMap(name => nearest(name, free) ?? [])[0];
      const others = Object.keys(found).length > 0 ? ' at rest' : '';
      this.#tell(
        'no-picture',
        mark,
        `\`${label}\` has no picture${others}, and shows its text: there is no ${listed(wanted.map(one => `\`${one}\``))}`,
        near
          ? `The nearest is \`${near}\`: name it so, or write the files under \`entries\`.`
          : 'Add the file, or write the files under `entries`. `kamino pictures --list` shows what was found.',
      );
      return [];
    });
  }

  /** By the page's file name, else the label, else the name of the entry. */
  #ofEntry(
    { leadsTo, label, hook }: ResolvedEntry,
    { names, files, mark }: { names: NamePattern; files: PictureFiles; mark: Mark },
  ): EntryFiles['files'] {
    for (const name of [hookName(leadsTo), label, hook]) {
      const found: EntryFiles['files'] = {};
      for (const state of name === null ? [] : pictureStates) {
        const all = namesFor(names, name!, state)
          .map(one => files.find(one))
          .find(one => one.length > 0);
        if (!all) continue;
        const [path, other] = all;
        if (path === found.base?.path) {
          this.#said.add(`${hook} ${state}`);
          continue;
        }
        if (other !== undefined)
          this.#tell(
            'same-picture',
            mark,
            `\`${path!}\` and \`${other}\` are both the picture of \`${label}\` in the state \`${state}\`; the first is taken`,
            'Keep one of them.',
          );
        found[state] = { path: path!, dense: this.#dense(path!), mark };
      }
      if (Object.keys(found).length > 0) return found;
    }
    return {};
  }
}
