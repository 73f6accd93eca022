import { parts } from '../plan/parts/index.ts';
import { classes, cssPage, properties } from './css.ts';
import { looksText } from './looks.ts';
import { keyPages, keyParts } from './keys.ts';
import { allRules } from './rules.ts';
import { wordPages } from './words.ts';

/** The documents that are made of the manual, by file name. */
export function documents(): Record<string, string> {
  return {
    'keys.md': keysDocument(),
    'rules.md': rulesDocument(),
    'words.md': wordsDocument(),
    'restyling.md': restylingDocument(),
    'looks.md': document('Looks to start from', [looksText()]),
  };
}

const cell = (text: string): string => text.split('\n\n')[0]!.replaceAll('\n', ' ').replaceAll('|', '\\|');

function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
  return [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n');
}

function fenced(language: string, code: string): string {
  return `\`\`\`${language}\n${code}\n\`\`\``;
}

function keysDocument(): string {
  const tables = keyParts.flatMap(part => [
    `## Keys ${parts[part].stands}`,
    table(
      ['key', 'takes', 'without it', 'means', 'example'],
      keyPages(part).map(({ key, takes, otherwise, means, example }) => [
        `\`${key}\``,
        cell(takes),
        otherwise === null ? 'needed' : cell(otherwise),
        cell(means),
        example
          .split('\n')
          .map(line => `\`${line.replaceAll('|', '\\|')}\``)
          .join('<br>'),
      ]),
    ),
  ]);
  return document('Every key of the plan', ['`kamino explain KEY` prints the same.', ...tables]);
}

function rulesDocument(): string {
  const rows = allRules.map(({ name, severity, why, example }) => [
    `\`${name}\``,
    severity,
    cell(why),
    example
      .split('\n')
      .map(line => `\`${line.replace(/ {2,}/g, '  ').replaceAll('|', '\\|')}\``)
      .join('<br>'),
  ]);
  return document('Every rule', [
    'A finding names its rule; `kamino explain RULE` prints the same. Errors end with exit status 1, an error in the plan with 2; warnings and notes with 0.',
    table(['rule', 'severity', 'why', 'example'], rows),
  ]);
}

function wordsDocument(): string {
  const rows = Object.entries(wordPages).map(([name, { means, example }]) => [
    name,
    cell(means),
    example
      .split('\n')
      .map(line => `\`${line.replaceAll('|', '\\|')}\``)
      .join('<br>'),
  ]);
  return document('The words', [
    'One word for each thing, in the plan, in messages and here. `kamino explain WORD` also takes the trade’s other words, and answers with Kamino’s.',
    table(['word', 'means', 'example'], rows),
  ]);
}

function restylingDocument(): string {
  const [intro = '', aboutProperties = '', , aboutClasses = '', , aboutAttributes = ''] = cssPage.text;
  return document('Restyling a menu', [
    intro,
    aboutProperties,
    table(
      ['property', 'sets'],
      properties.map(([name, means]) => [`\`--kamino-${name}\``, means]),
    ),
    aboutClasses,
    table(['class', 'part'], classes),
    aboutAttributes,
    ...cssPage.examples.flatMap(({ language, about, code }) => [about ?? '', fenced(language, code)]),
  ]);
}

function document(title: string, blocks: readonly string[]): string {
  return `# ${title}\n\n${blocks.join('\n\n')}\n`;
}
