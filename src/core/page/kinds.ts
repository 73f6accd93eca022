/** Sets of element names by their part in tree construction (https://html.spec.whatwg.org/#tree-construction). */

const names = (list: string): ReadonlySet<string> => new Set(list.split(' '));

export const voidElements = names(
  'area base basefont bgsound br col embed frame hr img image input keygen link meta param source track wbr',
);

/** Their content is text up to the end tag. */
export const rawTextElements = names('iframe noembed noframes plaintext script style textarea title xmp');

/** May stand in a head without ending it. */
export const headElements = names(
  'base basefont bgsound link meta noframes noscript script style template title',
);

/** A start tag that ends an open `p`. */
export const paragraphEnders = names(
  'address article aside blockquote center dd details dialog dir div dl dt fieldset figcaption figure footer form ' +
    'h1 h2 h3 h4 h5 h6 header hgroup hr li listing main menu nav ol p plaintext pre search section summary table ul xmp',
);

export const headings = names('h1 h2 h3 h4 h5 h6');
export const lists = names('ul ol menu dir dl');
export const formatting = names('a b big code em font i nobr s small strike strong tt u');
export const tableParts = names('caption col colgroup tbody td tfoot th thead tr');

/** Elements at which the search for an element to close ends. */
export const special = names(
  'address applet area article aside base basefont bgsound blockquote body br button caption center col colgroup dd ' +
    'details dir div dl dt embed fieldset figcaption figure footer form frame frameset h1 h2 h3 h4 h5 h6 head header ' +
    'hgroup hr html iframe img input keygen li link listing main marquee menu meta nav noembed noframes noscript object ' +
    'ol p param plaintext pre script search section select source style summary table tbody td template textarea tfoot ' +
    'th thead title tr track ul wbr xmp',
);

export const scopeEnds = names('applet caption html marquee object select table td template th');
/** The same for an item of a list. */
export const itemScopeEnders = names('ol ul');
/** Inside these a formatting element from outside is not opened again. */
export const markers = names('applet caption marquee object td template th');

/** HTML inside these belongs to HTML again. */
export const integrationPoints = names('foreignobject desc title annotation-xml mi mo mn ms mtext');

/** A start tag of one of these ends SVG and MathML. */
export const foreignEnders = names(
  'b big blockquote body br center code dd div dl dt em embed h1 h2 h3 h4 h5 h6 head hr i img li listing menu meta ' +
    'nobr ol p pre ruby s small span strong strike sub sup table tt u ul var',
);

/** No `nav` may stand directly in these, whatever is between them and their rows or items. */
export const holdsOnlyOwnParts = names(
  'ul ol dl menu table tbody thead tfoot tr colgroup select optgroup datalist ruby picture video audio hgroup head html frameset',
);

/** No `nav` may stand in these at any depth. */
export const holdsNoNav = names(
  'p pre a h1 h2 h3 h4 h5 h6 span address button svg math template noscript textarea label summary legend dt th caption ' +
    'option title style script iframe object canvas em strong small code cite q sub sup abbr mark time kbd samp var dfn',
);

const usualTableParents: ReadonlySet<string> = new Set(['table']);
const cellParents = new Set(['tr', 'tbody', 'thead', 'tfoot', 'table']);
const tableParents = new Map<string, ReadonlySet<string>>([
  ['td', cellParents],
  ['th', cellParents],
  ['tr', new Set(['tbody', 'thead', 'tfoot', 'table'])],
  ['col', new Set(['colgroup', 'table'])],
]);

/** What a part of a table lies in. */
export function tableParentsOf(name: string): ReadonlySet<string> {
  return tableParents.get(name) ?? usualTableParents;
}
