import { type WrittenOf, mapOf, needed, oneOf, optional, preset } from '../../format/key.ts';
import { count, label, linesOf, nameForm, text } from '../../format/values.ts';

export const excuseKeys = {
  rule: needed(text, {
    takes: 'the name of a rule',
    means: 'The rule that does not hold there.',
    example: 'rule: dead-link\nat: links.html\nbecause: kept as it was',
  }),
  at: needed(text, {
    takes: 'a pattern of paths',
    means: 'The finished pages in which it does not.',
    example: 'rule: dead-link\nat: "old/**"\nbecause: kept as it was',
  }),
  because: needed(label, {
    takes: 'text',
    means: 'Why, for whoever reads the plan later.',
    example: 'rule: dead-link\nat: links.html\nbecause: kept as it was',
  }),
} as const;
export const excuse = mapOf(excuseKeys);

export const rulesKeys = {
  depth: optional(count, {
    takes: 'a number',
    otherwise: 'as deep as it is',
    means: 'How many links a page may be away from the front page; `kamino check` tells which are further.',
    example: 'depth: 3',
  }),
  excuse: preset(linesOf(excuse), [], {
    below: 'excuse',
    takes: 'a list of places',
    otherwise: 'nothing',
    means: 'Findings that are left out in some pages, each with the reason.',
    example: 'excuse:\n  - { rule: dead-link, at: links.html, because: kept as it was }',
  }),
} as const;
export type WrittenRules = WrittenOf<typeof rulesKeys> & Record<string, unknown>;
/** Beside its own key each name of a rule has how much it weighs. */
export const ruleWeights = oneOf('off', 'note', 'warning', 'error');
export const rules = mapOf(rulesKeys).pattern(nameForm, ruleWeights);
