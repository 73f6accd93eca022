import { listed } from '../text/nearest.ts';
import type { RuleName } from '../text/rules.ts';
import type { PlanPath } from './places.ts';
import { labelOf, nameOf, partOf, shown } from './problem-names.ts';

interface Said {
  path: PlanPath;
  /** As the plan has it. */
  value: string;
  /** What the schema tells of it. */
  context: Readonly<Record<string, unknown>>;
}

/** What is said of a problem, by the name that the schema has for it. */
interface Saying {
  rule: RuleName;
  says: (said: Said) => string;
  remedy: string | ((said: Said) => string);
  /** It is told at the key, not at its value. */
  isAtKey?: true;
}

const clashing: Saying = {
  rule: 'clashing-keys',
  says: ({ path, context }) =>
    `${nameOf(path)} has ${listed(context['present'] as string[], 'and')}, and only one of them can hold`,
  remedy: 'Keep one of them.',
};

export const sayings: Readonly<Record<string, Saying>> = {
  'object.missing': {
    rule: 'missing-key',
    says: ({ path }) =>
      partOf(path) === 'pictures'
        ? 'it is not said where these pictures are'
        : `${nameOf(path)} leads nowhere`,
    remedy: ({ context }) => `Give it ${listed((context['peers'] as string[]).map(peer => `\`${peer}\``))}.`,
  },
  'object.min': {
    rule: 'wrong-value',
    says: ({ path }) => `${nameOf(path)} is empty`,
    remedy: ({ path }) => `Give it one of its keys, or take it out:  kamino explain ${String(path.at(-1))}`,
  },
  'object.xor': clashing,
  'object.oxor': clashing,
  'any.invalid': {
    rule: 'wrong-value',
    says: ({ value }) => `\`${value}\` is a name that Kamino keeps for itself`,
    remedy: 'Choose another name.',
  },
  'label.unseen': {
    rule: 'bad-label',
    says: () => 'this label has no sign that is seen',
    remedy: 'Give it words, or take it out for the title of the page.',
  },
  'output.slip': {
    rule: 'wrong-value',
    says: ({ value }) => `\`output\` takes a folder, or \`in-place\`, and \`${value}\` is a slip for that`,
    remedy: ({ value }) => `Write  output: in-place    or, for a folder of this name,  output: ./${value}`,
  },
  'entry.label': {
    rule: 'missing-key',
    says: () => 'this entry has neither a label nor a target',
    remedy: 'Give it a label.',
  },
  'object.with': {
    rule: 'clashing-keys',
    says: ({ context }) => `\`${String(context['main'])}\` goes with \`${String(context['peer'])}\` only`,
    remedy: 'Take it out, or add what it goes with.',
  },
  'object.without': {
    rule: 'clashing-keys',
    says: ({ context }) =>
      `\`${String(context['main'])}\` and \`${String(context['peer'])}\` do not go together`,
    remedy: 'Keep one of them.',
  },
  'marker.none': {
    rule: 'clashing-keys',
    says: () => 'there is no mark, and it has measures',
    remedy: 'Take them out, or write where it stands:  at: below',
  },
  'marker.dot': {
    rule: 'clashing-keys',
    says: () => 'a dot is as long as it is thick',
    remedy: 'Take `length` out, or write  at: below',
  },
  'marker.still': {
    rule: 'clashing-keys',
    says: ({ context }) =>
      `the mark of \`${String(context['still'])}\` is there when the page comes, so \`comes\` changes nothing`,
    remedy: 'Take `comes` out; it is for `hover`, `focus` and `pressed`.',
  },
  'menu.set': {
    rule: 'missing-key',
    says: () => 'a menu of this form needs `set`',
    remedy: 'For example  set: journal/*.html',
  },
  'menu.entries': {
    rule: 'missing-key',
    says: () => 'this menu has no `entries`',
    remedy: 'Give it entries, or take those of another menu:  entries-of: masthead\nentries:\n  - index.html',
  },
  'any.unknown': {
    rule: 'wrong-value',
    says: () => 'a submenu has at most three levels',
    remedy: 'Move these entries up.',
    isAtKey: true,
  },
  'label.control': {
    rule: 'bad-label',
    says: () => 'this label holds a control character',
    remedy: 'Take it out, or type the label again.',
  },
  'pattern.stars': {
    rule: 'wrong-value',
    says: () => 'this pattern has too many stars: a path could match them in too many ways',
    remedy: 'At most four in one part of a path, and four times  **  in all; or write two patterns.',
  },
  'selector.kind': {
    rule: 'bad-selector',
    says: ({ value }) => `\`${value}\` is no selector that Kamino follows here`,
    remedy: 'Use a selector of CSS without states:  header.top,  #nav > ul,  [role=banner]',
  },
  'address.scheme': {
    rule: 'bad-address',
    says: ({ value }) => `\`url\` takes an address of http or https, and \`${shown(value)}\` is none`,
    remedy: 'For example  url: "https://example.org/"',
  },
  'string.empty': {
    rule: 'wrong-value',
    says: ({ path }) => `\`${labelOf(path)}\` is empty`,
    remedy: 'Give it a value, or take the line out.',
  },
};
