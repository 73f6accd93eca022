import { Document, type Node, Scalar, type YAMLMap } from 'yaml';
import { drawnLook, drawnMenu } from './drawn.ts';
import { lookRows } from './look-rows.ts';
import { homeRows } from './old-home.ts';
import { type Row, flow, list, map, pairs, row } from './nodes.ts';
import type {
  Draft,
  DraftEntry,
  DraftHome,
  DraftLanguage,
  DraftMenu,
  DraftPictures,
  DraftSaid,
  DraftSpot,
  DraftStart,
} from './types.ts';

/** A draft as the text of a plan. */
export function writeDraft(draft: Draft): string {
  const document = new Document(null, { schema: 'failsafe' });
  const { style, skipTo, languages, menus, pictures, look, output, comments, start = null } = draft;
  const hints: Record<string, string> = {
    output:
      output === 'in-place'
        ? 'the pages themselves; or a folder, such as  built'
        : 'a copy; or  in-place:  the pages themselves',
    style: 'where the page has had its old menus; your own rules may stand there too',
  };
  document.contents = map([
    ['kamino', '1'],
    ['output', output],
    ...(style !== null ? [['style', style] as Row] : []),
    ...(skipTo.length > 0 ? [['skip-to', flow(skipTo)] as Row] : []),
    ...(languages.length > 0 ? [['languages', map(languages.map(languageRow))] as Row] : []),
    ['menus', list(menus.map((menu, at) => menuNode(menu, at === 0 ? start : null)))],
    ...(pictures.length > 0 ? [['pictures', list(pictures.map(picturesNode))] as Row] : []),
    ...(start ? [['look', drawnLook(start)] as Row] : lookRows(look, homeOf(menus))),
  ]) as never;
  document.commentBefore = comments.map(line => ` ${line}`).join('\n');
  for (const { key, value } of pairs(document.contents as unknown as YAMLMap)) {
    const hint = hints[String((key as Scalar).value)];
    if (hint !== undefined) (value as Scalar).comment = ` ${hint}`;
  }
  return document.toString({ lineWidth: 0, flowCollectionPadding: true, indentSeq: true });
}

/** Of the menu that has the look of the plan. */
const homeOf = (menus: readonly DraftMenu[]): DraftHome | null =>
  menus.find(menu => menu.home && !menu.look)?.home ?? null;

/** Where its entries stand, how wide they are, and the lines between them. */
function arrangement({ form, align = null, widths = null, line = null }: DraftMenu): Row[] {
  return [
    ...row('align', form === 'bar' || form === 'plain' ? align : null),
    ...row('widths', form === 'bar' ? widths : null),
    ...(line === null ? [] : [['separators', map(lineRows(line, form), true)] as Row]),
  ];
}

/** Lines of a column went from edge to edge. */
const lineRows = (color: string, form: DraftMenu['form']): Row[] => [
  ['color', color],
  ...(form === 'column' ? [['inset', '0'] as Row] : []),
];

function menuNode(menu: DraftMenu, start: DraftStart | null): YAMLMap {
  const {
    name,
    title,
    form,
    carriedBy,
    except,
    place,
    set,
    order,
    levels,
    look = null,
    home = null,
    entries,
    notes,
    comments,
  } = menu;
  const items = list(entries.map(entryNode));
  if (notes.length > 0) items.comment = notes.map(note => ` ${note}`).join('\n');
  const made = map([
    ['menu', name],
    ['title', title],
    ...(form === 'bar' || start ? [] : [['form', form] as Row]),
    ...(start ? drawnMenu(start) : arrangement(menu)),
    ...(home && !start ? homeRows(home) : []),
    ...(carriedBy ? [['carried-by', flow(carriedBy)] as Row] : []),
    ...(except.length > 0 ? [['except', flow(except)] as Row] : []),
    ...(place.length > 0 ? [['place', placeNode(place)] as Row] : []),
    ...(set ? [['set', flow(set)] as Row] : []),
    ...(order ? [['order', order] as Row] : []),
    ...(levels ? [['levels', flow(levels.map(String))] as Row] : []),
    ...(start ? [] : foldRows(menu)),
    ...(entries.length > 0 || notes.length > 0 ? [['entries', items] as Row] : []),
    ...(look === null ? [] : lookRows(look, home)),
  ]);
  if (comments.length > 0) made.commentBefore = comments.map(line => ` ${line}`).join('\n');
  return made;
}

function foldRows({ fold, foldsAs }: DraftMenu): Row[] {
  if (fold === null) return [];
  return [['fold', map([['when', fold], ...row('as', foldsAs ?? null)], true)]];
}

function picturesNode({ menu, source, height }: DraftPictures): YAMLMap {
  return map([
    ['menu', menu],
    ...sourceRows(source),
    ...(height === null ? [] : [['height', `${height}px`] as Row]),
  ]);
}

function sourceRows(source: DraftPictures['source']): Row[] {
  if (source.kind === 'table')
    return [
      ['entries', map(source.rows.map(({ label, files }): Row => [label, map(Object.entries(files), true)]))],
    ];
  if (source.kind === 'pattern') {
    const words = Object.entries(source.words).filter(
      ([state, word]) => word !== state && !(state === 'base' && word === ''),
    );
    return [['files', source.pattern], ...(words.length > 0 ? [['words', map(words, true)] as Row] : [])];
  }
  const { file, states, entries, widths, height, gap } = source;
  const rows: Row[] = [
    ['file', file],
    ['states', flow(states)],
    ...(entries === null ? [] : [['entries', flow(entries)] as Row]),
    ['widths', flow(widths.map(String))],
    ['heights', String(height)],
    ...(gap > 0 ? [['gap', String(gap)] as Row] : []),
  ];
  return [['strip', map(rows)]];
}

function languageRow({ tag, name, pages }: DraftLanguage): Row {
  return [tag, map([['name', name], ...(pages ? [['pages', flow(pages)] as Row] : [])], true)];
}

/** One place, or a list of them. */
function placeNode(place: readonly DraftSpot[]): Node {
  const nodes = place.map(({ side, selectors, drop }) =>
    map([[side, flow(selectors)], ...(drop ? [['drop', 'true'] as Row] : [])], true),
  );
  if (nodes.length === 1) return nodes[0]!;
  const made = list(nodes);
  made.flow = true;
  return made;
}

function saidNode(said: DraftSaid): string | Node {
  return typeof said === 'string' ? said : map(Object.entries(said), true);
}

function highlightRow(highlight: DraftEntry['highlight']): Row[] {
  if (typeof highlight === 'boolean') return highlight ? [['highlight', 'background']] : [];
  const { background, color, radius, fontWeight } = highlight;
  const font: Row[] = fontWeight === null ? [] : [['font', map([['weight', fontWeight]], true)]];
  return [
    [
      'highlight',
      map(
        [...row('background', background), ...row('color', color), ...row('radius', radius), ...font],
        true,
      ),
    ],
  ];
}

/** A bare target where that says it all. */
function entryNode(entry: DraftEntry): Node {
  const { label, target, highlight, isApart = false, icon, mayBeMissing, entries } = entry;
  const isMore = highlight !== false || isApart || icon !== undefined || mayBeMissing;
  const isBare = label === null && !isMore && entries.length === 0;
  if (isBare && target && isPlainTarget(target)) return new Scalar(String(target.value));
  return map(
    [
      ...(target ? [[target.key, saidNode(target.value)] as Row] : []),
      ...(label === null ? [] : [['label', saidNode(label)] as Row]),
      ...row('icon', icon ?? null),
      ...highlightRow(highlight),
      ...(isApart ? [['apart', 'true'] as Row] : []),
      ...(mayBeMissing ? [['if-missing', 'warn'] as Row] : []),
      ...(entries.length > 0 ? [['entries', list(entries.map(entryNode))] as Row] : []),
    ],
    entries.length === 0,
  );
}

/** What a bare target is read as is what it is. */
function isPlainTarget({ key, value }: NonNullable<DraftEntry['target']>): boolean {
  return (key === 'page' || key === 'file') && typeof value === 'string' && !/[#%?:\\]|^\s|\s$/.test(value);
}
