import type { SitePath } from '../address/path.ts';
import { mostFrequent } from '../text/frequent.ts';
import { navigationKinds } from './kinds.ts';
import { copyEntries } from './copy-entries.ts';
import { Cluster, leastAlike, leastShared } from './cluster.ts';
import type { HandMenu, HandSite } from './types.ts';

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
      if (cluster.has(key)) continue;
      const having = this.#having.get(key);
      if (having) having.push(cluster.at);
      else this.#having.set(key, [cluster.at]);
    }
    cluster.add(path, menu, keys);
  }

  /** The keys that the most clusters have met, so many that none is alike by these alone, and the other ones. */
  #oftenest(keys: readonly number[]): [often: number[], others: number[]] {
    const often: number[] = [];
    const others: number[] = [];
    const count = (key: number): number => this.#having.get(key)?.length ?? 0;
    for (const key of keys) {
      const rarest = often.length < leastShared - 1 ? -1 : count(often[0]!) < count(often[1]!) ? 0 : 1;
      if (rarest < 0) often.push(key);
      else if (count(often[rarest]!) >= count(key)) others.push(key);
      else others.push(...often.splice(rarest, 1, key));
    }
    return [often, others];
  }

  /** Clusters that have met enough of these keys to be alike. */
  #near(keys: readonly number[]): { cluster: Cluster; met: number }[] {
    if (this.#met.length < this.all.length) this.#met = new Int32Array(this.all.length * 2);
    this.#any.length = 0;
    const [often, others] = this.#oftenest(keys);
    for (const key of others)
      for (const at of this.#having.get(key) ?? []) {
        if (this.#met[at] === 0) this.#any.push(at);
        this.#met[at]! += 1;
      }
    for (const key of often) for (const at of this.#any) if (this.all[at]!.has(key)) this.#met[at]! += 1;
    const near = this.#any
      .filter(at => this.#met[at]! >= this.all[at]!.leastShared(keys.length))
      .map(at => ({ cluster: this.all[at]!, met: this.#met[at]! }));
    for (const at of this.#any) this.#met[at] = 0;
    return near;
  }
}
