import { normalizePath } from '../address/path.ts';
import { readQuestions, readRules } from './read-proof.ts';
import type { WrittenPanels } from './parts/panels.ts';
import type { WrittenPlan } from './parts/plan.ts';
import type { WrittenToTop } from './parts/to-top.ts';
import type { PlanPath, PlanPlaces } from './places.ts';
import { EntryReader } from './read-entry.ts';
import { readLook, readLookUse } from './read-look.ts';
import { MenuReader } from './read-menu.ts';
import { readPictures } from './read-pictures.ts';
import type { Language, PanelGroup, Plan } from './types.ts';

/** Makes a plan from what is written; what is wrong only together is told to the places. */
export class Conversion {
  readonly #places: PlanPlaces;
  readonly #entries: EntryReader;
  readonly #menus: MenuReader;

  /** @param tags the languages of the plan */
  constructor(places: PlanPlaces, tags: readonly string[]) {
    this.#places = places;
    this.#entries = new EntryReader(places, tags);
    this.#menus = new MenuReader(places, this.#entries);
  }

  plan(written: WrittenPlan): Plan {
    return {
      site: this.#places.slashes(written.site, ['site']),
      output: this.#places.slashes(written.output, ['output']),
      read: this.#places.slashes(written.read, ['read']),
      leaveOut: written['leave-out'].map((glob, at) => this.#places.slashes(glob, ['leave-out', at])),
      skipTo: written['skip-to'],
      addsViewport: written.viewport === 'add',
      labels: this.#labels(written.labels),
      links: written.links,
      hashesOwnFiles: written['own-files'] === 'hashed',
      style: this.#style(written.style),
      languages: this.#languages(written.languages),
      menus: this.#menus.all(written),
      panels: (written.panels ?? []).flatMap((one, at) => (one ? this.#panels(one, ['panels', at]) : [])),
      pictures: (written.pictures ?? []).flatMap(
        (one, at) => (one ? readPictures(one, ['pictures', at], this.#places) : null) ?? [],
      ),
      toTop: this.#toTop(written['to-top']),
      questions: readQuestions(written.questions, this.#places),
      rules: readRules(written.rules, this.#places),
      look: readLookUse(written.look, ['look'], this.#places),
      looks: new Map(
        Object.entries(written.looks ?? {}).map(([name, look]) => [
          name,
          readLook(look, ['looks', name], this.#places),
        ]),
      ),
    };
  }

  #languages(written: WrittenPlan['languages'] = {}): Language[] {
    return Object.entries(written).map(([tag, { name, pages, words = {} }]) => {
      const path = ['languages', tag];
      const globs = pages?.map(glob => this.#places.slashes(glob, [...path, 'pages'])) ?? null;
      return { tag, name, pages: globs, words, mark: this.#places.mark(path) };
    });
  }

  #labels({ from, cut }: WrittenPlan['labels']): Plan['labels'] {
    const { value, by } = this.#entries.said(cut, ['labels', 'cut']);
    return { from, cut: value, cuts: by };
  }

  #panels(written: WrittenPanels, path: PlanPath): PanelGroup[] {
    const { panels: name, of, height, first } = written;
    const page = this.#places.slashes(written.page, [...path, 'page']);
    const menu = written.switch === 'tabs' ? name : written.switch;
    return [
      { name, page, of, menu, first: first ?? null, height, mark: this.#places.mark([...path, 'panels']) },
    ];
  }

  #toTop(written: WrittenToTop | undefined): Plan['toTop'] {
    if (!written) return null;
    const path = ['to-top'];
    const { value, by } = this.#entries.said(written.label, [...path, 'label']);
    const here = [...path, 'icon'];
    const icon = { written: this.#places.slashes(written.icon, here), mark: this.#places.mark(here) };
    return {
      corner: written.corner,
      showsAfter: written['shows-after'],
      size: written.size,
      label: value,
      labels: by,
      icon: written.icon === 'arrow' ? 'arrow' : icon,
      over: written.over === 'true',
      carriedBy: written['carried-by'].map(glob => this.#places.slashes(glob, [...path, 'carried-by'])),
      except: written.except.map(glob => this.#places.slashes(glob, [...path, 'except'])),
      look: written.look ? readLook(written.look, [...path, 'look'], this.#places) : null,
      mark: this.#places.mark(path),
    };
  }

  #style(written: string | undefined): Plan['style'] {
    if (written === undefined) return null;
    const mark = this.#places.mark(['style']);
    const path = normalizePath(this.#places.slashes(written, ['style']));
    if (path) return { path, mark };
    this.#places.tell(
      'outside-site',
      ['style'],
      '`style` lies outside the site',
      'Name a style sheet in the site’s folder.',
    );
    return null;
  }
}
