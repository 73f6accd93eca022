/** The parts of a plan that have keys of their own. */
export type Part =
  | 'plan'
  | 'languages'
  | 'language'
  | 'words'
  | 'labels'
  | 'links'
  | 'menu'
  | 'place'
  | 'stays'
  | 'home'
  | 'opens'
  | 'fold'
  | 'button'
  | 'panels'
  | 'to-top'
  | 'toggle'
  | 'entry'
  | 'look'
  | 'font'
  | 'states'
  | 'state'
  | 'parts'
  | 'contrast'
  | 'looks';

/** How a part is called in a message. */
export const partNames: Record<Part, string> = {
  plan: 'a plan',
  languages: '`languages`',
  language: 'a language',
  words: '`words`',
  labels: '`labels`',
  links: '`links`',
  menu: 'a menu',
  place: '`place`',
  stays: '`stays`',
  home: '`home`',
  opens: '`opens`',
  fold: '`fold`',
  button: 'a button',
  panels: '`panels`',
  'to-top': '`to-top`',
  toggle: '`toggle`',
  entry: 'an entry',
  look: 'a look',
  font: '`font`',
  states: '`states`',
  state: 'a state',
  parts: '`parts`',
  contrast: '`contrast`',
  looks: '`looks`',
};

const words = (list: string): readonly string[] => list.split(' ').filter(Boolean);

/** Kamino's own words in a page, by the names that the plan has for them. */
export const wordNames = ['skip', 'menu', 'close', 'new-window', 'previous', 'next', 'more', 'top'] as const;
export type WordName = (typeof wordNames)[number];

/** Keys of the format that a later version builds. */
export const laterKeys: Record<Part, readonly string[]> = {
  plan: words('own-files pictures questions rules'),
  languages: [],
  language: [],
  words: [],
  labels: [],
  links: [],
  menu: [],
  opens: [],
  place: [],
  stays: [],
  home: [],
  entry: [],
  fold: [],
  button: [],
  panels: [],
  'to-top': [],
  toggle: [],
  look: [],
  font: [],
  states: [],
  state: [],
  parts: [],
  contrast: [],
  looks: [],
};

/** Words of the trade, and ours for them. */
export const tradeWords: Record<string, string> = {
  sticky: 'stays',
  fixed: 'stays',
  logo: 'home',
  brand: 'home',
  burger: 'toggle',
  hamburger: 'toggle',
  mobile: 'fold',
  breakpoint: 'fold',
  collapse: 'fold',
  responsive: 'fold',
  active: 'current or pressed',
  selected: 'current',
  dropdown: 'entries',
  children: 'entries',
  submenu: 'entries',
  items: 'entries',
  href: 'page or url',
  link: 'page or url',
  path: 'page',
  cta: 'highlight',
  button: 'highlight',
  sidebar: 'form: column',
  anchor: 'section',
  hash: 'section',
  email: 'mail',
  tel: 'phone',
  download: 'file',
  text: 'label',
  source: 'site',
  input: 'site',
  dist: 'output',
  destination: 'output',
  ignore: 'leave-out',
  exclude: 'except',
  include: 'carried-by',
  css: 'style',
  theme: 'look',
  colors: 'look',
  colour: 'color',
  locale: 'language',
  lang: 'language',
  translations: 'languages',
  i18n: 'languages',
  navigation: 'menus',
  nav: 'menus',
};
