import type { SitePath } from '../address/path.ts';
import { hasSheets } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { innermostAt } from '../page/innermost.ts';
import type { JudgedPage } from '../page/reader.ts';
import { ruleMatcher } from '../page/select.ts';
import type { StyleRule } from '../page/styles.ts';
import type { TreeNode } from '../page/tree.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { PlacedMenus } from './placed.ts';

/**
 * What of a page's own style sheets keeps a menu from staying, cuts its submenus off, or lies over them: as far as style
 * sheets tell, on one page of each folder.
 */
export function aroundMenus(placed: PlacedMenus): Finding[] {
  const ofStaying = new Map<string, Finding>();
  const ofSheets = new Map<string, Finding>();
  let around: Around | null = null;
  for (const { menu, page, point } of placed.of(one => one.stays !== null || hasSheets(one))) {
    if (around?.page !== page) around = new Around(page);
    const holder = point.kind === 'at' ? innermostAt(page.tree, point.at) : null;
    const clip = menu.stays === null || menu.over ? null : around.clip(menu, holder);
    if (clip)
      ofStaying.set(`${menu.name} ${clip.place.file} ${clip.selector}`, clipped(menu, clip, page.path));
    const told = hasSheets(menu) ? [around.cut(menu, holder), around.covered(menu, holder)] : [];
    for (const one of told)
      if (one) ofSheets.set(`${one.rule} ${menu.name} ${one.place?.file} ${one.message}`, one);
  }
  return [...ofStaying.values(), ...ofSheets.values()];
}

/** The style rules of a page that hold at any width, asked about the elements around a menu. */
class Around {
  readonly page: JudgedPage;
  readonly #rules: readonly StyleRule[];
  readonly #clipping: readonly StyleRule[];

  constructor(page: JudgedPage) {
    this.page = page;
    this.#rules = page.rules.filter(one => one.condition === null);
    this.#clipping = this.#rules.filter(rule =>
      rule.declarations.some(one => isOverflow(one.property) && /hidden|auto|scroll/.test(one.value)),
    );
  }

  /** The rule by which an element around the one that stays clips. Of root and body it is the window that scrolls. */
  clip(menu: ResolvedMenu, holder: TreeNode | null): StyleRule | null {
    const { selector } = menu.stays!;
    const inside = selector === null ? holder : this.#find(selector);
    // What stays itself may clip what it holds.
    for (const node of upwards(selector === null ? inside : (inside?.parent ?? null))) {
      const rule = this.#clipping.find(one => this.#matches(one, node));
      if (rule) return rule;
    }
    return null;
  }

  cut(menu: ResolvedMenu, holder: TreeNode | null): Finding | null {
    const cutting = this.#rules.filter(rule =>
      /hidden|clip|auto|scroll/.test(valueOf(rule, isOverflow) ?? ''),
    );
    for (const node of upwards(holder)) {
      const rule = cutting.find(one => this.#matches(one, node));
      if (rule)
        return finding(
          'submenu-hidden',
          rule.place,
          `submenus of \`${menu.name}\` are cut off on ${this.page.path}: an element around it clips what it holds, by \`${rule.selector}\``,
          'Take that overflow out; where it holds floats together, write  display: flow-root.',
        );
    }
    return null;
  }

  /** A layer of its own around the menu, and a part behind it that lies higher. */
  covered(menu: ResolvedMenu, holder: TreeNode | null): Finding | null {
    const layers = this.#rules.flatMap(rule => {
      const value = valueOf(rule, name => name === 'z-index');
      return value !== null && /^-?\d+$/.test(value) ? [{ rule, level: Number(value) }] : [];
    });
    for (const node of upwards(holder)) {
      const own = layers.findLast(({ rule }) => this.#matches(rule, node));
      if (!own) continue;
      const behind = this.#behind(node);
      const higher = layers.find(
        ({ rule, level }) => level >= own.level && behind.some(one => this.#matches(rule, one)),
      );
      if (higher)
        return finding(
          'submenu-hidden',
          own.rule.place,
          `submenus of \`${menu.name}\` lie below \`${higher.rule.selector}\` on ${this.page.path}: \`${own.rule.selector}\` around them has the z-index ${own.level}, and that part ${higher.level}`,
          `Give \`${own.rule.selector}\` a higher one:  z-index: ${higher.level + 1}`,
        );
    }
    return null;
  }

  #behind(node: TreeNode): TreeNode[] {
    const { nodes } = this.page.tree;
    return nodes.slice(nodes.indexOf(node) + 1).filter(one => ![...upwards(one)].includes(node));
  }

  #find(selector: string): TreeNode | null {
    const { tree } = this.page;
    return tree.nodes.find(ruleMatcher(tree, selector)) ?? null;
  }

  #matches({ selector }: StyleRule, node: TreeNode): boolean {
    return ruleMatcher(this.page.tree, selector)(node);
  }
}

function clipped(menu: ResolvedMenu, { selector, place }: StyleRule, page: SitePath): Finding {
  return finding(
    'stays-clipped',
    place,
    `\`${menu.name}\` cannot stay on ${page}: an element around it clips what it holds, by \`${selector}\``,
    'Take that overflow out, or write  overflow: clip,  which does not keep a menu from staying.',
  );
}

/** From an element outwards, up to what the window itself scrolls. */
function* upwards(from: TreeNode | null): Generator<TreeNode> {
  for (let node = from; node && node.name !== 'body' && node.name !== 'html'; node = node.parent) yield node;
}

function isOverflow(property: string): boolean {
  return /^overflow(?:-[xy])?$/.test(property);
}

function valueOf({ declarations }: StyleRule, isNamed: (property: string) => boolean): string | null {
  return declarations.findLast(one => isNamed(one.property))?.value ?? null;
}
