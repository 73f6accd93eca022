import type { SitePath } from '../address/path.ts';
import { mostFrequent } from '../text/frequent.ts';
import { navigationKinds } from './kinds.ts';
import { copyEntries } from './copy-entries.ts';
import type { HandMenu, HandSite } from './types.ts';

/** Menus on several pages that are alike enough to be copies of one. */
export class Cluster {
  /** Its number among those that are looked for. */
  readonly at: number;
  readonly copies = new Map<SitePath, HandMenu>();
  /** How often each label, and each target, has been met. */
  readonly counts = new Map<number, number>();
  #usual: number | null = null;
  /** How many keys have been met so often. */
  readonly #often: number[] = [];

  constructor(at: number) {
    this.at = at;
  }

  add(path: SitePath, menu: HandMenu, keys: readonly number[]): void {
    this.copies.set(path, menu);
    for (const key of keys) {
      const count = (this.counts.get(key) ?? 0) + 1;
      this.counts.set(key, count);
      this.#often[count] = (this.#often[count] ?? 0) + 1;
      if (count > 1) this.#often[count - 1]! -= 1;
    }
    this.#usual = null;
  }

  /**
   * Share of the smaller one's labels and targets that both have, and a little for standing at the same place.
   * @param met so many of these keys some copy has
   */
  alike(menu: HandMenu, keys: readonly number[], met: number): number {
    const [first] = this.copies.values();
    const nearness = (first!.element === menu.element ? 0.3 : 0) + (first!.region === menu.region ? 0.2 : 0);
    const score = (share: number): number => share * 0.8 + (nearness || -0.2);
    const smaller = Math.min(keys.length, this.#usualKeys());
    if (score(met / smaller) < leastAlike) return 0;
    // In one or two copies all is usual.
    const shared =
      this.copies.size <= 2 ? met : keys.filter(key => this.#isUsual(this.counts.get(key) ?? 0)).length;
    // A long list in the text of a page may have the few words of a menu among others.
    const larger = Math.max(keys.length, this.#usualKeys());
    const isOther = first!.element !== menu.element && larger > mostLonger * smaller;
    return shared < leastShared || shared / smaller < leastShare || isOther ? 0 : score(shared / smaller);
  }

  /** So many of its keys a menu of so many must have to be like these at all. */
  leastShared(keys: number): number {
    return Math.max(leastShared, leastShare * Math.min(keys, this.#usualKeys()));
  }

  #isUsual(count: number): boolean {
    return count * 2 >= this.copies.size;
  }

  #usualKeys(): number {
    if (this.#usual !== null) return this.#usual;
    let usual = 0;
    for (let count = Math.ceil(this.copies.size / 2); count < this.#often.length; count += 1)
      usual += this.#often[count] ?? 0;
    return (this.#usual = usual);
  }
}

const leastShared = 3;
const mostLonger = 3;
const leastShare = 0.4;
const leastAlike = 0.5;

/** The menus of a site with their copies. */
export function clustersOf(site: HandSite): Cluster[] {
  const keys = new Keys(site);
  const kinds = navigationKinds(site);
  const clusters = new Clusters();
  for (const [path, menus] of orderedPages(site)) {
    const own = menus.filter(menu => kinds.get(menu) === 'menu');
    clusters.place(
      path,
      own.map(menu => ({ menu, keys: keys.of(menu, path) })),
    );
  }
  return clusters.all.flatMap(one => byAreas(one, site, keys));
}

/** The folder of the site that a page lies in, at any depth. */
export const areaOf = (path: SitePath): string => /^[^/]*(?=\/)/.exec(path)?.[0] ?? '';

/** Fewer copies show nothing of an area, and fewer entries nothing of a menu. */
const leastInArea = 3;

/** Copies that are called the same, and lead into the part of the site that they stand in: each part has a menu of its own. */
function byAreas(cluster: Cluster, site: HandSite, keys: Keys): Cluster[] {
  const areas = new Map<string, [SitePath, HandMenu][]>();
  for (const [path, menu] of cluster.copies) {
    const copies = areas.get(areaOf(path));
    if (copies) copies.push([path, menu]);
    else areas.set(areaOf(path), [[path, menu]]);
  }
  const large = [...areas.values()].filter(copies => copies.length >= leastInArea);
  if (large.length < 2 || !leadIntoAreas(large, site)) return [cluster];
  return [...areas.values()].map(copies => {
    const own = new Cluster(cluster.at);
    for (const [path, menu] of copies) own.add(path, menu, keys.of(menu, path));
    return own;
  });
}

/** Most entries lead to one place from each part, and from each to another. */
function leadIntoAreas(areas: readonly (readonly [SitePath, HandMenu][])[], site: HandSite): boolean {
  const all = areas.map(copies => usualTargets(copies, site));
  let [apart, common] = [0, 0];
  for (const label of new Set(all.flatMap(one => [...one.keys()]))) {
    const targets = all.flatMap(one => one.get(label) ?? []);
    if (targets.length < 2) continue;
    if (new Set(targets).size === targets.length) apart += 1;
    else common += 1;
  }
  return apart >= leastInArea && apart > common;
}

/** Where each label leads on nearly all copies; null where there is no such place. */
function usualTargets(copies: readonly [SitePath, HandMenu][], site: HandSite): Map<string, string | null> {
  const counts = new Map<string, string[]>();
  for (const [path, menu] of copies)
    for (const { key, target } of copyEntries(menu, path, site))
      if (key !== '' && target !== null) {
        const targets = counts.get(key);
        if (targets) targets.push(target);
        else counts.set(key, [target]);
      }
  return new Map(
    [...counts].map(([key, targets]) => {
      const usual = mostFrequent(targets);
      const isUsual = targets.filter(one => one === usual).length * 10 >= copies.length * 8;
      return [key, isUsual ? usual : null];
    }),
  );
}

/** The front page first: it is what the copies are most likely copies of. */
function orderedPages(site: HandSite): [SitePath, readonly HandMenu[]][] {
  const all = [...site.candidates];
  return [...all.filter(([path]) => path === site.front), ...all.filter(([path]) => path !== site.front)];
}

/** Labels and targets of copies, each with a number of its own. */
class Keys {
  readonly #site: HandSite;
  readonly #labels = new Map<string, number>();
  readonly #targets = new Map<string, number>();

  constructor(site: HandSite) {
    this.#site = site;
  }

  of(menu: HandMenu, path: SitePath): number[] {
    const found = new Set<number>();
    for (const { key, target } of copyEntries(menu, path, this.#site)) {
      if (key !== '') found.add(numberIn(this.#labels, key) * 2);
      if (target !== null) found.add(numberIn(this.#targets, target) * 2 + 1);
    }
    return [...found];
  }
}

function numberIn(known: Map<string, number>, text: string): number {
  const number = known.get(text);
  if (number !== undefined) return number;
  known.set(text, known.size);
  return known.size - 1;
}

interface Keyed {
  menu: HandMenu;
  keys: readonly number[];
}

class Clusters {
  readonly all: Cluster[] = [];
  /** The numbers of the clusters that have met a label or a target. */
  readonly #having = new Map<number, number[]>();
  /** How many keys of the menu in hand each cluster has met; the numbers of those that have met any. */
  #met = new Int32Array(256);
  readonly #any: number[] = [];

  /** Gives each menu of a page to the cluster that it is most like; each takes one a page. */
  place(path: SitePath, menus: readonly Keyed[]): void {
    const pairs = menus.flatMap(({ menu, keys }, at) =>
      this.#near(keys).map(({ cluster, met }) => ({ at, cluster, score: cluster.alike(menu, keys, met) })),
    );
    pairs.sort(
      (one, other) => other.score - one.score || one.at - other.at || one.cluster.at - other.cluster.at,
    );
    const placed = new Set<number>();
    const taken = new Set<Cluster>();
    for (const { at, cluster, score } of pairs) {
      if (score < leastAlike || placed.has(at) || taken.has(cluster)) continue;
      placed.add(at);
      taken.add(cluster);
      this.#add(cluster, path, menus[at]!);
    }
    menus.forEach((one, at) => {
      if (placed.has(at)) return;
      const cluster = new Cluster(this.all.length);
      this.all.push(cluster);
      this.#add(cluster, path, one);
    });
  }

  #add(cluster: Cluster, path: SitePath, { menu, keys }: Keyed): void {
    for (const key of keys) {
      if (cluster.counts.has(key)) continue;
      const having = this.#having.get(key);
      if (having) having.push(cluster.at);
      else this.#having.set(key, [cluster.at]);
    }
    cluster.add(path, menu, keys);
  }

  /** Clusters that have met enough of these keys to be alike. */
  #near(keys: readonly number[]): { cluster: Cluster; met: number }[] {
    if (this.#met.length < this.all.length) this.#met = new Int32Array(this.all.length * 2);
    this.#any.length = 0;
    for (const key of keys)
      for (const at of this.#having.get(key) ?? []) {
        if (this.#met[at] === 0) this.#any.push(at);
        this.#met[at]! += 1;
      }
    const near = this.#any
      .filter(at => this.#met[at]! >= this.all[at]!.leastShared(keys.length))
      .map(at => ({ cluster: this.all[at]!, met: this.#met[at]! }));
    for (const at of this.#any) this.#met[at] = 0;
    return near;
  }
}
