/** The attributes and classes of what Kamino puts into a page; one class for each part. */

export const inlayAttribute = 'data-kamino';
/** On a menu that stands instead of something: the hash of what was taken out. */
export const wasAttribute = 'data-kamino-was';
/** On each of them: a checksum of the part as it was written. */
export const sealAttribute = 'data-kamino-sum';
/** On an element that was given an id: that id again. */
export const idAttribute = 'data-kamino-id';
export const entryAttribute = 'data-kamino-entry';
export const depthAttribute = 'data-kamino-depth';

export const parts = {
  menu: 'kamino',
  bar: 'kamino-bar',
  tabs: 'kamino-tabs',
  column: 'kamino-column',
  plain: 'kamino-plain',
  contents: 'kamino-contents',
  breadcrumb: 'kamino-breadcrumb',
  'previous-next': 'kamino-previous-next',
  /** A link on its own: a button, and the way to the top. */
  button: 'kamino-button',
  top: 'kamino-top',
  /** The panel that is shown; said by the script. */
  shown: 'kamino-shown',
  /** The way to the top where it is not needed yet; said by the script. */
  away: 'kamino-away',
  room: 'kamino-room',
  home: 'kamino-home',
  list: 'kamino-list',
  entry: 'kamino-entry',
  link: 'kamino-link',
  opener: 'kamino-opener',
  submenu: 'kamino-submenu',
  toggle: 'kamino-toggle',
  /** What a drawer or a full-screen menu is. */
  fold: 'kamino-fold',
  close: 'kamino-close',
  /** A menu that lies in the fold of another, and its list there. */
  joins: 'kamino-joins',
  joined: 'kamino-joined',
  /** A submenu in columns, each part of it under a small heading. */
  columns: 'kamino-columns',
  heading: 'kamino-heading',
  /** A submenu that opens upwards, or with scrolling of its own; said by the script. */
  up: 'kamino-up',
  tall: 'kamino-tall',
  /** One that lies on the other side of its entry than its place is; said by the script. */
  turned: 'kamino-turned',
  /** What was opened and is about to be closed; said by the script. */
  closing: 'kamino-closing',
  highlight: 'kamino-highlight',
  label: 'kamino-label',
  apart: 'kamino-apart',
  /** The title above the headings of a page. */
  caption: 'kamino-caption',
  /** The entries before and behind a home in the middle, and those that stay when others are folded. */
  before: 'kamino-before',
  after: 'kamino-after',
  remains: 'kamino-remains',
  /** A line below a label. */
  about: 'kamino-about',
  /** A menu over the page: the script follows it; the page has been scrolled; both said by the script. */
  over: 'kamino-over',
  live: 'kamino-live',
  scrolled: 'kamino-scrolled',
  icon: 'kamino-icon',
  iconEnd: 'kamino-icon-end',
  iconAbove: 'kamino-icon-above',
  /** A picture that stands for an entry, and the words that it stands for. */
  picture: 'kamino-picture',
  pictured: 'kamino-pictured',
  words: 'kamino-words',
  /** The picture of the site’s home. */
  mark: 'kamino-mark',
  within: 'kamino-within',
  /** Said after a label: a new window, the type of a file. */
  note: 'kamino-note',
  /** Said to screen readers only. */
  unseen: 'kamino-unseen',
  outside: 'kamino-outside',
  insert: 'kamino-insert',
  previous: 'kamino-previous',
  next: 'kamino-next',
  skip: 'kamino-skip',
} as const;

/** On a link to a panel of the page that it stands in: the group. */
export const panelAttribute = 'data-kamino-panel';
export const firstPanelAttribute = 'data-kamino-first';

/** The class of one menu, for its own rules. */
export const menuClass = (name: string): string => `kamino-menu-${name}`;

/** The class of a way to set an entry apart. */
export const highlightClass = (way: string): string => `${parts.highlight}-${way}`;

/** On the picture of an entry of one language, where pages are in several. */
export const pictureClass = (language: string | null): string =>
  language === null ? parts.picture : `${parts.picture} ${parts.picture}-${language.toLowerCase()}`;

/** On a label whose room is reserved for a bolder state: the label again. */
export const labelAttribute = 'data-kamino-label';

/** On a menu that does not know its page: whether its current entry stays a link; and on entries what they cover. */
export const hereAttribute = 'data-kamino-here';
export const coversAttribute = 'data-kamino-covers';
/** On anything around such a menu: the names of the entries that the page is, as its template says them. */
export const atAttribute = 'data-kamino-at';

/** What a part of a page that is no menu says in `data-kamino`. */
export const reserved = {
  style: 'style',
  script: 'script',
  skip: 'skip',
  top: 'top',
  viewport: 'viewport',
} as const;

/** What runs in a visitor's browser, each a file of the client. */
export const behaviours = ['submenus', 'folds', 'sections', 'panels', 'top', 'over'] as const;
export type Behaviour = (typeof behaviours)[number];
