import type { SitePath } from '../address/path.ts';
import { type StyleRule, inlineRules, ruleKey } from '../page/styles.ts';
import { matchedBy } from '../page/select.ts';
import { type Tree, type TreeNode, classesOf, isNode, valueOf } from '../page/tree.ts';
import { decode } from '../text/charset.ts';
import { type Finding, finding } from '../text/finding.ts';
import { counted, listed, shortened } from '../text/nearest.ts';
import { placeInRaw } from '../text/place.ts';
import { Source } from '../text/source.ts';
import { setsClass, stateClasses } from './state-classes.ts';
import { callsIn, definedIn, escapePattern, names, namesClass, withoutDefinitions } from './script-text.ts';

/** A part of a page that a menu is to stand instead of: byte offsets. */
export interface Removed {
  start: number;
  end: number;
}

/** A page before its old menus go, and as it will be. */
export interface Change {
  path: SitePath;
  before: Tree;
  after: Tree;
  removed: readonly Removed[];
}

/**
 * What would stay behind old menus: rules that match nothing any more, and what their scripts leave.
 * @param styles the rules of all style sheets that are files; @param scripts the texts of the script files
 */
export function leftBehind(
  changes: readonly Change[],
  styles: readonly StyleRule[],
  scripts: ReadonlyMap<SitePath, string>,
): Finding[] {
  const behind = new Behind();
  for (const { path, before, after, removed } of changes) {
    behind.page(path, before, removed);
    behind.rules({ before, after }, [...inlineRules(path, before), ...styles], removed);
  }
  for (const [path, text] of scripts) behind.script(new Source(path, text), text, 0);
  const [first] = changes;
  if (first) behind.states(first, [...inlineRules(first.path, first.before), ...styles]);
  return behind.findings();
}

interface Script {
  source: Source;
  text: string;
  /** Where it stands in the source. */
  from: number;
}

class Behind {
  /** Rules by their text and place: whether they still match anything, and on how many pages they matched the old menus. */
  readonly #rules = new Map<string, { rule: StyleRule; isUsed: boolean; pages: number }>();
  readonly #calledInside = new Set<string>();
  readonly #definedInside = new Set<string>();
  readonly #namesInside = new Set<string>();
  readonly #namesOutside = new Set<string>();
  readonly #classesInside = new Set<string>();
  readonly #classesOutside = new Set<string>();
  #stateClasses: ReadonlySet<string> = new Set();
  readonly #scripts: Script[] = [];
  readonly #events: { place: Finding['place']; text: string }[] = [];

  page(path: SitePath, tree: Tree, parts: readonly Removed[]): void {
    const isGone = insideOf(parts);
    for (const node of tree.nodes) {
      const gone = isGone(node);
      const events = node.attributes.filter(one => /^on[a-z]+$/.test(one.name));
      for (const { value, start, end } of events) {
        const text = decode(value, tree.charset);
        if (gone) this.#addCalls(text);
        else
          this.#events.push({
            place: placeInRaw({ path, raw: tree.raw, charset: tree.charset }, start, end),
            text,
          });
      }
      for (const key of ['name', 'id']) {
        const name = valueOf(node, key, tree.charset);
        if (name) (gone ? this.#namesInside : this.#namesOutside).add(name);
      }
      const classes = gone ? this.#classesInside : this.#classesOutside;
      for (const name of classesOf(node, tree.charset)) classes.add(name);
      const text = node.name === 'script' ? node.content.find(one => !isNode(one)) : undefined;
      if (!text) continue;
      const code = decode(tree.raw.slice(text.start, text.end), tree.charset);
      if (gone) for (const name of definedIn(code)) this.#definedInside.add(name);
      else {
        const before = decode(tree.raw.slice(0, text.start), tree.charset);
        this.script(new Source(path, before + code), code, before.length);
      }
    }
    // The body's own attributes are no element of the tree.
    for (const { name, value, start, end } of tree.body.attributes)
      if (name.startsWith('on'))
        this.#events.push({
          place: placeInRaw({ path, raw: tree.raw, charset: tree.charset }, start, end),
          text: decode(value, tree.charset),
        });
  }

  script(source: Source, text: string, from: number): void {
    this.#scripts.push({ source, text, from });
  }

  rules(trees: { before: Tree; after: Tree }, rules: readonly StyleRule[], parts: readonly Removed[]): void {
    const isGone = insideOf(parts);
    for (const rule of rules) {
      const key = ruleKey(rule);
      const seen = this.#rules.get(key) ?? { rule, isUsed: false, pages: 0 };
      this.#rules.set(key, seen);
      seen.isUsed ||= matchedBy(rule.selector, trees.after).length > 0;
      if (!seen.isUsed && matchedBy(rule.selector, trees.before).some(isGone)) seen.pages += 1;
    }
  }

  /** @param rules of that page */
  states({ before, removed }: Change, rules: readonly StyleRule[]): void {
    const known = new Set([...this.#classesInside, ...this.#classesOutside]);
    this.#stateClasses = stateClasses(before, rules, { known, isGone: insideOf(removed) });
  }

  findings(): Finding[] {
    return [...this.#idleRules(), ...this.#lostCalls(), ...this.#idleScripts()];
  }

  /** Selectors of one rule that are all idle are told together. */
  #idleRules(): Finding[] {
    const groups = new Map<
      StyleRule['declarations'],
      { rule: StyleRule; isUsed: boolean; pages: number }[]
    >();
    for (const one of this.#rules.values())
      groups.set(one.rule.declarations, [...(groups.get(one.rule.declarations) ?? []), one]);
    return [...groups.values()].flatMap(group => {
      const idle = group.filter(({ isUsed, pages }) => pages > 0 && !isUsed);
      const [first] = idle;
      if (!first) return [];
      const names = idle.map(({ rule }) => `\`${rule.selector}\``);
      const pages = Math.max(...idle.map(one => one.pages));
      const message = `${listed(names, 'and')} matched the old menu only, on ${counted(pages, 'page')}`;
      return [
        finding(
          'left-rule',
          first.rule.place,
          message,
          idle.length === group.length ? 'The rule may go.' : 'It may go.',
        ),
      ];
    });
  }

  /** Calls of what the old menu defined, and names that go with it. */
  #lostCalls(): Finding[] {
    const gone = this.#gone();
    const remedy = 'Take the call out: once the old menu is gone it fails, or does nothing.';
    const told = (place: Finding['place'], name: string): Finding =>
      finding('left-call', place, `\`${name}\` goes with the old menu, and is named here`, remedy);
    const places: Finding[] = [];
    const seen = new Set<string>();
    const tell = (place: Finding['place'], name: string): void => {
      const key = `${place?.excerpt?.text.trim() ?? ''} ${name}`;
      if (seen.has(key)) return;
      seen.add(key);
      places.push(told(place, name));
    };
    for (const { place, text } of this.#events) {
      for (const { name, find } of gone) if (find(text, name) >= 0) tell(place, name);
      for (const name of callsIn(text)) if (this.#definedInside.has(name)) tell(place, name);
    }
    for (const { source, text, from } of this.#scripts) {
      const named = gone
        .map(({ name, find }) => ({ name, at: find(text, name) }))
        .filter(({ at }) => at >= 0);
      const place = ({ name, at }: (typeof named)[number]): Finding['place'] =>
        source.place(from + at, from + at + name.length);
      if (named.length > mostNames) places.push(manyLost(place(named[0]!), named));
      else for (const one of named) tell(place(one), one.name);
      for (const name of callsIn(text))
        if (this.#definedInside.has(name)) {
          const at = text.search(new RegExp(`\\b${escapePattern(name)}\\s*\\(`));
          tell(source.place(from + at, from + at + name.length), name);
        }
    }
    return places;
  }

  /** Names and classes that stand nowhere else, each with how a script names it. */
  #gone(): { name: string; find: (text: string, name: string) => number }[] {
    const only = (inside: ReadonlySet<string>, outside: ReadonlySet<string>): string[] =>
      [...inside].filter(name => !outside.has(name) && name.length > 1);
    const ids = only(this.#namesInside, this.#namesOutside);
    return [
      ...ids.map(name => ({ name, find: names })),
      ...only(this.#classesInside, this.#classesOutside)
        .filter(name => !ids.includes(name))
        .map(name => ({ name, find: namesClass })),
      ...[...this.#stateClasses].map(name => ({ name, find: setsClass })),
    ];
  }

  /** Functions that only the old menu called. */
  #idleScripts(): Finding[] {
    const called = new Set(
      [...this.#events, ...this.#scripts].flatMap(({ text }) => callsIn(withoutDefinitions(text))),
    );
    const seen = new Set<string>();
    return this.#scripts.flatMap(({ source, text, from }) =>
      [...definedIn(text)].flatMap(name => {
        if (!this.#calledInside.has(name) || called.has(name) || seen.has(`${name} ${text.length}`))
          return [];
        seen.add(`${name} ${text.length}`);
        const at = text.indexOf(name);
        const place = source.place(from + at, from + at + name.length);
        return [finding('left-script', place, `\`${name}\` was called by the old menu only`, 'It may go.')];
      }),
    );
  }

  #addCalls(text: string): void {
    for (const name of callsIn(text)) this.#calledInside.add(name);
  }
}

const mostNames = 3;

/** A list of them, such as that of a search, is one cause. */
function manyLost(place: Finding['place'], named: readonly { name: string }[]): Finding {
  const shown = shortened(
    named.map(({ name }) => `\`${name}\``),
    mostNames,
  );
  return finding(
    'left-call',
    place,
    `${shown} go with the old menu, and are named in this script`,
    'Look whether it needs them once the old menu is gone.',
  );
}

/** Whether an element goes with parts of its page. */
export function insideOf(parts: readonly Removed[]): (node: TreeNode) => boolean {
  return node => parts.some(({ start, end }) => start <= node.start && node.start < end);
}
