import { writtenAddress } from '../address/href.ts';
import { covers, folds } from '../menu/folds.ts';
import { listsOf } from '../menu/lists.ts';
import { marksOn } from '../menu/marks.ts';
import { entriesOn } from '../menu/on-page.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { type Form, forms } from '../plan/forms.ts';
import { addressOf } from '../target/destination.ts';
import { escapeMarkup } from '../text/references.ts';
import { topLines } from './entries.ts';
import { homeMarkup } from './home.ts';
import {
  currentAttribute,
  highlightClasses,
  linkAttributes,
  notesOf,
  sameEverywhere,
  withPicture,
} from './link.ts';
import { inlayAttribute, menuClass, parts } from './names.ts';
import type { LinePlace, Marks, Standpoint } from './standpoint.ts';
import { type Words, wordsOf } from './words.ts';

/** A menu as one `nav` element, one entry a line. */
export function menuMarkup(menu: ResolvedMenu, from: Standpoint, line: LinePlace, marks: Marks): string {
  const ours = ` ${inlayAttribute}="${menu.name}"`;
  const [cell, cellEnd] = line.cell === null ? ['', ''] : [`<td${ours}${line.cell}>`, '</td>'];
  if (forms[menu.form].isSingle)
    return cell + singleMarkup(menu, from, { ours: cell === '' ? ours : '', marks }) + cellEnd;
  const list = forms[menu.form].isOrdered ? 'ol' : 'ul';
  const words = wordsOf(menu.language);
  const entries = entriesOn(menu, from.page);
  const listed = (all: readonly ResolvedEntry[], ...also: string[]): string[] => [
    `<${list} class="${[parts.list, ...also].join(' ')}">`,
    ...all.flatMap(one => topLines(one, { menu, marks, from, words, group: '' }).map(indented)),
    `</${list}>`,
  ];
  const { before, after, remaining } = listsOf(menu, entries);
  const own = [
    ...(after.length > 0 ? [...listed(before, parts.before), ...listed(after, parts.after)] : listed(before)),
    ...joinedLines(menu, from, words),
  ];
  const joins = menu.fold.joins !== null && from.carried.has(menu.fold.joins) ? ` ${parts.joins}` : '';
  const over = menu.over ? ` ${parts.over}` : '';
  const lines = [
    `${cell}<nav class="${parts.menu} ${formClasses(menu.form)} ${menuClass(menu.name)}${joins}${over}"${cell === '' ? ours : ''} aria-label="${escapeMarkup(menu.title)}">`,
    `  <div class="${parts.room}">`,
    ...(menu.home ? [`    ${homeMarkup(menu.home, from, [...marks.values()].includes('current'))}`] : []),
    ...(menu.shows === 'contents' ? [`    ${caption(menu)}`] : []),
    ...(folds(menu) ? foldLines(menu, words, own) : own).map(text => `    ${text}`),
    ...(remaining.length > 0 ? listed(remaining, parts.remains) : []).map(text => `    ${text}`),
    ...(menu.hasData ? [`    ${trailData(entries, from)}`] : []),
    '  </div>',
    `</nav>${cellEnd}`,
  ];
  return lines.join(`${line.lineBreak}${line.indent}`);
}

/** The title of the menu, for the eye: it is read out as the name of the landmark. */
function caption({ title }: ResolvedMenu): string {
  return `<span class="${parts.caption}" aria-hidden="true">${escapeMarkup(title)}</span>`;
}

/** A link on its own, on a line: a button, or the way to the top. */
function singleMarkup(
  menu: ResolvedMenu,
  from: Standpoint,
  { ours, marks }: { ours: string; marks: Marks },
): string {
  const [entry] = menu.entries;
  if (!entry) return '';
  const words = wordsOf(menu.language);
  const named = entry.label === '' ? { ...entry, label: words.top } : entry;
  const { item, label } = sameEverywhere(named, from.reserves);
  // The way to the top shows a mark; its words are read out.
  const inside =
    menu.toTop !== null && entry.icon === null
      ? `<span class="${parts.unseen}">${escapeMarkup(named.label)}</span>`
      : withPicture(named, label, from);
  const address = escapeMarkup(addressOf(entry.leadsTo, from) ?? '');
  const current = currentAttribute(entry, marks.get(entry));
  const classes = [parts.entry, ...highlightClasses(entry), ...(entry.picture ? [parts.pictured] : [])].join(
    ' ',
  );
  return `<div class="${parts.menu} ${parts[menu.form]} ${menuClass(menu.name)}"${ours}><span class="${classes}"${item}><a class="${parts.link}" href="${address}"${linkAttributes(entry)}${current}>${inside}${notesOf(entry, words)}</a></span></div>`;
}

const indented = (line: string): string => `  ${line}`;

/**
 * The lists of a menu with the toggle that shows them: a stack in the flow, or in an element that lies over the page.
 * Both work without a script, and without the style sheet.
 */
function foldLines(menu: ResolvedMenu, words: Words, lists: readonly string[]): string[] {
  const { toggle, fold, close } = parts;
  const face = toggleFace(menu, words);
  if (!covers(menu)) return [`<details class="${toggle}"><summary>${face}</summary></details>`, ...lists];
  const id = `kamino-${menu.name}`;
  const { icon } = menu.fold.toggle;
  const cross = typeof icon === 'string' || icon.open === icon.closed ? '' : icon.open;
  return [
    `<div class="${toggle}"><button type="button" popovertarget="${id}">${face}</button></div>`,
    `<div class="${fold}" id="${id}" popover>`,
    `  <button class="${close}" type="button" popovertarget="${id}" popovertargetaction="hide" autofocus>${cross}${escapeMarkup(words.close)}</button>`,
    ...lists.map(indented),
    '</div>',
  ];
}

function toggleFace({ fold }: ResolvedMenu, words: Words): string {
  const { show, label, icon } = fold.toggle;
  const word = escapeMarkup(label ?? words.menu);
  if (show === 'label') return word;
  const drawings =
    typeof icon === 'string'
      ? ''
      : fold.as === 'stack' && icon.open !== icon.closed
        ? icon.closed + icon.open
        : icon.closed;
  return drawings + (show === 'icon' ? `<span class="${parts.unseen}">${word}</span>` : word);
}

/** The entries of menus that go into the fold of this one, there only while it is folded. */
function joinedLines(menu: ResolvedMenu, from: Standpoint, words: Words): string[] {
  return menu.joined
    .filter(one => from.carried.has(one.name))
    .flatMap(one => {
      const inside = { ...one, name: `${menu.name}-${one.name}`, form: menu.form };
      const marks = marksOn(one, from.page);
      return [
        `<ul class="${parts.list} ${parts.joined}" aria-label="${escapeMarkup(one.title)}">`,
        ...entriesOn(one, from.page).flatMap(entry =>
          topLines(entry, { menu: inside, marks, from, words, group: '' }).map(indented),
        ),
        '</ul>',
      ];
    });
}

function formClasses(form: Form): string {
  return forms[form].classes.map(one => parts[one]).join(' ');
}

/** https://schema.org/BreadcrumbList; addresses are whole where the server is known, else read from the page, as its links are. */
function trailData(entries: readonly ResolvedEntry[], from: Standpoint): string {
  const itemListElement = entries.map(({ label, leadsTo }, at) => {
    const address = wholeAddress(leadsTo, from);
    return {
      '@type': 'ListItem',
      position: at + 1,
      name: label,
      ...(address === null ? {} : { item: address }),
    };
  });
  const data = { '@context': 'https://schema.org', '@type': 'BreadcrumbList', itemListElement };
  const text = JSON.stringify(data)
    .replace(/</g, '\\u003c')
    .replace(/[^\0-\x7f]/g, letter => `\\u${letter.charCodeAt(0).toString(16).padStart(4, '0')}`);
  return `<script type="application/ld+json">${text}</script>`;
}

function wholeAddress(leadsTo: ResolvedEntry['leadsTo'], from: Standpoint): string | null {
  const { host } = from.links;
  if (host === undefined) return addressOf(leadsTo, from);
  const address = addressOf(leadsTo, { ...from, links: { ...from.links, from: 'root' } });
  // A place in this page is written without its address.
  const own = address?.startsWith('#') ? writtenAddress('', from.page, { ...from.links, from: 'root' }) : '';
  return address === null || !/^[/#]/.test(address) ? address : host + own + address;
}
